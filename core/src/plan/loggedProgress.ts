import {
  type Entry,
  fillId,
  fillStepId,
  foldFills,
  foldRunState,
  groupsInHand,
  isRunActive,
  placeInGroup,
  plannedEnd,
  type StepGroup,
  shareGroup,
} from "../log/index.ts";
import { omitAbsent } from "../omitAbsent.ts";
import type { StepProgress } from "../run/index.ts";
import type { JobInput } from "./input.ts";

/** After this long without an entry, ms, a run counts as abandoned: its plan no longer moves with the clock. */
const FORGOTTEN = 12 * 3_600_000;

/** The clock a run is planned by moves on so often, ms. */
const A_MINUTE = 60_000;

/** What the log knows of the run's steps, on the job's clock; nothing where no step is logged. A fill made is its step done. */
export function runProgress(
  job: { readonly batches: readonly { readonly id: string; readonly productId: string }[] },
  log: readonly Entry[],
  { startsAtMs, now }: { readonly startsAtMs?: number | undefined; readonly now?: number | undefined },
): Pick<JobInput, "logged" | "now"> {
  const run = foldRunState(log);
  if (startsAtMs === undefined || (run.startedAt === undefined && run.steps.size === 0)) return {};
  const second = (at: number) => (at - startsAtMs) / 1000;
  const logged: Record<string, StepProgress> = {};
  for (const [id, { startedAt, doneAt, skippedAt, who, roomId, part, what }] of run.steps)
    logged[id] = {
      ...omitAbsent({ roomId, part, what }),
      ...(startedAt === undefined ? {} : { start: second(startedAt) }),
      ...(doneAt === undefined ? {} : { end: second(doneAt) }),
      ...(skippedAt === undefined ? {} : { skipped: second(skippedAt) }),
      ...(who === undefined ? {} : { who: who - 1 }),
    };
  for (const batch of job.batches)
    for (const [fill, { at }] of foldFills(log, batch)) {
      const id = fillStepId(fillId(batch.id, fill));
      logged[id] = { ...logged[id], end: logged[id]?.end ?? second(Date.parse(at)) };
    }
  const begun = run.startedAt === undefined ? [] : [run.startedAt];
  const seconds = Object.values(logged).flatMap(({ start, end, skipped }) => [start, end, skipped]);
  const last = Math.max(
    ...begun,
    ...seconds.flatMap((each) => (each === undefined ? [] : [startsAtMs + each * 1000])),
  );
  const goesOn = isRunActive(run) && now !== undefined && now - last < FORGOTTEN;
  // What was logged within the minute is over; what lies further ahead was logged by a clock that is wrong.
  const until = goesOn ? Math.max(now, Math.min(last, now + A_MINUTE)) : last;
  for (const group of groupsInHand(run)) Object.assign(logged, groupProgress(group, until, second));
  return { logged, now: second(until) };
}

/** Steps begun with one tap: those before the one in hand by now are taken to have gone as planned. */
function groupProgress(
  group: StepGroup,
  now: number,
  second: (at: number) => number,
): Record<string, StepProgress> {
  const inHand = placeInGroup(group, now);
  const who = group.who === undefined ? undefined : group.who - 1;
  return Object.fromEntries(
    shareGroup(group, plannedEnd(group)).map(({ step, start, end }, i): [string, StepProgress] => [
      step,
      {
        ...omitAbsent({ roomId: group.roomId, part: group.steps[i]?.part, who }),
        ...(i <= inHand ? { start: second(start) } : omitAbsent({ joined: group.steps[i - 1]?.step })),
        ...(i < inHand ? { end: second(end) } : {}),
      },
    ]),
  );
}
