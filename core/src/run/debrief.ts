import type { JobRun, Step } from "./jobRun.ts";
import { type ProgressById, type TimingDeviation, timingDeviations } from "./runProgress.ts";
import type { StepKind } from "./stepKinds.ts";

/** Steps of one kind that were skipped, and the rooms they belong to; absent: they belong to none. */
export interface SkippedSteps {
  readonly kind: StepKind;
  readonly roomIds: readonly string[];
}

/** How a run went, from what was logged. */
export interface Debrief {
  /** Sections cleaned after a spray, and those of them cleaned inside their limits. */
  readonly cleaned: number;
  readonly inTime: number;
  readonly faults: readonly TimingDeviation[];
  readonly skipped: readonly SkippedSteps[];
  /** s to do again what a fault or a skipped vacuum spoils: its vacuum, spray, brush and cleaning as planned. Without travel. */
  readonly redo: number;
}

/** What a section is done again with; a room that wasn't vacuumed takes its vacuum, too. */
const REDO: readonly StepKind[] = ["pre-spray", "agitate", "clean"];

/**
 * Judges a run as logged. A dwell cut short cleans less, a section past its limit streaks, and soil that wasn't vacuumed comes back
 * (common practice): each is to be done again. Other skipped steps are named and cost nothing here.
 */
export function debriefOf(run: JobRun, known: ProgressById): Debrief {
  const faults = timingDeviations(run, known);
  const cleaned = run.sections.filter(
    ({ sprayId, cleanId }) =>
      sprayId !== undefined && known[sprayId]?.end !== undefined && known[cleanId]?.end !== undefined,
  );
  const skippedSteps = run.steps.filter(({ id }) => known[id]?.skipped !== undefined);
  const unvacuumed = new Set(
    skippedSteps.flatMap(({ kind, roomId }) => (kind === "vacuum" && roomId !== undefined ? [roomId] : [])),
  );
  const faulty = new Set(faults.map(({ section }) => section.id));
  const isSpoilt = (step: Step) =>
    (step.roomId !== undefined &&
      unvacuumed.has(step.roomId) &&
      (step.kind === "vacuum" || REDO.includes(step.kind))) ||
    (step.sectionId !== undefined && faulty.has(step.sectionId) && REDO.includes(step.kind));
  return {
    cleaned: cleaned.length,
    inTime: cleaned.filter(({ id }) => !faulty.has(id)).length,
    faults,
    skipped: skippedByKind(skippedSteps),
    redo: run.steps.filter(isSpoilt).reduce((sum, { plannedSeconds }) => sum + plannedSeconds, 0),
  };
}

function skippedByKind(steps: readonly Step[]): SkippedSteps[] {
  const rooms = new Map<StepKind, Set<string>>();
  for (const { kind, roomId } of steps) {
    const own = rooms.get(kind) ?? new Set();
    if (roomId !== undefined) own.add(roomId);
    rooms.set(kind, own);
  }
  return [...rooms].map(([kind, ids]) => ({ kind, roomIds: [...ids] }));
}
