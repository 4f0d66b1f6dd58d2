import { utcTicks } from "d3";
import type { Times } from "../../format/time.ts";

/** About so many round hours between two times, ms since 1970, as the clock of a place shows them. */
export function hourTicks(from: number, to: number, count: number, utcOffset: Times["utcOffset"]): number[] {
  const offset = utcOffset(from);
  return utcTicks(new Date(from + offset), new Date(to + offset), count).map(
    (tick) => tick.getTime() - offset,
  );
}
