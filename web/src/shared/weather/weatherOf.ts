import { isSouthern, type Job, MAX_WEATHER_POINTS, utcOffset, type Weather } from "@scutch/contract";
import {
  humidityRatioFromRelativeHumidity,
  relativeHumidityFromHumidityRatio,
  SEA_LEVEL_PRESSURE,
} from "@scutch/core/air";
import { type EpwFile, type EpwPlace, epwBetween, readEpw } from "@scutch/core/weather";

const HOUR = 3_600_000;
/** Hours of a weather file that are taken: as long as a drying is followed. */
const HOURS_TAKEN = 97;
/** Clocks further apart are of another part of the world, h: summer time and wide zones lie within. */
const FAR_OFF = 2.5;

/** A weather file as a job's weather, or why it can't be. `elsewhere`: what in it doesn't fit the place. */
export type WeatherFile =
  | { readonly weather: Weather; readonly elsewhere?: string }
  | { readonly fault: string };

/** Reads a weather file (EPW) for a job from its start, ms since 1970, at a place with that clock. */
export function weatherFromFile(text: string, start: number, zone: string): WeatherFile {
  const file = readEpw(text);
  if ("fault" in file)
    return {
      fault:
        file.fault === "not-epw"
          ? "This isn’t an EPW weather file: its first line should begin with LOCATION. Choose another file."
          : "This weather file has no hours with a temperature and humidity. Choose another file.",
    };
  const points = pointsOf(file, start);
  if (points.length === 0)
    return { fault: "This weather file has no hours for the days of this job. Choose one of a whole year." };
  const elsewhere = whereElse(file.place, start, zone);
  const name = `Weather file ${file.place.city || "without a name"}`.slice(0, 120).trim();
  return { weather: { source: "file", name, points }, ...(elsewhere ? { elsewhere } : {}) };
}

function pointsOf(file: EpwFile, start: number): Weather["points"] {
  return epwBetween(file, start - HOUR, start + HOURS_TAKEN * HOUR)
    .slice(0, MAX_WEATHER_POINTS)
    .map(({ time, temperature, relativeHumidity }) => ({
      at: new Date(time).toISOString(),
      temperature: Math.min(55, Math.max(-40, temperature)),
      relativeHumidity: Math.max(0.01, relativeHumidity),
    }));
}

/** What tells that a weather file is of another part of the world; undefined: nothing. */
function whereElse({ latitude, zone: fileZone }: EpwPlace, at: number, zone: string): string | undefined {
  const hemisphere = isSouthern(zone) ? "southern" : "northern";
  if (Math.abs(latitude) > 1 && latitude < 0 !== isSouthern(zone))
    return `The file is from the other hemisphere: its summer is winter here, in the ${hemisphere} one.`;
  const off = Math.abs(fileZone - utcOffset(zone, at) / HOUR);
  return Math.min(off, 24 - off) > FAR_OFF
    ? `The file’s clock is ${Math.round(off)} h off the clock here: it is from another part of the world.`
    : undefined;
}

type Air = NonNullable<Job["outdoor"]>;

/** Temperatures air is reckoned at, °C; what lies beyond is refused where it is put into the job. */
const RECKONED = [-60, 80] as const;
const reckoned = (celsius: number) => Math.min(RECKONED[1], Math.max(RECKONED[0], celsius));

/** The humidity of air with the water it holds now, at another temperature. */
export function warmedTo({ temperature, relativeHumidity }: Air, next: number): Air {
  const ratio = humidityRatioFromRelativeHumidity(
    reckoned(temperature),
    relativeHumidity,
    SEA_LEVEL_PRESSURE,
  );
  const humidity = relativeHumidityFromHumidityRatio(ratio, reckoned(next), SEA_LEVEL_PRESSURE);
  return {
    temperature: next,
    relativeHumidity: Math.min(1, Math.max(0.01, Math.round(humidity * 100) / 100)),
  };
}

/** Moments as typed by the clock, in order: each the next time the clock shows it. */
export function momentsInOrder(
  clocks: readonly string[],
  start: number,
  {
    dayOf,
    momentAt,
  }: { readonly dayOf: (time: number) => string; readonly momentAt: (day: string, clock: string) => number },
): number[] {
  const moments: number[] = [];
  for (const clock of clocks) {
    const after = moments.at(-1) ?? start - 1;
    const onDay = (time: number) => momentAt(dayOf(time), clock);
    const today = onDay(after);
    moments.push(today > after ? today : onDay(today + 24 * HOUR));
  }
  return moments;
}
