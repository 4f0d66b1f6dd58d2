/** Air at a moment, ms since 1970. °C, 0…1. */
export interface AirAt {
  readonly time: number;
  readonly temperature: number;
  readonly relativeHumidity: number;
}

/** What a file's readings come to for one job. */
export interface Thinned {
  /** In order, no more than asked. */
  readonly readings: readonly AirAt[];
  /** Readings of the file that lie in the time asked for, and before and after it. */
  readonly inside: number;
  readonly before: number;
  readonly after: number;
  /** Longest time without a reading inside, ms; 0 where there are fewer than two. */
  readonly longestGap: number;
}

/**
 * The readings of a file that count for a job, thinned to at most so many: the mean of each of equal spans of time, at its mean moment. Out of
 * order is put in order, and of two at one moment the later row counts.
 */
export function thinReadings(
  readings: readonly AirAt[],
  { from, to, most }: { readonly from: number; readonly to: number; readonly most: number },
): Thinned {
  const inside = [...new Map(readings.map((each) => [each.time, each])).values()]
    .filter(({ time }) => time >= from && time <= to)
    .toSorted((a, b) => a.time - b.time);
  const [first, last] = [inside[0], inside.at(-1)];
  const counts = {
    inside: inside.length,
    before: readings.filter(({ time }) => time < from).length,
    after: readings.filter(({ time }) => time > to).length,
    longestGap: inside.reduce((gap, { time }, i) => Math.max(gap, time - (inside[i - 1]?.time ?? time)), 0),
  };
  if (!first || !last || inside.length <= most) return { readings: inside, ...counts };
  const width = (last.time - first.time + 1) / most;
  const spans = new Map<number, AirAt[]>();
  for (const each of inside) {
    const span = Math.floor((each.time - first.time) / width);
    const own = spans.get(span);
    if (own) own.push(each);
    else spans.set(span, [each]);
  }
  const mean = (own: readonly AirAt[], of: (each: AirAt) => number) =>
    own.reduce((sum, each) => sum + of(each), 0) / own.length;
  const thinned = [...spans.values()].map((own) => ({
    time: Math.round(mean(own, ({ time }) => time)),
    temperature: mean(own, ({ temperature }) => temperature),
    relativeHumidity: mean(own, ({ relativeHumidity }) => relativeHumidity),
  }));
  return { readings: thinned, ...counts };
}
