import type { JobRun, RunInput } from "@scutch/core/run";

/** What a run is known by: all it was asked with. */
export const runKey = (input: RunInput): string =>
  JSON.stringify(input, (_, value) => (value instanceof Map ? [...value] : value));

/** Promises change by seconds as rooms dry: to this many, s, they are the same. */
const DUE_STEP = 900;

/**
 * The run without what was logged. A long search looks for its order, which is then tried for the run under way too. So what was
 * found before the start isn't lost, and a device that opens the job later shows the same.
 */
export function asPlanned({ now, logged, roomDueDates, ...input }: RunInput): RunInput {
  const due = [...(roomDueDates ?? [])].map(
    ([id, by]) => [id, Math.round(by / DUE_STEP) * DUE_STEP] as const,
  );
  return { ...input, ...(roomDueDates ? { roomDueDates: new Map(due) } : {}), finishedSeconds: new Map() };
}

export const isBegun = ({ now, logged, finishedSeconds }: RunInput): boolean =>
  now !== undefined || (logged?.size ?? 0) > 0 || (finishedSeconds?.size ?? 0) > 0;

/** When each step of a run begins, by its id. */
export type Starts = ReadonlyMap<string, number>;
export const startsOf = ({ steps }: JobRun): Starts => new Map(steps.map(({ id, start }) => [id, start]));

/** Starts found by long searches, by the key of the run as planned. */
export type Searched = ReadonlyMap<string, Starts>;

/** An order to try for a run under way: the one a long search found before it began. */
export const startsToTry = (input: RunInput, searched: Searched): Starts | undefined =>
  isBegun(input) ? searched.get(runKey(asPlanned(input))) : undefined;
