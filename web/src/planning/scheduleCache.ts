import type { LogEntry } from "@scutch/contract";
import { valueAt } from "@scutch/core";
import { foldRunState, isRunActive } from "@scutch/core/log";
import { ROUGH, type RunInput, type RunPlan, scheduleJob } from "@scutch/core/run";
import { useMemo, useSyncExternalStore } from "react";
import { useNow } from "../ui/useNow.ts";
import type { PlanAnswer, PlanQuestion } from "./planInWorker.ts";
import { asPlanned, isBegun, runKey, type Starts, startsOf, startsToTry } from "./runKey.ts";
import { askSchedule, askThoroughSchedule, askWholePlan, dropSearch } from "./workerClient.ts";

/**
 * A run takes tens of milliseconds to find, too long between a tap and what it changes. So the worker finds it, what it
 * found is kept by what it was asked, and until it is there a rough one stands in: one like the job had before.
 */
export type ScheduleCache = ReadonlyMap<string, RunPlan>;
let found: ScheduleCache = new Map();
/** Runs kept; the oldest goes first. */
const KEPT = 300;
const shown = new Map<string, Starts>();
const asking = new Map<string, { readonly key: string; readonly letGo: () => void }>();
const listeners = new Set<() => void>();
/** Keys of the runs kept for each job, and how often a better one than the first was found for it. */
const keysOf = new Map<string, Set<string>>();
const betterFound = new Map<string, number>();

function keepRun(jobId: string, key: string, run: RunPlan): void {
  const keys = (keysOf.get(jobId) ?? new Set()).add(key);
  found = new Map([...found, [key, run] as const].slice(-KEPT));
  keysOf.set(jobId, new Set([...keys].filter((each) => found.has(each))));
}
function keepBetter(jobId: string, key: string, run: RunPlan): void {
  keepRun(jobId, key, run);
  betterFound.set(jobId, (betterFound.get(jobId) ?? 0) + 1);
  for (const each of listeners) each();
}

/** Starts found by a long search, by what was asked; the oldest goes first. */
const searched = new Map<string, Starts>();
const SEARCHES_KEPT = 40;
function rememberSearch(planned: RunInput, run: RunPlan): void {
  if (run.outcome !== "planned") return;
  searched.set(runKey(planned), startsOf(run));
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
  else if (!searched.has(runKey(planned)))
    askThoroughSchedule(jobId, planned, (better) => {
      rememberSearch(planned, better);
      askSchedule(jobId, input, keep, searched.get(runKey(planned)));
    });
}

function ask(jobId: string, key: string, input: RunInput): void {
  const before = asking.get(jobId);
  if (before?.key === key) return;
  before?.letGo();
  dropSearch(jobId);
  const keep = (run: RunPlan) => keepBetter(jobId, key, run);
  const answered = (run: RunPlan) => {
    asking.delete(jobId);
    keep(run);
    searchOn(jobId, input, run, keep);
  };
  const letGo = askSchedule(jobId, input, answered, startsToTry(input, searched));
  asking.set(jobId, { key, letGo });
}

/** Asks the worker for a whole plan, by the runs known here; what it finds is kept, and searched on for. */
export function askPlan(
  jobId: string,
  { input, ...how }: Pick<PlanQuestion, "input" | "isDried" | "readings">,
  then: (answer: PlanAnswer) => void,
): () => void {
  const keys = keysOf.get(jobId) ?? [];
  const runs = new Map([...keys].flatMap((key) => [[key, valueAt(found, key)] as const]));
  return askWholePlan(jobId, { input, ...how, runs, searched }, (answer) => {
    for (const { input: asked, run } of answer.solved) keepRun(jobId, runKey(asked), run);
    const last = answer.solved.at(-1);
    if (last) {
      const key = runKey(last.input);
      dropSearch(jobId);
      searchOn(jobId, last.input, last.run, (better) => keepBetter(jobId, key, better));
    }
    then(answer);
  });
}

/** How often a better run than the first was found for a job. */
export const useBetterRuns = (jobId: string): number =>
  useSyncExternalStore(onSchedulesFound, () => betterFound.get(jobId) ?? 0);

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
  let starts: Starts | undefined;
  let question: { readonly key: string; readonly input: RunInput } | undefined;
  const solve = (input: RunInput): RunPlan => {
    const key = runKey(input);
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
