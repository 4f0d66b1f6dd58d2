import { foldRunState, groupsInHand, plannedEnd } from "@scutch/core/log";
import {
  dwellingSections,
  effectiveProgress,
  isStepActive,
  type JobRun,
  openStepsOf,
  recommendedStart,
} from "@scutch/core/run";
import { timeAt } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";

/** A jump shorter than this, ms, isn't one. */
const WORTH_IT = 1000;

/**
 * When something is to be done next in a run, ms since 1970: a step in hand ends, a dwell is up, or the next step may begin. Undefined
 * where something is to be done now.
 */
export function nextDue(
  run: JobRun,
  { input, work, log, startMs }: Pick<JobDesk, "input" | "work" | "log" | "startMs">,
  now: number,
): number | undefined {
  const known = effectiveProgress(run, input.logged, work.wasted);
  const second = (now - startMs) / 1000;
  const time = (at: number) => timeAt(startMs, at / 3600);
  const inHand = groupsInHand(foldRunState(log));
  const people = Array.from({ length: input.run?.people ?? 1 }, (_, who) => who);
  const free = people.filter((who) => inHand.every((group) => group.who !== who + 1));
  const nextOf = free.flatMap((who) => openStepsOf(run, known, who)[0] ?? []);
  const ends = [
    ...inHand.map(plannedEnd),
    ...nextOf.flatMap((step) => {
      const begun = known[step.id]?.start;
      return begun !== undefined ? [time(begun + step.plannedSeconds)] : [];
    }),
  ];
  const starts = nextOf
    .filter(({ id }) => !isStepActive(known, id))
    .map((step) => time(recommendedStart(run, known, step, second)));
  const dwells = dwellingSections(run, known).map(({ ready }) => time(ready));
  // Something can be begun this moment: there is nothing to wait for.
  if (starts.some((at) => at <= now + WORTH_IT)) return undefined;
  const ahead = [...starts, ...ends, ...dwells].filter((at) => Number.isFinite(at) && at > now + WORTH_IT);
  return ahead.length > 0 ? Math.min(...ahead) : undefined;
}
