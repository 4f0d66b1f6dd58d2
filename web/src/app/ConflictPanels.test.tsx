import { expect, test } from "@jest/globals";
import { JobId, RoomId } from "@scutch/contract";
import type { MergeConflict } from "@scutch/core/plan";
import { act, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Provider } from "react-redux";
import { changeJob } from "../device/changes.ts";
import { currentPlan } from "../device/jobRow.ts";
import type { Session } from "../device/session.ts";
import { FakeServer, id, JOB_ID, job, withRoom } from "../testing/fakeServer.ts";
import { openSession } from "../testing/openSession.ts";
import { ConflictPanels } from "./ConflictPanels.tsx";

const ROOM = RoomId.parse(id(5, 1));

/** A job whose title and ceiling two devices set; theirs stand until someone decides. */
async function withConflicts(more: readonly MergeConflict[] = []): Promise<Session> {
  const session = openSession();
  const rooms = withRoom(job({ title: "Their title" }), 1).rooms.map((room) => ({ ...room, height: 2.7 }));
  await session.db.jobs.put({
    id: JOB_ID,
    rev: 1,
    known: { version: 2, job: job({ title: "Their title", rooms }) },
    clashing: 1,
    clashes: [
      { kind: "field", path: ["title"], mine: "My title", theirs: "Their title" } as MergeConflict,
      { kind: "field", path: ["rooms", ROOM, "height"], mine: 2.4, theirs: 2.7 } as MergeConflict,
      ...more,
    ],
  });
  render(
    <Provider store={session.store}>
      <ConflictPanels />
    </Provider>,
  );
  await screen.findByText(/was changed on two devices/);
  return session;
}

const planOf = async ({ db }: Session) => {
  const row = await db.jobs.get(JOB_ID);
  if (!row) throw new Error("the job is gone");
  return currentPlan(row);
};

test("this device's value is taken with a tap, is sent, and its question goes; the other question stays", async () => {
  const session = await withConflicts();
  expect(screen.getByText("Room 1: ceiling")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "This device: My title" }));
  await waitFor(() => expect(screen.queryByText("Job description")).toBeNull());
  expect(await planOf(session)).toMatchObject({ title: "My title" });
  expect(await session.db.jobs.get(JOB_ID)).toMatchObject({ waiting: 1, clashing: 1 });
  expect(screen.getByText("Room 1: ceiling")).toBeVisible();
});

test("the other device's value keeps the plan as it is; with the last answer the panel goes", async () => {
  const session = await withConflicts();
  await userEvent.click(screen.getByRole("button", { name: "Other device: Their title" }));
  await userEvent.click(await screen.findByRole("button", { name: /^Other device: 2\.7/ }));
  await waitFor(() => expect(screen.queryByText(/was changed on two devices/)).toBeNull());
  const plan = await planOf(session);
  expect(plan).toMatchObject({ title: "Their title", rooms: [{ height: 2.7 }] });
  expect((await session.db.jobs.get(JOB_ID))?.clashing).toBeUndefined();
});

test("a value the plan can't have is refused with its reason and the question stays", async () => {
  const session = await withConflicts();
  await session.db.jobs.update(JOB_ID, {
    clashes: [{ kind: "field", path: ["title"], mine: "", theirs: "Their title" } as MergeConflict],
  });
  await waitFor(() => expect(screen.queryByText("Room 1: ceiling")).toBeNull());
  await userEvent.click(screen.getByRole("button", { name: /^This device:/ }));
  expect(await screen.findByRole("alert")).toBeVisible();
  expect(await planOf(session)).toMatchObject({ title: "Their title" });
});

test("three questions at a time, and how many follow", async () => {
  await withConflicts(
    [
      ["day", "2026-03-11", "2026-03-12"],
      ["startsAt", "08:15", "09:00"],
      ["siteId", id(1, 1), id(1, 2)],
    ].map(([field, mine, theirs]) => ({ kind: "field", path: [field], mine, theirs }) as MergeConflict),
  );
  expect(screen.getAllByRole("listitem")).toHaveLength(3);
  expect(screen.getByText("And 2 more after these.")).toBeVisible();
});

test("a device that can't keep anything asks too, and sends the answer", async () => {
  const session = openSession();
  const server = new FakeServer();
  // Not the job of the tests above: what they left to be sent may still come.
  const own = { id: JobId.parse(id(4, 77)) };
  const saved = () => server.jobs.get(own.id)?.job;
  server.jobs.set(own.id, { version: 1, job: job({ ...own, title: "Their title" }), saves: new Map() });
  globalThis.fetch = async (address, { method = "GET", body } = {}) => {
    const sent = body === undefined ? undefined : JSON.parse(String(body));
    const reply = await server.send(method, String(address).replace("/api", ""), sent);
    if (reply.outcome === "done") return Response.json(reply.body);
    if (reply.outcome === "refused") return Response.json({ error: reply.error }, { status: reply.status });
    throw new TypeError("offline");
  };
  session.db.close();
  render(
    <Provider store={session.store}>
      <ConflictPanels />
    </Provider>,
  );
  const before = job({ ...own, title: "Before" });
  act(() => changeJob(before, { ...before, title: "My title", startsAt: "09:30" }, "survey"));
  await screen.findByText(/Their title was changed on two devices/);
  expect(saved()).toMatchObject({ title: "Their title", startsAt: "09:30" });
  await userEvent.click(screen.getByRole("button", { name: "This device: My title" }));
  await waitFor(() => expect(saved()?.title).toBe("My title"));
  expect(saved()?.startsAt).toBe("09:30");
  expect(screen.queryByText(/was changed on two devices/)).toBeNull();
});
