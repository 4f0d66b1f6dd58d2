import { isBreakStep } from "../log/index.ts";
import { type Problem, START, type Task, type TimeLag } from "../scheduling/index.ts";
import type { SectionTask } from "./jobTasks.ts";

/** Where a step stands that isn't to be planned any more: s after the start, how long it took, whether it was passed over. */
export interface Placement {
  readonly start: number;
  readonly took: number;
  readonly passed: boolean;
  /** Nobody said so. */
  readonly unsaid?: true;
}

/** A job's problem with what is done in its place: what is begun goes on, the rest comes after now. */
export interface RemainingProblem {
  readonly problem: Problem;
  /** Sections, by id, that were wet before and can't be reached in time any more. */
  readonly late: readonly string[];
  /** Steps whose chosen hour has gone by. */
  readonly missed: readonly string[];
  /** Steps that are over, logged or not: with their room, or because something was done that waits for them. */
  readonly gone: readonly string[];
  /** Those of them that nobody had said anything of by the time all was packed up: they weren't done. */
  readonly unsaid: readonly string[];
}

/** Relaxation: none; maximal lags of wet floors; all maximal lags. */
export type Relaxation = "nothing" | "wet" | "every most";

/** As stated, with nothing done. */
export const unstartedProblem = (problem: Problem): RemainingProblem => ({
  problem,
  late: [],
  missed: [],
  gone: [],
  unsaid: [],
});

interface Putting {
  /** The problem's tasks as they are now: how long they really take, whose hands they still need. */
  readonly tasks: readonly Task[];
  readonly sections: readonly SectionTask[];
  readonly places: ReadonlyMap<string, Placement>;
  /** Those of them that are still being done. */
  readonly inHand?: ReadonlySet<string>;
  readonly now: number;
  readonly letGo: Relaxation;
}

/**
 * Fixes started and finished steps at their logged times; releases the rest from now. A step that waits for a finished one waits
 * as long as that really took. Expired maximal lags are dropped, their sections reported overdue.
 */
export function fixPlacements(
  problem: Problem,
  { tasks, sections, places, inHand, now, letGo }: Putting,
): RemainingProblem {
  const took = new Map(tasks.map(({ id, duration }) => [id, duration]));
  const sectionOf = new Map(
    sections.flatMap((each) => [each.cleanId, ...each.reMistIds].map((id) => [id, each.id] as const)),
  );
  const late = new Set<string>();
  const missed: string[] = [];
  const minimalOnly = (lag: TimeLag): TimeLag[] => {
    const { maxLag: _, ...rest } = lag;
    return rest.minLag === undefined ? [] : [rest];
  };
  const lags = problem.lags.flatMap((lag): TimeLag[] => {
    const { from, to, maxLag } = lag;
    if (places.has(to)) return [];
    if (from === START) {
      const stands = isBreakStep(to) || maxLag === undefined || maxLag >= now;
      if (!stands) missed.push(to);
      if (letGo !== "every most") return stands ? [lag] : [];
      // Breaks that can't be at their hour, two at one time say, come as soon after it as they can.
      return isBreakStep(to) ? minimalOnly(lag) : [];
    }
    const place = places.get(from);
    if (!place) return letGo === "every most" ? minimalOnly(lag) : [lag];
    // Nothing waits for what wasn't done.
    if (place.passed) return [];
    const wait: TimeLag =
      lag.kind === "finish-to-start" ? { ...lag, minLag: took.get(from) ?? lag.minLag } : lag;
    if (maxLag === undefined) return minimalOnly(wait);
    const gone = letGo !== "nothing" || place.start + maxLag < now;
    const section = sectionOf.get(to);
    if (gone && section) late.add(section);
    return gone ? minimalOnly(wait) : [wait];
  });
  const held = [...places].map(
    ([to, { start }]): TimeLag => ({
      from: START,
      to,
      minLag: Math.round(start),
      maxLag: Math.round(start),
    }),
  );
  const open = tasks
    .filter(({ id }) => id !== START && !places.has(id) && !isBreakStep(id))
    .map(({ id }): TimeLag => ({ from: START, to: id, minLag: Math.ceil(now) }));
  return {
    problem: { ...problem, tasks, lags: [...lags, ...held, ...open] },
    late: [...late],
    missed,
    gone: [...places.keys()].filter((id) => !inHand?.has(id)),
    unsaid: [...places].flatMap(([id, { unsaid }]) => (unsaid ? [id] : [])),
  };
}
