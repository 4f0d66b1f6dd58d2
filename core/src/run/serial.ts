/** Pace of work one person keeps, m²/s (common practice), and what set-up, refills, moving and talk add to it. */
const VACUUM_RATE = 6 / 60;
const SPRAY_RATE = 10 / 60;
/** Planned 59 min of summed steps took 75: 27 % (common practice). */
export const WORK_OVERHEAD = 0.27;

export type StepKind = "vacuum" | "pre-spray" | "dwell" | "clean";

/** One step in one room; s after the job's start. */
export interface Step {
  readonly kind: StepKind;
  readonly start: number;
  readonly end: number;
}

export interface RoomWork {
  /** m². */
  readonly area: number;
  /** s/m² of the head or pad. */
  readonly cleaningTimePerArea: number;
  /** s the label asks the pre-spray to stand. */
  readonly dwell: number;
  /** s after the job's start at which it was really finished: the rooms after it start from there. */
  readonly finished?: number;
}

/** Steps of rooms worked one after another by one person, nothing overlapped: on the late side, never the early one. */
export function workInTurn(rooms: readonly RoomWork[]): Step[][] {
  let clock = 0;
  const step = (kind: StepKind, seconds: number): Step => {
    const start = clock;
    clock += seconds;
    return { kind, start, end: clock };
  };
  const worked = (seconds: number) => seconds * (1 + WORK_OVERHEAD);
  return rooms.map(({ area, cleaningTimePerArea, dwell, finished }) => {
    const steps = [
      step("vacuum", worked(area / VACUUM_RATE)),
      step("pre-spray", worked(area / SPRAY_RATE)),
      step("dwell", dwell),
      step("clean", worked(area * cleaningTimePerArea)),
    ];
    if (finished !== undefined) clock = Math.max(0, finished);
    return steps;
  });
}

/** What a job took beyond the sum of its steps, as a share of that sum. */
export function overheadShare(summed: number, taken: number): number {
  return taken / summed - 1;
}
