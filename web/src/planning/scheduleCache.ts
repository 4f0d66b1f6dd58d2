import type { LogEntry } from "@scutch/contract";
import { foldRunState, isRunActive } from "@scutch/core/log";
import { type JobRun, ROUGH, type RunInput, type RunPlan, scheduleJob } from "@scutch/core/run";
import { useMemo, useSyncExternalStore } from "react";
import { useNow } from "../ui/useNow.ts";
import { askSchedule, askThoroughSchedule, dropSearch } from "./workerClient.ts";

/**
 * A run takes tens of milliseconds to find, too long between a tap and what it changes. So the worker finds it, what it
 * found is kept by what it was asked, and until it is there a rough one stands in: one like the job had before.
 */
export type ScheduleCache = ReadonlyMap<string, RunPlan>;
let found: ScheduleCache = new Map();
/** Runs kept; the oldest goes first. */
const KEPT = 300;
const shown = new Map<string, ReadonlyMap<string, number>>();
const asking = new Map<string, { readonly key: string; readonly letGo: () => void }>();
const listeners = new Set<() => void>();

const keyOf = (input: RunInput) =>
  JSON.stringify(input, (_, value) => (value instanceof Map ? [...value] : value));

/** Promises change by seconds as rooms dry: to this many, s, they are the same. */
const DUE_STEP = 900;

/**
 * The run as nobody had begun it. Its order is searched for at length and tried for a run under way too: so what was found before
 * the start isn't lost at the start, and a device that opens the job later shows the same.
 */
function asPlanned({ now, logged, roomDueDates, ...input }: RunInput): RunInput {
  const due = [...(roomDueDates ?? [])].map(
    ([id, by]) => [id, Math.round(by / DUE_STEP) * DUE_STEP] as const,
  );
  return { ...input, ...(roomDueDates ? { roomDueDates: new Map(due) } : {}), finishedSeconds: new Map() };
}
const isBegun = ({ now, logged, finishedSeconds }: RunInput) =>
  now !== undefined || (logged?.size ?? 0) > 0 || (finishedSeconds?.size ?? 0) > 0;

/** Starts found by a long search, by what was asked; the oldest goes first. */
const searched = new Map<string, ReadonlyMap<string, number>>();
const SEARCHES_KEPT = 40;
const startsOf = ({ steps }: JobRun) => new Map(steps.map(({ id, start }) => [id, start] as const));
function rememberSearch(planned: RunInput, run: RunPlan): void {
  if (run.outcome !== "planned") return;
  searched.set(keyOf(planned), startsOf(run));
  for (const key of [...searched.keys()].slice(0, -SEARCHES_KEPT)) searched.delete(key);
}

/** Searches on for a better run than the first: of a job nobody has begun itself, of one under way the order it was planned in. */
function searchOn(jobId: string, input: RunInput, run: RunPlan, keep: (run: RunPlan) => void): void {
  if (run.outcome !== "planned" || run.makespan <= run.lowerBound) return;
  const planned = asPlanned(input);
  if (!isBegun(input))
    askThoroughSchedule(jobId, input, (better) => {
      rememberSearch(planned, better);
      keep(better);
    });
  else if (!searched.has(keyOf(planned)))
    askThoroughSchedule(jobId, planned, (better) => {
      rememberSearch(planned, better);
      askSchedule(jobId, input, keep, searched.get(keyOf(planned)));
    });
}

function ask(jobId: string, key: string, input: RunInput): void {
  const before = asking.get(jobId);
  if (before?.key === key) return;
  before?.letGo();
  dropSearch(jobId);
  const keep = (run: RunPlan) => {
    found = new Map([...found, [key, run] as const].slice(-KEPT));
    for (const each of listeners) each();
  };
  const answered = (run: RunPlan) => {
    asking.delete(jobId);
    keep(run);
    searchOn(jobId, input, run, keep);
  };
  const letGo = askSchedule(
    jobId,
    input,
    answered,
    isBegun(input) ? searched.get(keyOf(asPlanned(input))) : undefined,
  );
  asking.set(jobId, { key, letGo });
}

/** How a job's run is found here: what is known, else a rough one now; `settle` then asks the worker, once it is shown. */
export function cachedScheduler(
  jobId: string,
  known: ScheduleCache,
): {
  readonly solve: (input: RunInput) => RunPlan;
  /** Whether a rough one stood in. */
  readonly isRough: () => boolean;
  readonly settle: () => void;
} {
  let starts: ReadonlyMap<string, number> | undefined;
  let question: { readonly key: string; readonly input: RunInput } | undefined;
  const solve = (input: RunInput): RunPlan => {
    const key = keyOf(input);
    const kept = known.get(key);
    const run = kept ?? scheduleJob(input, { rough: true, previousStarts: starts ?? shown.get(jobId) });
    if (run.outcome === "planned") starts = startsOf(run);
    // One question at a time: what comes after follows from its answer.
    if (!kept) question ??= { key, input };
    return run;
  };
  return {
    solve,
    isRough: () => question !== undefined,
    settle: () => {
      if (starts) shown.set(jobId, starts);
      if (question) ask(jobId, question.key, question.input);
    },
  };
}

const MINUTE = 60_000;
const NOTHING: readonly LogEntry[] = [];

/** The minute it is, while a run is under way: then what isn't begun moves on with the clock. */
export function useMinuteUnderWay(log: readonly LogEntry[] = NOTHING): number | undefined {
  const now = useNow();
  const underWay = useMemo(() => isRunActive(foldRunState(log)), [log]);
  return underWay ? Math.floor(now / MINUTE) * MINUTE : undefined;
}

/** A run where nobody asks when: what is loaded and mixed hangs on no hour. */
export const scheduleQuickly = (input: RunInput): RunPlan => scheduleJob(input, ROUGH);

/** What the worker has found, for {@link cachedScheduler}. */
export const useScheduleCache = (): ScheduleCache => useSyncExternalStore(onSchedulesFound, scheduleCache);
export const scheduleCache = (): ScheduleCache => found;
export function onSchedulesFound(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
