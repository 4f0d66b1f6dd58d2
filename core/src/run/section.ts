import { positive, within } from "../guard.ts";

/**
 * Largest area, m², to have sprayed and not yet cleaned: cleaned at `rate` m²/s, with `slack` s between the end of
 * the dwell and drying out. Spray more and its far end dries before the head reaches it.
 */
export function largestAreaAhead(rate: number, slack: number): number {
  within("time between dwell and dry-out (s)", slack, 0, 86400);
  return positive("cleaning rate", rate) * slack;
}
