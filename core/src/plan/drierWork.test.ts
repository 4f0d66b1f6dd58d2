import { expect, test } from "@jest/globals";
import { simulateDrying } from "../drying/index.ts";
import { ROUGH, scheduleJob } from "../run/index.ts";
import { toEnd } from "../toEnd.ts";
import { type DrierWork, drierWorkInSteps, type JobInput, lastReady, planWork } from "./index.ts";

const room = (id: string, more: Partial<JobInput["rooms"][number]> = {}) => ({
  id,
  name: id,
  shape: { kind: "area", area: 16 } as const,
  method: "extraction" as const,
  ...more,
});
const job: JobInput = { rooms: [room("a"), room("b", { fibre: "wool" })], batches: [] };
const ends = (of: JobInput) => {
  const work = planWork(of, (asked) => scheduleJob(asked, ROUGH));
  if (work.run.outcome !== "planned") throw new Error("not planned");
  const touch = simulateDrying(work.building).rooms.map(({ touchDryHours }) => touchDryHours);
  return { walkOnAt: lastReady(work, touch) as number, finish: work.run.makespan };
};
const drierWork = (of: JobInput): DrierWork[] => toEnd(drierWorkInSteps(of));

test("more taken out: the work takes longer, the last room is walked on sooner, by as much as two plans differ", () => {
  const plain = ends(job);
  const found = drierWork(job);
  const strokes = ends({ ...job, rig: { strokes: { dryStrokes: 4 } } });
  const pads = ends({ ...job, rooms: job.rooms.map((each) => ({ ...each, padAfter: true })) });
  const differs = (other: typeof plain) => ({
    sooner: plain.walkOnAt - other.walkOnAt,
    longer: other.finish - plain.finish,
  });
  expect(found).toEqual([
    { kind: "dry-strokes", dryStrokes: 4, ...differs(strokes) },
    { kind: "pads", ...differs(pads) },
  ]);
  for (const { sooner, longer } of found) {
    expect(sooner).toBeGreaterThan(0);
    expect(longer).toBeGreaterThan(0);
  }
});

test("nothing where nothing is extracted, or where all of it is planned already", () => {
  expect(drierWork({ rooms: [room("a", { method: "low-moisture" })], batches: [] })).toEqual([]);
  const full: JobInput = { ...job, rooms: job.rooms.map((each) => ({ ...each, padAfter: true })) };
  expect(drierWork(full).map(({ kind }) => kind)).toEqual(["dry-strokes"]);
});
