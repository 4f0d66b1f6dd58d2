import { expect, test } from "@jest/globals";
import type { LogEntry, RoomId } from "@scutch/contract";
import { aJob, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { foldRunState, groupsInHand } from "@scutch/core/log";
import { joinSteps } from "@scutch/core/run";
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

test("what one tap says has one time, though the clock moves on while it is written", () => {
  const { work, startMs } = computePlan(job, shelf, []);
  const { run } = work;
  if (run.outcome !== "planned") throw new Error(run.fault.code);
  const cleaning = run.steps.filter(({ who, kind }) => who === 0 && kind === "clean");
  const sections = joinSteps(cleaning, () => false).find(({ length }) => length > 1);
  if (!sections) throw new Error("no sections follow each other");

  const written: LogEntry[] = [];
  let time = startMs + 1000 * sections[0].start;
  const clock = { now: () => time++, rate: 1 };
  const { store } = openSession();
  const wrapper = ({ children }: PropsWithChildren) => (
    <Provider store={store}>
      <ClockContext.Provider value={clock}>
        <LogbookContext.Provider value={(_, entry) => written.push(entry)}>
          {children}
        </LogbookContext.Provider>
      </ClockContext.Provider>
    </Provider>
  );
  const taps = (log: readonly LogEntry[]) =>
    renderHook(() => useRunLog({ job, shelf, log, startMs }, run, {}), { wrapper }).result.current;
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
