/** A server in memory for tests of the device: as strict about versions and ids as the real one, and as unreliable as told. */
import {
  type CrewId,
  type HeldJob,
  type Job,
  type LogEntry,
  type StoredJob,
  summarizeJob,
} from "@scutch/contract";
import { deepEqual } from "@scutch/core/plan";
import type { Reply, Send } from "../device/api.ts";
import { DeviceDb } from "../device/db.ts";

export type Fate = "arrive" | "lose-request" | "lose-answer" | "fault" | "html" | "refuse";

export const JOB_ID = "01930000-0000-7000-8400-000000000001";
export const id = (kind: number, n: number) =>
  `01930000-0000-7000-8${kind.toString(16)}00-${n.toString(16).padStart(12, "0")}`;

export const job = (change: Partial<Job> = {}): Job =>
  ({
    id: JOB_ID,
    siteId: id(1, 1),
    title: "House",
    day: "2026-03-11",
    startsAt: "08:15",
    rooms: [],
    batches: [],
    ...change,
  }) as Job;

/** A plan with one room more. */
export const withRoom = (plan: Job, n: number): Job =>
  ({
    ...plan,
    rooms: [...plan.rooms, { id: id(5, n), name: `Room ${n}`, shape: { kind: "area", area: 10 } }],
  }) as Job;

export const note = (n: number): LogEntry =>
  ({ id: id(7, n), at: "2026-03-11T09:00:00.000Z", kind: "note", text: `Note ${n}` }) as LogEntry;

export const roomNames = (plan: Job | undefined) => (plan?.rooms ?? []).map(({ name }) => name);

/** What an entry says, without who sent it. */
const unsigned = ({ by: _by, importedBy: _importer, ...entry }: LogEntry) => entry;
const done = (body: unknown): Reply => ({ outcome: "done", body });
const refused = (status: number, error: object): Reply => ({ outcome: "refused", status, error }) as Reply;

export class FakeServer {
  readonly jobs = new Map<string, StoredJob & { readonly saves: Map<string, number> }>();
  readonly log = new Map<string, LogEntry>();
  readonly things = new Map<string, unknown>();
  readonly calls: string[] = [];
  /** What becomes of each request; health is asked of the line alone. */
  fate: (method: string, path: string) => Fate = () => "arrive";

  readonly send: Send = async (method, path, body) => {
    this.calls.push(`${method} ${path}`);
    const fate = this.fate(method, path);
    await new Promise((resolve) => setTimeout(resolve, 1));
    if (fate === "lose-request") return { outcome: "silent" };
    if (fate === "fault") return { outcome: "fault", status: 500, ours: true };
    if (fate === "html") return { outcome: "fault", status: 200, ours: false };
    if (fate === "refuse")
      return refused(422, { code: "invalid", faults: [{ path: ["job"], code: "invalid" }] });
    const reply = this.answer(method, path, body);
    return fate === "lose-answer" ? { outcome: "silent" } : reply;
  };

  /** Saves as another device does. */
  save(change: (plan: Job) => Job, jobId = JOB_ID): void {
    const there = this.jobs.get(jobId) as StoredJob & { saves: Map<string, number> };
    this.jobs.set(jobId, { ...there, version: there.version + 1, job: change(there.job) });
  }

