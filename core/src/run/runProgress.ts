import { START } from "../scheduling/index.ts";
import type { StepProgress } from "./input.ts";
import type { JobRun, RunSection, Step } from "./jobRun.ts";
import type { JoinedSteps } from "./joinSteps.ts";
import { STEP_FACTS } from "./stepFacts.ts";

/** What is known of each step, by id; s after the start. */
export type ProgressById = Readonly<Record<string, StepProgress>>;

/**
 * What is known of each step, and of those that are over without a word: with their room, or because something was done that waits for
 * them. `undone`: fills made for nothing, which are to do again.
 */
export function effectiveProgress(
  run: JobRun,
  logged: ProgressById | undefined,
  undone: ReadonlySet<string> = new Set(),
): ProgressById {
  const ends = new Map(run.steps.map(({ id, end }) => [id, end]));
  return {
    ...Object.fromEntries(Object.entries(logged ?? {}).filter(([id]) => !undone.has(id))),
    ...Object.fromEntries(
      run.closedSteps
        .filter((id) => !isStepClosed(logged ?? {}, id))
        .map((id) => [id, { ...logged?.[id], end: ends.get(id) ?? 0 }]),
    ),
  };
}

export const isStepClosed = (known: ProgressById, id: string): boolean =>
  known[id]?.end !== undefined || known[id]?.skipped !== undefined;
export const isStepActive = (known: ProgressById, id: string): boolean =>
  known[id]?.start !== undefined && !isStepClosed(known, id);

/**
 * The steps of one person that are still to do, what is in hand first, then as planned. Breaks take care of themselves, and a
 * step of somebody's own stands beside them.
 */
export function openStepsOf(run: JobRun, known: ProgressById, who: number): Step[] {
  return run.steps
    .filter(
      (step) =>
        step.kind !== "break" && step.kind !== "own" && step.who === who && !isStepClosed(known, step.id),
    )
    .toSorted(
      (a, b) => Number(isStepActive(known, b.id)) - Number(isStepActive(known, a.id)) || a.start - b.start,
    );
}

/**
 * The first second a step may begin at, from what is done; `finishing` counts as done at `now`. Infinity while something it waits
 * for isn't done.
 */
export function earliestStart(
  run: JobRun,
  known: ProgressById,
  id: string,
  now: number,
  finishing: readonly string[] = [],
): number {
  const starts = new Map(run.steps.map((step) => [step.id, step.start]));
  return run.problem.lags.reduce((least, lag) => {
    if (lag.to !== id || lag.from === START || lag.minLag === undefined) return least;
    if (finishing.includes(lag.from) && lag.kind === "finish-to-start") return Math.max(least, now);
    if (!finishing.includes(lag.from) && !isStepClosed(known, lag.from)) return Number.POSITIVE_INFINITY;
    return Math.max(least, (starts.get(lag.from) ?? 0) + lag.minLag);
  }, 0);
}

/** s that a spray is begun before its hour at most: its person is done a little sooner than planned, and needn't wait. */
const SOONER = 120;

/** s by which a section may be sprayed sooner and cleaned when planned: half of what its limit leaves. */
function sprayLead(run: JobRun, { id }: Step): number {
  const section = run.sections.find(({ sprayId }) => sprayId === id);
  return section ? Math.min(SOONER, Math.max(0, section.cleanDeadline - section.cleanEnd) / 2) : 0;
}

/**
 * The earliest second at which to begin a step. A spray also waits for its planned time, or up to two minutes before it where its
 * section can stand that much longer: otherwise it dries before it is cleaned.
 */
export const recommendedStart = (
  run: JobRun,
  known: ProgressById,
  step: Step,
  now: number,
  finishing: readonly string[] = [],
): number =>
  Math.max(
    earliestStart(run, known, step.id, now, finishing),
    step.kind === "pre-spray" ? step.start - sprayLead(run, step) : 0,
  );

/** A section that stands sprayed: when it may be cleaned, and by when it has to be. s after the start. */
export interface DwellingSection {
  readonly section: RunSection;
  readonly ready: number;
  readonly until: number;
}

/** Every section that stands sprayed now, the most pressing first. */
export function dwellingSections(run: JobRun, known: ProgressById): DwellingSection[] {
  return run.sections
    .filter(
      ({ sprayId, cleanId }) =>
        sprayId !== undefined &&
        known[sprayId]?.end !== undefined &&
        known[cleanId]?.start === undefined &&
        !isStepClosed(known, cleanId),
    )
    .map((section) => {
      const { sprayStart, sprayEnd, cleanStart, cleanEnd, dwell, cleanDeadline } = section;
      const slower = Math.max(0, sprayEnd - sprayStart - (cleanEnd - cleanStart));
      return { section, ready: sprayStart + dwell + slower, until: cleanDeadline };
    })
    .toSorted((a, b) => a.until - b.until);
}

/** Whether a room is through when steps of it are done or passed over: nothing of it is left, and it was cleaned. */
export function completesRoom(run: JobRun, known: ProgressById, steps: JoinedSteps): boolean {
  const [{ roomId: room }] = steps;
  const ending = new Set(steps.map(({ id }) => id));
  const own = run.steps.filter(
    ({ kind, roomId }) =>
      kind !== "own" && !STEP_FACTS[kind].afterDry && roomId !== undefined && roomId === room,
  );
  const cleaned = own.some(
    ({ id, kind }) => kind === "clean" && (known[id]?.end !== undefined || ending.has(id)),
  );
  const restDries = run.driesFirst.some(({ roomId }) => roomId === room);
  return cleaned && !restDries && own.every(({ id }) => ending.has(id) || isStepClosed(known, id));
}

/** A section that was cleaned before its dwell was over, or after it had stood too long; s by which. */
export interface TimingDeviation {
  readonly section: RunSection;
  readonly early?: number;
  readonly late?: number;
}

/** Half a minute isn't worth a word. */
const WORTH_SAYING = 30;

/** What was rushed and what dried out, from when things were really done. */
export function timingDeviations(run: JobRun, known: ProgressById): TimingDeviation[] {
  return run.sections.flatMap((section): TimingDeviation[] => {
    const { sprayId, cleanId, sprayStart, cleanStart, cleanEnd, dwell, cleanDeadline } = section;
    if (sprayId === undefined || known[sprayId]?.end === undefined || known[cleanId]?.end === undefined)
      return [];
    const early = sprayStart + dwell - cleanStart;
    if (early > WORTH_SAYING) return [{ section, early }];
    const late = cleanEnd - cleanDeadline;
    return late > WORTH_SAYING ? [{ section, late }] : [];
  });
}
