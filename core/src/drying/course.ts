import { itemAt } from "../itemAt.ts";
/** One moment of a room. Hours after the start, kg/m² above what the fibre may hold at rest (below zero: drier still), 0…1, °C. */
export interface CourseSample {
  readonly hours: number;
  readonly freeWater: number;
  readonly relativeHumidity: number;
  readonly temperature: number;
}

/** How far a thinned course may lie off, as a share of what it spans: less than a line is wide in any picture of it. */
const TOLERANCE = 0.002;

/**
 * A course with the moments left out that lie on a straight line between their neighbours, within {@link TOLERANCE} of
 * what each quantity spans. The first and the last stay. Ramer–Douglas–Peucker, in vertical distance.
 */
export function simplifyCourse(course: readonly CourseSample[]): CourseSample[] {
  if (course.length <= 2) return [...course];
  const span = (of: (moment: CourseSample) => number) => {
    let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (const moment of course) {
      low = Math.min(low, of(moment));
      high = Math.max(high, of(moment));
    }
    return high - low;
  };
  const water = TOLERANCE * span((moment) => moment.freeWater);
  const humidity = TOLERANCE * span((moment) => moment.relativeHumidity);
  const kept = new Uint8Array(course.length);
  kept[0] = kept[course.length - 1] = 1;
  const open: [number, number][] = [[0, course.length - 1]];
  for (let next = open.pop(); next; next = open.pop()) {
    const [from, to] = next;
    const [a, b] = [itemAt(course, from), itemAt(course, to)];
    let worst = 1;
    let at = -1;
    for (let i = from + 1; i < to; i++) {
      const moment = course[i];
      if (!moment) break;
      const share = b.hours > a.hours ? (moment.hours - a.hours) / (b.hours - a.hours) : 0;
      const off = Math.max(
        Math.abs(moment.freeWater - a.freeWater - share * (b.freeWater - a.freeWater)) / (water || 1),
        Math.abs(
          moment.relativeHumidity - a.relativeHumidity - share * (b.relativeHumidity - a.relativeHumidity),
        ) / (humidity || 1),
      );
      if (off > worst) [worst, at] = [off, i];
    }
    if (at < 0) continue;
    kept[at] = 1;
    open.push([from, at], [at, to]);
  }
  return course.filter((_, i) => kept[i] === 1);
}

/** The course at an hour after the job's start: straight between its samples, held at both ends; undefined: none. Asked in order it walks along. */
export function courseInterpolator(
  course: readonly CourseSample[],
): (hours: number) => CourseSample | undefined {
  let k = 0;
  return (hours) => {
    while (k > 0 && (course[k]?.hours ?? 0) > hours) k--;
    while (k + 1 < course.length && (course[k + 1]?.hours ?? 0) <= hours) k++;
    const [a, b] = [course[k], course[k + 1]];
    if (!a || !b || b.hours <= a.hours) return a;
    const share = Math.min(1, Math.max(0, (hours - a.hours) / (b.hours - a.hours)));
    const between = (from: number, to: number) => from + share * (to - from);
    return {
      hours,
      freeWater: between(a.freeWater, b.freeWater),
      relativeHumidity: between(a.relativeHumidity, b.relativeHumidity),
      temperature: between(a.temperature, b.temperature),
    };
  };
}

/** Free water, kg/m², of a course at `hours` after the job's start; 0 without one. */
export const freeWaterAt = (course: readonly CourseSample[], hours: number): number =>
  courseInterpolator(course)(hours)?.freeWater ?? 0;

/** How wet a room is, 0…1 of the residual its cleaning left, kg/m²; a room that kept nothing is dry. */
export const wetShare = (freeWater: number, residual: number): number =>
  residual > 0 ? Math.min(1, Math.max(0, freeWater / residual)) : 0;
