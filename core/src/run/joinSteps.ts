import type { Step } from "./jobRun.ts";

/** Steps done as one, in order: one at least. */
export type JoinedSteps = readonly [Step, ...Step[]];

/** s between two steps that is no wait: whole seconds are rounded. */
const AT_ONCE = 1;

const follows = (before: Step, next: Step): boolean =>
  next.sectionId !== undefined &&
  before.sectionId !== undefined &&
  next.kind === before.kind &&
  next.roomId === before.roomId &&
  next.tool === before.tool &&
  next.fillId === before.fillId &&
  next.start - before.end <= AT_ONCE;

/**
 * One person's steps, in order, with those that go on in the next section of the same room without a wait put together; `alone` says
 * which stand for themselves.
 */
export function joinSteps(steps: readonly Step[], alone: (step: Step) => boolean): JoinedSteps[] {
  const joined: [Step, ...Step[]][] = [];
  for (const step of steps) {
    const last = joined.at(-1);
    const before = last?.at(-1);
    if (last && before && !alone(before) && !alone(step) && follows(before, step)) last.push(step);
    else joined.push([step]);
  }
  return joined;
}
