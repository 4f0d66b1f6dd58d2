/** Pace of work one person keeps, m²/s (common practice), and what set-up, refills, moving and talk add to it. */
const VACUUM_RATE = 6 / 60;
const SPRAY_RATE = 10 / 60;
/** m/s along a wall with the crevice tool (common practice), and s/m² an odour treatment takes to soak in by hand. */
const EDGE_RATE = 8 / 60;
const ODOUR_TIME = 120;
/** What was never cleaned, or long ago, is vacuumed slowly, from two directions (common practice). */
const SLOW_VACUUM = 1.5;
/** Planned 59 min of summed steps took 75: 27 % (common practice). */
export const WORK_OVERHEAD = 0.27;

export const STEP_KINDS = ["vacuum", "edges", "pre-spray", "dwell", "clean", "odour"] as const;
export type StepKind = (typeof STEP_KINDS)[number];

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
  /** s the label asks the pre-spray to stand; undefined: nothing is sprayed. */
  readonly dwell: number | undefined;
  /** m of edge done by hand, m² treated against odour; none where absent. */
  readonly edge?: number;
  readonly odourArea?: number;
  readonly slowVacuum?: boolean;
  /** Only walked through: nothing is done in it. */
  readonly passage?: boolean;
  /** s after the job's start at which it was really finished: the rooms after it start from there. */
  readonly finished?: number;
}

/**
 * Rooms with their steps, worked one after another by one person, nothing overlapped: on the late side, never the early
 * one. A room finished out of turn doesn't set the clock back behind the rooms before it.
 */
export function workInTurn<R extends RoomWork>(
  rooms: readonly R[],
): (R & { readonly steps: readonly Step[] })[] {
  let clock = 0;
  const step = (kind: StepKind, seconds: number): Step => {
    const start = clock;
    clock += seconds;
    return { kind, start, end: clock };
  };
  const worked = (seconds: number) => seconds * (1 + WORK_OVERHEAD);
  return rooms.map((room) => {
    const { area, cleaningTimePerArea, dwell, finished, edge = 0, odourArea = 0 } = room;
    if (room.passage) return { ...room, steps: [] };
    const begun = clock;
    const steps = [
      step("vacuum", worked(area / VACUUM_RATE) * (room.slowVacuum ? SLOW_VACUUM : 1)),
      ...(edge > 0 ? [step("edges", worked(edge / EDGE_RATE))] : []),
      ...(dwell === undefined ? [] : [step("pre-spray", worked(area / SPRAY_RATE)), step("dwell", dwell)]),
      step("clean", worked(area * cleaningTimePerArea)),
      ...(odourArea > 0 ? [step("odour", worked(odourArea * ODOUR_TIME))] : []),
    ];
    if (finished !== undefined) clock = Math.max(begun, finished);
    return { ...room, steps };
  });
}

/** What a job took beyond the sum of its steps, as a share of that sum. */
export function overheadShare(summed: number, taken: number): number {
  return taken / summed - 1;
}
