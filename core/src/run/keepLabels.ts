import type { Problem, TimeLag } from "../scheduling/index.ts";

/** s beyond a label's longest dwell that sections are given where it can't hold, the least that does first. */
const LONGER = [5, 10, 20, 40, 80, 160].map((minutes) => minutes * 60);

/** Schedules that may be tried to find which labels hold. */
const TRIES = 30;

/**
 * A problem whose labels can't all hold, with the longest dwell of as many sections as can be kept, and of the others as little over it
 * as can be planned.
 *
 * @param isPlanned whether a schedule is found for a problem. Where none is found without any label, they are all let go.
 */
export function keepMostLabels(problem: Problem, isPlanned: (problem: Problem) => boolean): Problem {
  const others = problem.lags.filter(({ kind }) => kind !== "label");
  const labels = problem.lags.filter(({ kind }) => kind === "label");
  const withLags = (lags: readonly TimeLag[]): Problem => ({ ...problem, lags: [...others, ...lags] });
  if (!isPlanned(withLags([]))) return withLags([]);
  let kept: readonly TimeLag[] = [];
  const broken: TimeLag[] = [];
  let tries = TRIES;
  const keep = (some: readonly TimeLag[], mayHold: boolean): void => {
    if (mayHold && tries-- > 0 && isPlanned(withLags([...kept, ...some]))) {
      kept = [...kept, ...some];
      return;
    }
    if (some.length <= 1 || tries <= 0) {
      broken.push(...some);
      return;
    }
    const half = Math.ceil(some.length / 2);
    keep(some.slice(0, half), true);
    keep(some.slice(half), true);
  };
  // All of them are known not to hold.
  keep(labels, false);
  for (const more of LONGER) {
    const longer = broken.map((lag) =>
      lag.maxLag === undefined ? lag : { ...lag, maxLag: lag.maxLag + more },
    );
    const loosened = withLags([...kept, ...longer]);
    if (isPlanned(loosened)) return loosened;
  }
  return withLags(kept);
}
