import { expect, test } from "@jest/globals";
import type { LogEntry, RoomId } from "@scutch/contract";
import { aJob, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { foldRunState, groupsInHand, plannedEnd } from "@scutch/core/log";
import { type JobRun, joinSteps } from "@scutch/core/run";
import { renderHook } from "@testing-library/react";
import type { PropsWithChildren } from "react";
import { Provider } from "react-redux";
import { computePlan } from "../../../planning/computePlan.ts";
import { LogbookContext } from "../../../shared/logging/logbook.ts";
import { openSession } from "../../../testing/openSession.ts";
import { ClockContext } from "../../../ui/useClock.ts";
import { useRunLog } from "./useRunLog.ts";

const shelf = aShelf({ products: [aProduct("Meadow")], vessels: [aVessel("Pump")] });
const job = aJob({
  rooms: [
    aRoom("Hall", { shape: { kind: "rectangle", length: 9, width: 8 }, covering: "loop-pile" }),
    aRoom("Den"),
  ],
  batches: [{ id: idFor("spray"), productId: idFor("Meadow"), vesselId: idFor("Pump"), measure: 5e-6 }],
  run: { people: 2, roles: "first-cleans" },
});

/** The clean sections of a person that follow each other, as planned. */
function planned() {
  const { work, startMs } = computePlan(job, shelf, []);
  const { run } = work;
  if (run.outcome !== "planned") throw new Error(run.fault.code);
  const cleaning = run.steps.filter(({ who, kind }) => who === 0 && kind === "clean");
  const sections = joinSteps(cleaning, () => false).find(({ length }) => length > 1);
  if (!sections) throw new Error("no sections follow each other");
  return { run, startMs, sections };
}

/** The taps of a run, and what they write, by a clock. */
function logging(run: JobRun, startMs: number, now: () => number) {
  const written: LogEntry[] = [];
  const { store } = openSession();
  const wrapper = ({ children }: PropsWithChildren) => (
    <Provider store={store}>
      <ClockContext.Provider value={{ now, rate: 1 }}>
        <LogbookContext.Provider value={(_, entry) => written.push(entry)}>
          {children}
        </LogbookContext.Provider>
      </ClockContext.Provider>
    </Provider>
  );
  const taps = (log: readonly LogEntry[]) =>
    renderHook(() => useRunLog({ job, shelf, log, startMs }, run, {}), { wrapper }).result.current;
  return { written, taps };
}

test("what one tap says has one time, though the clock moves on while it is written", () => {
  const { run, startMs, sections } = planned();
  let time = startMs + 1000 * sections[0].start;
  const { written, taps } = logging(run, startMs, () => time++);
  taps([]).start(sections, 0);
  const log = written.splice(0);
  const [group] = groupsInHand(foldRunState(log));
  time += 777_777;
  taps(log).done(sections, 0, group, [{ kind: "room-finished", roomId: sections[0].roomId as RoomId }]);

  const times = (kind: LogEntry["kind"]) =>
    written.filter((entry) => entry.kind === kind).map(({ at }) => Date.parse(at));
  const ended = times("step-done");
  expect(ended).toHaveLength(sections.length);
  // Each section begins when the one before it ends; the room is finished when the last one is.
  expect(times("step-started").toSorted()).toEqual(ended.toSorted().slice(0, -1));
  expect(times("room-finished")).toEqual([Math.max(...ended)]);
});

test("steps that ended before the tap are logged with the end entered, and start no other step", () => {
  const { run, startMs, sections } = planned();
  let now = startMs + 1000 * sections[0].start;
  const { written, taps } = logging(run, startMs, () => now);
  taps([]).start(sections, 0);
  const log = written.splice(0);
  const [group] = groupsInHand(foldRunState(log));
  if (!group) throw new Error("nothing is in hand");
  const ended = plannedEnd(group);
  now += 3 * 3_600_000;
  taps(log).doneBefore(sections, 0, group, ended);
  const times = written.map(({ at }) => Date.parse(at));
  expect(Math.max(...times)).toBe(ended);
  expect(Math.min(...times)).toBeGreaterThan(group.startedAt);
  expect(written.filter(({ kind }) => kind === "step-done")).toHaveLength(sections.length);
  // No step that wasn't in hand is begun by it.
  const own = new Set<string>(sections.map(({ id }) => id));
  for (const entry of written) if ("step" in entry) expect(own.has(entry.step)).toBe(true);
});
