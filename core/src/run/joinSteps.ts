import { MAX_JOINED } from "../log/index.ts";
import type { Step } from "./jobRun.ts";

/** Steps done as one, in order: one at least. */
export type JoinedSteps = readonly [Step, ...Step[]];

/** s between two steps that is no wait: whole seconds are rounded. */
const AT_ONCE = 1;

/** A step shorter than this, s, isn't worth a tap of its own: it goes with the one before or after it. */
const SHORT = 75;

const goesOn = (before: Step, next: Step): boolean =>
  next.roomId !== undefined &&
  next.roomId === before.roomId &&
  next.who === before.who &&
  Math.abs(next.start - before.end) <= AT_ONCE;

/** The same thing in the next section. */
const isSameFurtherOn = (before: Step, next: Step): boolean =>
  before.sectionId !== undefined &&
  next.sectionId !== undefined &&
  next.kind === before.kind &&
  next.tool === before.tool &&
  next.fillId === before.fillId;

/** What comes next on the same floor, one of the two too short to stand alone; cleaning never, for it may be too early. */
const isShort = (before: Step, next: Step): boolean =>
  next.sectionId !== undefined &&
  next.sectionId === before.sectionId &&
  next.kind !== "clean" &&
  Math.min(before.plannedSeconds, next.plannedSeconds) < SHORT;

/** A room's edges are done with the same vacuum as its floor. */
const isItsEdges = (before: Step, next: Step): boolean => before.kind === "vacuum" && next.kind === "edges";

const isBoundTo = (before: Step, next: Step): boolean => isShort(before, next) || isItsEdges(before, next);

function join(
  steps: readonly Step[],
  alone: (step: Step) => boolean,
  belongs: (before: Step, next: Step) => boolean,
): JoinedSteps[] {
  const joined: [Step, ...Step[]][] = [];
  for (const step of steps) {
    const last = joined.at(-1);
    const before = last?.at(-1);
    const fits = before && !alone(before) && !alone(step) && goesOn(before, step) && belongs(before, step);
    if (last && fits && last.length <= MAX_JOINED) last.push(step);
    else joined.push([step]);
  }
  return joined;
}

/**
 * One person's steps, in order, with those that go on without a wait put together: the same thing in the next section of a room, its
 * edges with its vacuuming, and what is too short to stand alone. `alone` says which stand for themselves.
 */
export const joinSteps = (steps: readonly Step[], alone: (step: Step) => boolean): JoinedSteps[] =>
  join(steps, alone, (before, next) => isSameFurtherOn(before, next) || isBoundTo(before, next));

/** Everybody's steps in the order they begin, with edges and what is too short to stand alone put with its neighbour. */
export function joinShortSteps(steps: readonly Step[]): JoinedSteps[] {
  const people = [...new Set(steps.map(({ who }) => who))];
  return people
    .flatMap((who) =>
      join(
        steps.filter((step) => step.who === who),
        () => false,
        isBoundTo,
      ),
    )
    .toSorted(([a], [b]) => a.start - b.start || a.end - b.end);
}
