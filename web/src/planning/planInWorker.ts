import type { Job } from "@scutch/contract";
import type { DryingResult } from "@scutch/core/drying";
import { type JobInput, planWork, type WorkPlan } from "@scutch/core/plan";
import { type RunInput, type RunPlan, scheduleJob } from "@scutch/core/run";
import { driedByReadings, driedOf, type ReadingLog } from "./driedOf.ts";
import { runKey, type Searched, startsToTry } from "./runKey.ts";

/** A job to plan whole, with what was found for it before. */
export interface PlanQuestion {
  readonly input: JobInput;
  /** false: its rooms aren't dried, which takes as long again as the plan. */
  readonly isDried: boolean;
  /** By which its rooms are dried; absent: by the plan alone. */
  readonly readings?: ReadingLog & { readonly job: Pick<Job, "rooms" | "indoor"> };
  /** Runs by {@link runKey}. */
  readonly runs: ReadonlyMap<string, RunPlan>;
  readonly searched: Searched;
}

export interface PlanAnswer {
  readonly work: WorkPlan;
  readonly result: DryingResult | undefined;
  /** Runs found for it now, in the order they were asked. */
  readonly solved: readonly { readonly input: RunInput; readonly run: RunPlan }[];
}

/** Plans and dries a job with the runs known, each other one found here and now. */
export function planWhole({ input, isDried, readings, runs, searched }: PlanQuestion): PlanAnswer {
  const solved: { readonly input: RunInput; readonly run: RunPlan }[] = [];
  const work = planWork(input, (asked) => {
    const known = runs.get(runKey(asked));
    if (known) return known;
    const previousStarts = startsToTry(asked, searched);
    const run = scheduleJob(asked, previousStarts ? { previousStarts } : {});
    solved.push({ input: asked, run });
    return run;
  });
  const dried = () => (readings ? driedByReadings(work, input, readings) : driedOf(work));
  return { work, result: isDried ? dried() : undefined, solved };
}
