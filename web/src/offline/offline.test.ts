import "fake-indexeddb/auto";
import { beforeEach, describe, expect, test } from "@jest/globals";
import type { Job, LogEntry } from "@scutch/contract";
import { type Command, enqueue, type LocalDb, openLocal, queued } from "./local.ts";
import { type Reply, resolveConflict, type Send, sendOutbox } from "./sender.ts";
import { jobsView, jobView, keepJobs, logView } from "./views.ts";

const ID = "01930000-0000-7000-8400-000000000001" as Job["id"];
const job = (title: string, id = ID) =>
  ({ id, title, day: "2026-03-10", startsAt: "09:00", rooms: [], batches: [] }) as unknown as Job;
const save = (title: string): Command => ({ kind: "save-job", job: job(title) });
const entry = (text: string, at: string) => ({ id: text, at, kind: "note", text }) as unknown as LogEntry;
const append = (text: string, at = "2026-03-10T09:00:00Z"): Command => ({
  kind: "append-log",
  jobId: ID,
  entry: entry(text, at),
});

/** The server's rules in a few lines: versions, replays, idempotent entries; `script` can lose or break answers. */
function server() {
  const jobs = new Map<string, { version: number; job: Job }>();
  const entries: string[] = [];
  let reachable = true;
  let losing = 0;
  const answer = (path: string, body: unknown): Reply => {
    if (path.endsWith("/log")) {
      for (const each of (body as { entries: LogEntry[] }).entries)
        if (!entries.includes(each.id)) entries.push(each.id);
      return { outcome: "done", body: { added: 1 } };
    }
    const { baseVersion, job: sent } = body as { baseVersion: number; job: Job };
    const known = jobs.get(sent.id);
    if ((known?.version ?? 0) !== baseVersion) {
      if (known && JSON.stringify(known.job) === JSON.stringify(sent))
        return { outcome: "done", body: { version: known.version } };
      return { outcome: "refused", status: 409, error: { code: "version-conflict", theirs: known ?? null } };
    }
    jobs.set(sent.id, { version: baseVersion + 1, job: sent });
    return { outcome: "done", body: { version: baseVersion + 1 } };
  };
  const send: Send = async (_, path, body) => {
    if (!reachable) return { outcome: "unreachable" };
    const reply = answer(path, body);
    return losing-- > 0 ? { outcome: "unreachable" } : reply;
  };
  return {
    jobs,
    entries,
    send,
    stop: () => {
      reachable = false;
    },
    start: () => {
      reachable = true;
    },
    loseAnswers: (count: number) => {
      losing = count;
    },
  };
}

let local: LocalDb;
let names = 0;
beforeEach(async () => {
  local = await openLocal(`test-${names++}`);
});

describe("the outbox", () => {
  test("what is done with no server is shown, kept, and sent once, in order, when there is one", async () => {
    const there = server();
    there.stop();
    await enqueue(local, save("one"));
    await enqueue(local, append("a", "2026-03-10T10:00:00Z"));
    await enqueue(local, append("b", "2026-03-10T09:00:00Z"));
    await enqueue(local, save("two"));
    expect(await sendOutbox(local, there.send)).toMatchObject({ reachable: false, pending: 4 });
    expect((await jobView(local, ID))?.job.title).toBe("two");
    expect((await logView(local, ID)).map(({ id }) => id)).toEqual(["b", "a"]);
    there.start();
    expect(await sendOutbox(local, there.send)).toEqual({
      reachable: true,
      pending: 0,
      conflicts: [],
      refused: [],
    });
    expect(there.jobs.get(ID)).toEqual({ version: 2, job: job("two") });
    expect(there.entries).toEqual(["a", "b"]);
    expect((await logView(local, ID)).map(({ id }) => id)).toEqual(["b", "a"]);
  });

  test("an answer lost on the way does no harm: the same is sent again and counts once", async () => {
    const there = server();
    await enqueue(local, save("one"));
    there.loseAnswers(1);
    expect((await sendOutbox(local, there.send)).reachable).toBe(false);
    expect((await sendOutbox(local, there.send)).pending).toBe(0);
    expect(there.jobs.get(ID)?.version).toBe(1);
    await enqueue(local, append("a"));
    there.loseAnswers(1);
    await sendOutbox(local, there.send);
    await sendOutbox(local, there.send);
    expect(there.entries).toEqual(["a"]);
  });

  test("saves of one job in a row become one; nothing is replaced across another command", async () => {
    for (const title of ["one", "two", "three"]) await enqueue(local, save(title));
    expect(await queued(local)).toHaveLength(1);
    await enqueue(local, append("a"));
    await enqueue(local, save("four"));
    expect((await queued(local)).map(({ kind }) => kind)).toEqual(["save-job", "append-log", "save-job"]);
  });

  test("a change made while the one before is on its way is sent too", async () => {
    const there = server();
    await enqueue(local, save("one"));
    let late = true;
    await sendOutbox(local, async (...call) => {
      if (late) {
        late = false;
        await enqueue(local, save("two"));
      }
      return there.send(...call);
    });
    expect(there.jobs.get(ID)?.job.title).toBe("two");
    expect(await queued(local)).toHaveLength(0);
  });

  test.each(["mine", "theirs"] as const)(
    "a clash is told with both sides, blocks nothing else, and %s can be kept",
    async (keep) => {
      const there = server();
      await enqueue(local, save("base"));
      await sendOutbox(local, there.send);
      there.jobs.set(ID, { version: 7, job: job("theirs") });
      await enqueue(local, save("mine"));
      await enqueue(local, append("a"));
      const { conflicts, pending } = await sendOutbox(local, there.send);
      expect(conflicts).toMatchObject([{ jobId: ID, theirs: { version: 7 }, yours: { title: "mine" } }]);
      expect(pending).toBe(1);
      expect(there.entries).toEqual(["a"]);
      const [conflict] = conflicts;
      if (!conflict) throw new Error();
      await resolveConflict(local, conflict, keep);
      await sendOutbox(local, there.send);
      expect(there.jobs.get(ID)?.job.title).toBe(keep);
      expect((await jobView(local, ID))?.job.title).toBe(keep);
    },
  );

  test("a refused change stays here with its faults, and what comes after it still goes", async () => {
    const faults = [{ path: ["job", "title"], code: "too-big" }];
    const refusing: Send = async (method) =>
      method === "PUT"
        ? { outcome: "refused", status: 422, error: { code: "invalid", faults } }
        : { outcome: "done", body: {} };
    await enqueue(local, save("bad"));
    await enqueue(local, append("a"));
    const { refused, pending, reachable } = await sendOutbox(local, refusing);
    expect({ pending, reachable }).toEqual({ pending: 1, reachable: true });
    expect(refused).toMatchObject([{ kind: "save-job", faults }]);
    expect((await jobView(local, ID))?.job.title).toBe("bad");
  });
});

describe("what the server said before a change of ours doesn't undo it", () => {
  test("neither while the change waits nor after it was taken", async () => {
    const asked = Date.now() - 1000;
    const stale = { version: 1, job: job("stale") };
    await enqueue(local, save("new"));
    await keepJobs(local, [stale], asked);
    expect((await jobView(local, ID))?.job.title).toBe("new");
    await sendOutbox(local, server().send);
    await keepJobs(local, [stale], asked);
    expect((await jobView(local, ID))?.job.title).toBe("new");
    await keepJobs(local, [{ version: 2, job: job("newer") }], Date.now() + 1);
    expect((await jobsView(local)).jobs.map(({ job: { title } }) => title)).toEqual(["newer"]);
  });
});
