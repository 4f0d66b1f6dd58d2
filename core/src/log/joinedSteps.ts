import type { JoinedStep } from "./entries.ts";
import type { RunState } from "./runState.ts";

/** Steps one start may cover beside its own. */
export const MAX_JOINED = 60;

/** Steps begun with one tap and done one after the other, in order. */
export interface StepGroup {
  /** ms since 1970. */
  readonly startedAt: number;
  /** Who has them in hand, from 1. */
  readonly who?: number | undefined;
  readonly roomId?: string | undefined;
  readonly steps: readonly JoinedStep[];
}

/** Groups in hand: begun, and their first step not said to be over. What was logged of a step by itself takes it out of its group. */
export function groupsInHand({ steps }: RunState): StepGroup[] {
  return [...steps].flatMap(
    ([step, { startedAt, doneAt, skippedAt, joined = [], lasts, part, who, roomId }]) => {
      if (startedAt === undefined || doneAt !== undefined || skippedAt !== undefined || lasts === undefined)
        return [];
      const others = joined.filter((each) => !steps.has(each.step));
      if (others.length === 0) return [];
      return [{ startedAt, who, roomId, steps: [{ step, part, lasts }, ...others] }];
    },
  );
}

/** When each step of a group begins and ends, ms since 1970, if all of it is over at `end`: shared out as planned, in whole ms. */
export function shareGroup(
  { startedAt, steps }: StepGroup,
  end: number,
): readonly { readonly step: string; readonly start: number; readonly end: number }[] {
  const planned = steps.reduce((sum, { lasts }) => sum + lasts, 0);
  const scale = planned > 0 ? Math.max(0, end - startedAt) / planned : 0;
  let reached = startedAt;
  return steps.map(({ step, lasts }) => {
    const start = Math.round(reached);
    reached += lasts * scale;
    return { step, start, end: Math.round(reached) };
  });
}

/** When a group is over if it goes as planned, ms since 1970. */
export const plannedEnd = ({ startedAt, steps }: StepGroup): number =>
  startedAt + 1000 * steps.reduce((sum, { lasts }) => sum + lasts, 0);

/** Index of the step in hand at `now` by the planned times; the last one stays in hand until it is logged as done. */
export function placeInGroup(group: StepGroup, now: number): number {
  const place = shareGroup(group, plannedEnd(group)).findIndex(({ end }) => now < end);
  return place < 0 ? group.steps.length - 1 : place;
}
