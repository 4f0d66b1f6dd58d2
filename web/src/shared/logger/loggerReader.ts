import { momentAt } from "@scutch/contract";
import {
  type AirAt,
  headerRow,
  type LoggerColumns,
  type RowFault,
  readLoggerRow,
  type Thinned,
  thinReadings,
} from "@scutch/core/logger";

/** How a logger’s file is to be read for a job. */
export interface LoggerReading {
  readonly columns: LoggerColumns;
  /** IANA name of the zone its clock shows; undefined: this device’s. */
  readonly zone: string | undefined;
  /** ms its clock is ahead. */
  readonly ahead: number;
  /** Of the job, ms since 1970. */
  readonly from: number;
  readonly to: number;
  readonly most: number;
}

/** What a file comes to. */
export interface LoggerSummary extends Thinned {
  readonly rows: number;
  readonly faults: Readonly<Record<RowFault, number>>;
  /** Of all that was read, ms since 1970; undefined where nothing was. */
  readonly first: number | undefined;
  readonly last: number | undefined;
}

const HAS_OFFSET = /Z$|[+-]\d\d:\d\d$/;
const MINUTE = 60_000;

/** Reads a file’s rows as they come in, however many: one after another, nothing kept but figures. */
export class LoggerReader {
  private readonly readings: AirAt[] = [];
  private readonly faults = { "no-time": 0, "no-figures": 0, impossible: 0 };
  /** How far hours by the logger’s clock are from UTC: a zone is asked once an hour of the file. */
  private readonly offsets = new Map<string, number>();
  private rows = 0;
  private begun = false;

  constructor(private readonly how: LoggerReading) {}

  take(rows: readonly (readonly string[])[]): void {
    const from = this.begun ? 0 : headerRow(rows) + 1;
    this.begun = from < rows.length;
    for (const row of rows.slice(from)) {
      this.rows++;
      const read = readLoggerRow(row, this.how.columns);
      if (typeof read === "string") this.faults[read]++;
      else {
        const { wall, temperature, relativeHumidity } = read;
        this.readings.push({ time: this.momentOf(wall) - this.how.ahead, temperature, relativeHumidity });
      }
    }
  }

  end(): LoggerSummary {
    const times = this.readings.map(({ time }) => time);
    return {
      ...thinReadings(this.readings, this.how),
      rows: this.rows,
      faults: this.faults,
      first: times.length > 0 ? times.reduce((a, b) => Math.min(a, b)) : undefined,
      last: times.length > 0 ? times.reduce((a, b) => Math.max(a, b)) : undefined,
    };
  }

  private momentOf(wall: string): number {
    if (HAS_OFFSET.test(wall)) return Date.parse(wall);
    const asUtc = Date.parse(`${wall}Z`);
    const hour = wall.slice(0, 13);
    let offset = this.offsets.get(hour);
    if (offset === undefined) {
      offset =
        Date.parse(`${hour}:00Z`) - momentAt(wall.slice(0, 10), `${wall.slice(11, 13)}:00`, this.how.zone);
      this.offsets.set(hour, offset);
    }
    return asUtc - offset;
  }
}

/** A clock’s error as a person types it, in minutes or hours and minutes, “90”, “−1:30”; undefined: no time. */
export function aheadOf(text: string): number | undefined {
  const [, sign, hours, minutes, alone] =
    /^\s*([-−+]?)\s*(?:(\d+):(\d\d)|(\d+))\s*(?:min)?\s*$/.exec(text) ?? [];
  if (hours === undefined && alone === undefined) return undefined;
  const total = alone === undefined ? Number(hours) * 60 + Number(minutes) : Number(alone);
  return (sign === "-" || sign === "−" ? -1 : 1) * total * MINUTE;
}
