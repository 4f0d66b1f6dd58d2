/** Where and when the hours of a weather file were, as its LOCATION line has it. */
export interface EpwPlace {
  readonly city: string;
  /** Degrees, north positive; east positive. */
  readonly latitude: number;
  readonly longitude: number;
  /** Hours of its clock before UTC; it knows no summer time. */
  readonly zone: number;
  /** m above the sea. */
  readonly elevation: number;
}

/** One hour of the year: air outdoors over the hour that ends then. °C, 0…1. */
export interface EpwHour {
  readonly month: number;
  readonly day: number;
  /** 1…24, by the file's clock. */
  readonly hour: number;
  readonly temperature: number;
  readonly relativeHumidity: number;
}

export interface EpwFile {
  readonly place: EpwPlace;
  readonly hours: readonly EpwHour[];
  /** Hours without a temperature or humidity: left out. */
  readonly missing: number;
}

export type EpwFault = "not-epw" | "no-hours";

/** Columns of an hour's line, from 0. */
const [MONTH, DAY, HOUR, DRY_BULB, HUMIDITY] = [1, 2, 3, 6, 8] as const;
/** What stands for a value that is missing. */
const MISSING = { dryBulb: 99.9, humidity: 999 } as const;
const HEADER_LINES = 8;
const [COLDEST, WARMEST] = [-70, 70] as const;
const MS_PER_HOUR = 3_600_000;
const DAY_HOURS = 24;

/** A number as a field has it; an empty one is none. */
const numberOf = (field: string | undefined): number => (field?.trim() ? Number(field) : Number.NaN);

/**
 * Reads an EPW weather file: eight lines of header, then a line an hour. Format: EnergyPlus Auxiliary Programs, "EnergyPlus Weather File
 * (EPW) Data Dictionary". Hours without a dry bulb or humidity are left out and counted.
 */
export function readEpw(text: string): EpwFile | { readonly fault: EpwFault } {
  const lines = text.split(/\r?\n/);
  const [kind, city = "", , , , , latitude, longitude, zone, elevation] = (lines[0] ?? "").split(",");
  const place: EpwPlace = {
    city: city.trim(),
    latitude: numberOf(latitude),
    longitude: numberOf(longitude),
    zone: numberOf(zone),
    elevation: numberOf(elevation),
  };
  const known = [place.latitude, place.longitude, place.zone, place.elevation].every(Number.isFinite);
  if (kind?.trim().toUpperCase() !== "LOCATION" || !known) return { fault: "not-epw" };
  const hours: EpwHour[] = [];
  let missing = 0;
  for (const line of lines.slice(HEADER_LINES)) {
    if (line.trim() === "") continue;
    const fields = line.split(",");
    const [month, day, hour] = [numberOf(fields[MONTH]), numberOf(fields[DAY]), numberOf(fields[HOUR])];
    const [temperature, humidity] = [numberOf(fields[DRY_BULB]), numberOf(fields[HUMIDITY])];
    const isThere =
      [month, day, hour].every(Number.isInteger) &&
      temperature > COLDEST &&
      temperature < WARMEST &&
      temperature !== MISSING.dryBulb &&
      humidity > 0 &&
      humidity < MISSING.humidity;
    if (!isThere) missing++;
    else hours.push({ month, day, hour, temperature, relativeHumidity: Math.min(1, humidity / 100) });
  }
  return hours.length === 0 ? { fault: "no-hours" } : { place, hours, missing };
}

/** Air outdoors at a moment, ms since 1970. °C, 0…1. */
export interface WeatherMoment {
  readonly time: number;
  readonly temperature: number;
  readonly relativeHumidity: number;
}

/** The hours of a weather file, whichever year they are from, that lie from one moment to another, ms since 1970; the end of its hour counts. */
export function epwBetween({ place, hours }: EpwFile, from: number, to: number): WeatherMoment[] {
  const byHour = new Map(hours.map((hour) => [keyOf(hour.month, hour.day, hour.hour), hour]));
  const found: WeatherMoment[] = [];
  for (let time = Math.ceil(from / MS_PER_HOUR) * MS_PER_HOUR; time <= to; time += MS_PER_HOUR) {
    // Hour 24 of a day ends as the next day begins.
    const local = new Date(time + (place.zone - 1) * MS_PER_HOUR);
    const month = local.getUTCMonth() + 1;
    const hour = (Math.floor(local.getTime() / MS_PER_HOUR) % DAY_HOURS) + 1;
    const day = local.getUTCDate();
    // A typical year has no 29 February: the day before stands in.
    const at = byHour.get(keyOf(month, day, hour)) ?? byHour.get(keyOf(month, day - 1, hour));
    if (at) found.push({ time, temperature: at.temperature, relativeHumidity: at.relativeHumidity });
  }
  return found;
}

const keyOf = (month: number, day: number, hour: number) => (month * 32 + day) * 25 + hour;
