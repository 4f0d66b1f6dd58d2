/** A moisture meter on carpet of a room that was cleaned, or on dry carpet that wasn't (the dry standard); in the meter's own scale. */
export interface MeterReading {
  readonly kind: "carpet" | "untouched";
  readonly value: number;
}

/** A thermo-hygrometer: °C and 0…1. */
export interface AirReading {
  readonly kind: "air";
  readonly temperature: number;
  readonly relativeHumidity: number;
}

/** What was read in a room, by its place in the list; hours after the start. */
export type Reading = (MeterReading | AirReading) & { readonly hours: number; readonly room: number };

/** A moisture meter as far as it isn't known. */
export interface Meter {
  /** What it shows more for each kg/m² of water, from least to most; all between are as likely. */
  readonly slope: readonly [number, number];
  /** One step of its display. */
  readonly step: number;
  /** The most it can show. */
  readonly most: number;
}

/** A meter that shows points up to 100. Its slope is our assumption. */
export const POINTS_METER: Meter = { slope: [70, 160], step: 0.1, most: 100 };

/** Why a reading isn't used. */
export type Doubt =
  /** Taken after now. */
  | "future"
  /** On carpet that wasn't finished by then. */
  | "before-finish"
  /** The meter was at the end of its scale. */
  | "meter-end"
  /** Without a reading of dry carpet it says nothing. */
  | "no-dry-standard"
  /** Ten times less than the dry standard, or more: another scale. */
  | "other-scale"
  /** Too far from what the others say. */
  | "unlikely";

export interface DoubtfulReading {
  /** By its place among the readings given. */
  readonly reading: number;
  readonly why: Doubt;
}

/** σ of a thermo-hygrometer, K and as a share, and of a moisture meter as a share of what it shows (our assumption). */
export const NOISE = { temperature: 0.3, relativeHumidity: 0.02, meter: 0.05 } as const;

const OTHER_SCALE = 10;

interface Known {
  /** Hours after the start at which each room was finished. */
  readonly finishedAt: readonly number[];
  readonly meter: Meter;
  /** Hours after the start; readings after it are doubted. */
  readonly now?: number | undefined;
}

/** What makes a reading useless before anything is computed. */
export function plainDoubts(
  readings: readonly Reading[],
  { finishedAt, meter, now = Number.POSITIVE_INFINITY }: Known,
): DoubtfulReading[] {
  const standards = readings.flatMap((each) => (each.kind === "untouched" ? [each] : []));
  const why = (each: Reading): Doubt | undefined => {
    if (each.hours > now) return "future";
    if (each.kind === "air") return undefined;
    if (each.value >= meter.most) return "meter-end";
    if (each.kind === "untouched") return undefined;
    if (each.hours < (finishedAt[each.room] ?? 0)) return "before-finish";
    const own = standards.filter(({ room }) => room === each.room);
    const [standard] = own.length > 0 ? own : standards;
    if (!standard) return "no-dry-standard";
    return each.value * OTHER_SCALE < standard.value ? "other-scale" : undefined;
  };
  return readings.flatMap((each, reading) => {
    const doubt = why(each);
    return doubt ? [{ reading, why: doubt }] : [];
  });
}
