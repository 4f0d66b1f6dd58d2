import { expect, test } from "@jest/globals";
import { simulateDrying } from "../drying/index.ts";
import { drierWork, type JobInput, lastReady, planWork } from "./index.ts";

const room = (id: string, more: Partial<JobInput["rooms"][number]> = {}) => ({
  id,
  name: id,
  shape: { kind: "area", area: 16 } as const,
  method: "extraction" as const,
  ...more,
});
const job: JobInput = { rooms: [room("a"), room("b", { fibre: "wool" })], batches: [] };
const ends = (of: JobInput) => {
  const work = planWork(of);
  if (work.run.outcome !== "planned") throw new Error("not planned");
  const touch = simulateDrying(work.building).rooms.map(({ touchDryHours }) => touchDryHours);
  return { walkOnAt: lastReady(work, touch) as number, finish: work.run.makespan };
};

test("more taken out: the work takes longer, the last room is walked on sooner, as the job planned so says itself", () => {
  const plain = ends(job);
  const found = drierWork(job, planWork(job));
  expect(found.map(({ kind }) => kind)).toEqual(["dry-strokes", "pads"]);
  for (const { walkOnAt, finish } of found) {
    expect(finish).toBeGreaterThan(plain.finish);
    expect(walkOnAt).toBeLessThan(plain.walkOnAt);
  }
  const strokes = ends({ ...job, rig: { strokes: { dryStrokes: 4 } } });
  expect(found[0]).toEqual({ kind: "dry-strokes", dryStrokes: 4, ...strokes });
  const pads = ends({ ...job, rooms: job.rooms.map((each) => ({ ...each, padAfter: true })) });
  expect(found[1]).toEqual({ kind: "pads", ...pads });
});

test("nothing where nothing is extracted, or where all of it is planned already", () => {
  const pad: JobInput = { rooms: [room("a", { method: "low-moisture" })], batches: [] };
  expect(drierWork(pad, planWork(pad))).toEqual([]);
  const full: JobInput = {
    ...job,
    rig: { strokes: { dryStrokes: 10 } },
    rooms: job.rooms.map((each) => ({ ...each, padAfter: true })),
  };
  expect(drierWork(full, planWork(full)).filter(({ kind }) => kind === "pads")).toEqual([]);
});
