import { type DryingResult, simulateDrying } from "@scutch/core/drying";
import type { WorkPlan } from "@scutch/core/plan";

/** A plan's rooms dried, with their courses; undefined where it has no room. */
export const driedOf = (work: WorkPlan): DryingResult | undefined =>
  work.rooms.length === 0 ? undefined : simulateDrying(work.building, { keepCourse: true });
