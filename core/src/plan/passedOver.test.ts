import { expect, test } from "@jest/globals";
import { simulateDrying } from "../drying/index.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { type JobInput, planWork } from "./index.ts";

const job: JobInput = {
  rooms: [
    { id: "a", name: "A", shape: { kind: "rectangle", length: 4, width: 3 } },
    { id: "b", name: "B", shape: { kind: "rectangle", length: 4, width: 3 } },
  ],
  batches: [sprayBatch()],
};

test("a room whose cleaning was passed over isn't dried as if it were wet; sprayed and left, it keeps its pre-spray", () => {
  const { run } = planWork(job);
  if (run.outcome !== "planned") throw new Error("not planned");
  const b = run.sections.find(({ roomId }) => roomId === "b");
  const left = (more: JobInput["logged"]) => {
    const work = planWork({ ...job, now: 3000, logged: { [b?.cleanId ?? ""]: { skipped: 3000 }, ...more } });
    return { residual: work.rooms[1]?.residual, dry: simulateDrying(work.building).rooms[1]?.dryHours };
  };
  expect(left({})).toEqual({ residual: 0, dry: 0 });
  const sprayed = left({ [b?.sprayId ?? ""]: { start: 2000, end: 2100 } });
  expect(sprayed.residual).toBeCloseTo(0.068, 2);
  expect(sprayed.dry).toBeGreaterThan(0);
  expect(sprayed.dry).toBeLessThan(simulateDrying(planWork(job).building).rooms[1]?.dryHours as number);
});
