import { requireInRange, requirePositive } from "../guard.ts";

/**
 * Largest area, m², to have sprayed and not yet cleaned: cleaned at `rate` m²/s, with `slack` s between the end of
 * the dwell and drying out. Spray more and its far end dries before the head reaches it.
 */
export function largestAreaAhead(rate: number, slack: number): number {
  requireInRange("time between dwell and dry-out (s)", slack, 0, 86400);
  return requirePositive("cleaning rate", rate) * slack;
}

/** How a floor is sprayed and cleaned. s/m² for the three paces, s for the rest. */
export interface SectionWork {
  readonly sprayTime: number;
  readonly agitateTime: number;
  readonly cleanTime: number;
  /** The label's least dwell, and the open time: until half the film has gone. */
  readonly dwell: number;
  readonly open: number;
}

/** Start of cleaning after start of spraying, s: at least, at most. */
export interface Window {
  readonly least: number;
  readonly most: number;
}

/**
 * When a section of `area` m² may be cleaned, reckoned from when its spraying starts (docs/model.md §8). What was sprayed first is
 * cleaned first, each at its own steady pace, so the first and the last square metre are the ones that decide: both have to
 * have stood for the dwell, and neither for longer than the open time.
 */
export function cleaningWindow(area: number, work: SectionWork): Window {
  const spray = area * work.sprayTime;
  const clean = area * work.cleanTime;
  const own = spray + area * work.agitateTime;
  return {
    least: Math.max(own, work.dwell, work.dwell + spray - clean),
    most: Math.min(work.open, work.open + spray - clean),
  };
}

/** Kept free between the first and the last second cleaning may start: hands aren't clocks (common practice). */
export const SLACK = 60;

/**
 * Largest section, m², that one person can spray, let dwell, agitate and clean before any of it dries out; 0 where even the
 * smallest would. With pause d = max(0, dwell − A/p) that is the largest A ≤ e (open − d), `slack` s kept free.
 */
export function largestSection(work: SectionWork, most: number, slack = SLACK): number {
  const fits = (area: number) => {
    const window = cleaningWindow(area, work);
    return window.most - window.least >= slack;
  };
  if (fits(most)) return most;
  if (!fits(0)) return 0;
  let [low, high] = [0, most];
  while (high - low > 1e-6 * high && high > SMALLEST) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** m² that nobody sprays by itself. */
const SMALLEST = 1e-6;

/** A part of a room that is sprayed at once, from the far corner on: shares of the room, 0 at the far end. */
export interface Section {
  readonly from: number;
  readonly to: number;
}

/** A section less than this share of a strip is nobody's section. */
const SLIVER = 0.02;
/** The same as a share of the room. */
export const minShare = (area: number, strip: number): number => (SLIVER * Math.min(strip, area)) / area;

/**
 * A room cut into sections of at most `largest` m², of as even a size as whole strips of `strip` m² allow, and at the
 * shares in `cuts`, where a fill or a tank runs out. A strip that is too large itself is cut into equal pieces.
 */
export function divideRoom(
  area: number,
  {
    largest,
    strip,
    cuts = [],
  }: { readonly largest: number; readonly strip: number; readonly cuts?: readonly number[] },
): Section[] {
  requirePositive("largest section (m²)", largest);
  const least = minShare(area, strip);
  const ends = [...cuts.filter((cut) => cut > least && cut < 1 - least), 1].toSorted((a, b) => a - b);
  const sections: Section[] = [];
  let from = 0;
  for (const end of ends) {
    if (end - from < least) continue;
    const own = (end - from) * area;
    const count = Math.ceil(own / largest - 1e-9);
    const strips = Math.ceil(own / strip - 1e-9);
    const perSection = Math.floor(largest / strip + 1e-9);
    // Whole strips where a section holds one; the count may be one more than the area alone asks for.
    const whole = perSection >= 1 ? Math.ceil(strips / perSection) : 0;
    const pieces = count > 1 && whole > 0 ? whole : count;
    let start = from;
    for (let k = 1; k <= pieces; k++) {
      const share = pieces === whole ? (Math.round((k * strips) / pieces) * strip) / own : k / pieces;
      const to = k === pieces ? end : from + (end - from) * share;
      sections.push({ from: start, to });
      start = to;
    }
    from = end;
  }
  return sections;
}