  private answer(method: string, path: string, body: unknown): Reply {
    if (path === "/health") return done({ ok: true });
    const [address = "", query] = path.split("?");
    const [, kind, id = "", part] = address.split("/");
    if (kind === "jobs" && part === "log") {
      if (!this.jobs.has(id)) return refused(404, { code: "not-found" });
      if (method === "GET") {
        const after = Number(new URLSearchParams(query).get("after"));
        return done(this.logAfter(after));
      }
      const kept: LogEntry[] = [];
      for (const entry of (body as { entries: LogEntry[] }).entries) {
        const known = this.log.get(entry.id);
        if (known && !deepEqual(unsigned(known), unsigned(entry)))
          return refused(409, { code: "entry-differs" });
        if (known && !deepEqual(known, entry)) kept.push(known);
        if (!known) this.log.set(entry.id, entry);
      }
      return done({ added: 1, ...(kept.length > 0 ? { entries: kept } : {}) });
    }
    if (address === "/jobs") return done({ jobs: this.cards(), earlier: null, later: null });
    if (address === "/jobs/catch-up") return done({ jobs: this.newer((body as { jobs: HeldJob[] }).jobs) });
    if (kind === "jobs" && method === "GET") {
      const there = this.jobs.get(id);
      return there ? done({ version: there.version, job: there.job }) : refused(404, { code: "not-found" });
    }
    if (kind === "jobs" && part !== "photos")
      return this.put(id, body as { baseVersion: number; saveId?: string; job: Job });
    if (kind === "records") {
      const { kind: of, value } = body as { kind: string; value: { readonly id?: string } };
      this.things.set(`${of}:${value.id ?? "crew"}`, value);
      return done({ value });
    }
    this.things.set(path, body);
    return done(body);
  }

  private readonly arrivals = new Map<string, number>();
  private lastArrival = 0;

  /** Each entry with the number it came in under. */
  private arrived(): [LogEntry, number][] {
    return [...this.log.values()].map((entry) => {
      const arrival = this.arrivals.get(entry.id) ?? ++this.lastArrival;
      this.arrivals.set(entry.id, arrival);
      return [entry, arrival];
    });
  }

  /** Loses entries, as by a restore from a backup: numbers leap ahead then. */
  restore(isLost: (id: string) => boolean): void {
    this.arrived();
    for (const id of this.log.keys())
      if (isLost(id)) {
        this.log.delete(id);
        this.arrivals.delete(id);
      }
    this.lastArrival += 1_000_000;
  }

  private logMark(): number {
    return Math.max(0, ...this.arrived().map(([, arrival]) => arrival));
  }

  private logAfter(after: number) {
    const all = this.arrived();
    const logMark = this.logMark();
    const entries = all.filter(([, arrival]) => after > logMark || arrival > after).map(([entry]) => entry);
    return { entries, logMark, total: all.length };
  }

  /** The log is the first job's. */
  private cards() {
    return [...this.jobs.values()].map(({ version, job }) => {
      const entries = job.id === JOB_ID ? this.log.size : 0;
      return { ...summarizeJob(job, []), version, entries, logMark: entries > 0 ? this.logMark() : 0 };
    });
  }

  /** A few jobs in an answer, as with large ones. */
  private newer(held: readonly HeldJob[]) {
    return held.slice(0, 3).map(({ id, version, logMark }) => {
      const there = this.jobs.get(id);
      const mark = id === JOB_ID ? this.logMark() : 0;
      return {
        id,
        ...(there && there.version !== version ? { plan: { version: there.version, job: there.job } } : {}),
        ...(logMark === undefined || logMark === mark ? {} : { log: this.logAfter(logMark) }),
      };
    });
  }

  private put(id: string, save: { baseVersion: number; saveId?: string; job: Job }): Reply {
    const there = this.jobs.get(id);
    const known = save.saveId === undefined ? undefined : there?.saves.get(save.saveId);
    if (known !== undefined) return done({ version: known });
    const version = there?.version ?? 0;
    if (version !== save.baseVersion)
      return refused(409, {
        code: "version-conflict",
        theirs: there ? { version, job: there.job } : null,
      });
    const saves = new Map(there?.saves ?? []);
    if (save.saveId !== undefined) saves.set(save.saveId, version + 1);
    this.jobs.set(id, { version: version + 1, job: structuredClone(save.job), saves });
    return done({ version: version + 1 });
  }
}

let databases = 0;
/** A database of a test's own. */
export const freshDb = () =>
  new DeviceDb({ id: `test-${++databases}` as CrewId, database: `scutch-test-${databases}` });
