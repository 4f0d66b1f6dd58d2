/** A that machines take which run on for hours, and that one circuit carries of them: 80 % of 15 A (common practice). */
export const RUNNING_AMPS = { airMover: 3, dehumidifier: 6, circuit: 12 } as const;
/** Air movers that one circuit carries beside no other motor. */
export const AIR_MOVERS_PER_CIRCUIT = RUNNING_AMPS.circuit / RUNNING_AMPS.airMover;

const POWERED = /^(vacuum|brush|pad machine|machine:.*)$/;

/** A tool with a motor, which takes a circuit while it is used. */
export const isPowered = (tool: string): boolean => POWERED.test(tool);

/** Air movers on the floor of a room from a second after the job's start. */
export interface PlacedAirMovers {
  readonly roomId: string;
  readonly count: number;
  readonly placedAt: number;
}

interface ToolUse {
  readonly tool?: string;
  readonly start: number;
  readonly end: number;
}

/** The last second at which more than `most` motors run; 0 where they never do. */
function lastAbove(most: number, uses: readonly ToolUse[]): number {
  const motors = uses.filter(({ tool, start, end }) => tool !== undefined && isPowered(tool) && end > start);
  let last = 0;
  for (const { start: from } of motors) {
    const running = motors.filter(({ start, end }) => start <= from && from < end);
    if (running.length <= most) continue;
    // Of those that run together, more than `most` do until all but `most` of them have stopped.
    const stops = running.map(({ end }) => end).toSorted((a, b) => b - a);
    last = Math.max(last, stops[most] ?? 0);
  }
  return last;
}

/**
 * Second after the job's start from which each room's air movers can run and go on running: motors in use and the circuits that
 * air movers take ({@link AIR_MOVERS_PER_CIRCUIT} each) are never more than `circuits`. First placed, first switched on. Air
 * movers that take more circuits than there are run when the last motor has stopped.
 */
export function airMoverStarts(
  uses: readonly ToolUse[],
  placed: readonly PlacedAirMovers[],
  circuits: number,
): ReadonlyMap<string, number> {
  let running = 0;
  return new Map(
    placed
      .toSorted((a, b) => a.placedAt - b.placedAt)
      .map(({ roomId, count, placedAt }) => {
        running += count;
        const left = circuits - Math.ceil(running / AIR_MOVERS_PER_CIRCUIT);
        return [roomId, Math.max(placedAt, lastAbove(Math.max(0, left), uses))];
      }),
  );
}
