import { type RoomDrying, simulateDrying } from "../drying/index.ts";
import type { RunInput, RunPlan } from "../run/index.ts";
import type { JobInput } from "./input.ts";
import { lastReady } from "./lastReady.ts";
import { planWork, type WorkPlan } from "./work.ts";

/** A whole plan: what to do, and when each room is ready. */
export interface JobPlan extends WorkPlan {
  readonly drying: readonly RoomDrying[];
  /** Last room touch-dry and dry, hours after the start; null where a room won't be within 96 h. */
  readonly touchDryAt: number | null;
  readonly dryAt: number | null;
  readonly balanceError: number;
  readonly heatBalanceError: number;
}

/** Plans a job whole: {@link planWork}, then the rooms dried together. `solve` finds the run. */
export function planJob(job: JobInput, solve?: (input: RunInput) => RunPlan): JobPlan {
  const work = planWork(job, solve);
  if (work.rooms.length === 0)
    return { ...work, drying: [], touchDryAt: null, dryAt: null, balanceError: 0, heatBalanceError: 0 };
  const {
    rooms: drying,
    balanceError,
    heatBalanceError,
  } = simulateDrying(work.building, { keepCourse: true });
  return {
    ...work,
    drying,
    touchDryAt: lastReady(
      work,
      drying.map((room) => room.touchDryHours),
    ),
    dryAt: lastReady(
      work,
      drying.map((room) => room.dryHours),
    ),
    balanceError,
    heatBalanceError,
  };
}
