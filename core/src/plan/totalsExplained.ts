import { type Explanation, explain, figure } from "../explain/index.ts";
import { numberAt } from "../itemAt.ts";
import type { WorkPlan } from "./work.ts";

/** All rooms' carpet. */
export function explainTotalArea(work: WorkPlan): Explanation {
  return explain({
    name: "carpet area",
    kind: "area",
    formula: "all rooms added",
    source: "survey",
    inputs: Object.fromEntries(
      work.rooms
        .filter((room) => !room.passage)
        .map((room) => [room.id, figure(room.name, room.area, "area")]),
    ),
    compute: (x) => Object.values(x).reduce((sum, area) => sum + area, 0),
  });
}

/** When the last room of a job is ready, hours after its start; `hours` from each room's finish, as dried. */
export function explainLastReady(
  work: WorkPlan,
  hours: readonly (number | null)[],
  name: string,
): Explanation {
  const ready = work.rooms.map((room, i) => room.finishedAtHours + (hours[i] ?? Number.NaN));
  return explain({
    name,
    kind: "hours",
    formula: "each room’s finish plus its drying time; the last of them, from the job’s start",
    source: "drying",
    inputs: Object.fromEntries(
      work.rooms.map((room, i) => [room.id, figure(room.name, numberAt(ready, i), "hours")]),
    ),
    compute: (x) => Math.max(...Object.values(x)),
  });
}
