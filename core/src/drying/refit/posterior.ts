import { floatAt, itemAt, numberAt } from "../../itemAt.ts";
import { normalCdf, normalQuantile } from "../../numeric/index.ts";
import type { Building } from "../building.ts";
import { regain } from "../fibre.ts";
import { type DryingResult, type Look, type Seen, simulateDrying } from "../simulate.ts";
import { drawBuilding, drawSize, PER_ROOM, type Spread } from "../spread.ts";
import { type Meter, NOISE, type Reading } from "./readings.ts";

/** A meter's slopes that are summed over, as shares between its least and most, and normals for its dry standard: each as likely as another. */
const SHARES = Array.from({ length: 24 }, (_, i) => (i + 0.5) / 24);
const STANDARD_NORMALS = [0.1, 0.3, 0.5, 0.7, 0.9].map(normalQuantile);

interface CarpetReading {
  /** Its place among the readings. */
  readonly k: number;
  readonly shown: number;
}

/** How far what a drawn building would have shown is from what was read, in σ. */
export interface Misfit {
  readonly off: number;
}

/**
 * How well drawn buildings agree with readings. What is drawn are standard normals: those of the building ({@link drawSize}), then for
 * each room one for the meter's slope on its carpet and one for its dry standard.
 */
export class Posterior {
  readonly size: number;
  private readonly looks: readonly Look[];
  private readonly standards: readonly (Standard | undefined)[];
  private readonly rest: readonly number[];
  private readonly meterFrom: number;
  private readonly carpetReadings: ReadonlyMap<number, readonly CarpetReading[]>;

  constructor(
    readonly building: Building,
    private readonly spread: Spread,
    /** Those that count, untouched ones included. */
    private readonly readings: readonly Reading[],
    private readonly meter: Meter,
  ) {
    const { rooms } = building;
    this.meterFrom = drawSize(building);
    this.size = this.meterFrom + 2 * rooms.length;
    this.looks = readings.map(({ hours, room }) => ({ hours: Math.max(0, hours), room }));
    const carpet = new Map<number, CarpetReading[]>();
    readings.forEach((each, k) => {
      if (each.kind === "carpet")
        carpet.set(each.room, [...(carpet.get(each.room) ?? []), { k, shown: each.value }]);
    });
    this.carpetReadings = carpet;
    const values = (of: (room: number) => boolean) =>
      readings.flatMap((each) => (each.kind === "untouched" && of(each.room) ? [each.value] : []));
    // A room without a dry standard of its own has that of the others.
    this.standards = rooms.map(
      (_, i) => standardOf(values((room) => room === i)) ?? standardOf(values(() => true)),
    );
    this.rest = rooms.map((room) => room.faceWeight * regain(room.fibre, room.relativeHumidity));
  }

  /** Dries the building of a draw; what is seen at the readings comes with it, then at `more`. */
  run(draw: Float64Array, isSample: boolean, more: readonly Look[] = []): DryingResult {
    const building = drawBuilding(this.building, this.spread, draw);
    return simulateDrying(building, {
      isSample,
      looks: more.length > 0 ? [...this.looks, ...more] : this.looks,
    });
  }

  /** Misfits of all readings but the dry standards, two of the air's; for draws of the meter beside what is seen. */
  misfits(draw: Float64Array, seen: readonly Seen[]): Misfit[] {
    const [least, most] = this.meter.slope;
    const slopeOf = (room: number) =>
      least + (most - least) * normalCdf(draw[this.meterFrom + 2 * room] ?? 0);
    return this.readings.flatMap((reading, k): Misfit[] => {
      const at = itemAt(seen, k);
      if (reading.kind === "untouched") return [];
      if (reading.kind === "air") {
        const { temperature, relativeHumidity } = NOISE;
        return [
          { off: (at.temperature - reading.temperature) / temperature },
          { off: (at.relativeHumidity - reading.relativeHumidity) / relativeHumidity },
        ];
      }
      const { value = 0, sigma: unsure = 0 } = this.standards[reading.room] ?? {};
      const dry = value * Math.exp(unsure * (draw[this.meterFrom + 2 * reading.room + 1] ?? 0));
      const shown = dry + slopeOf(reading.room) * (at.water - numberAt(this.rest, reading.room));
      const sigma = Math.hypot(NOISE.meter * shown, this.meter.step);
      return [{ off: (shown - reading.value) / sigma }];
    });
  }

  /**
   * Logarithm of the posterior density of a building, but for a constant: what isn't known of the meter is summed over, so that only
   * the building has to be drawn.
   */
  logDensity(draw: Float64Array, seen: readonly Seen[]): number {
    let sum = 0;
    for (let i = 0; i < this.meterFrom; i++) sum -= 0.5 * floatAt(draw, i) ** 2;
    this.readings.forEach((reading, k) => {
      if (reading.kind !== "air") return;
      const { temperature, relativeHumidity } = itemAt(seen, k);
      sum -= 0.5 * ((temperature - reading.temperature) / NOISE.temperature) ** 2;
      sum -= 0.5 * ((relativeHumidity - reading.relativeHumidity) / NOISE.relativeHumidity) ** 2;
    });
    for (const [room, own] of this.carpetReadings) sum += this.meterLikelihood(room, own, seen);
    return sum;
  }

  /** Logarithm of how likely a room's meter readings are, whatever the meter's slope and its dry standard. */
  private meterLikelihood(room: number, own: readonly CarpetReading[], seen: readonly Seen[]): number {
    const [least, most] = this.meter.slope;
    const { value = 0, sigma: unsure = 0 } = this.standards[room] ?? {};
    const rest = numberAt(this.rest, room);
    let likelihood = 0;
    let scale = Number.NaN;
    for (const share of SHARES) {
      const slope = least + (most - least) * share;
      for (const z of STANDARD_NORMALS) {
        const dry = value * Math.exp(unsure * z);
        let log = 0;
        for (const { k, shown } of own) {
          const expected = dry + slope * (itemAt(seen, k).water - rest);
          const sigma = Math.hypot(NOISE.meter * expected, this.meter.step);
          log -= 0.5 * ((expected - shown) / sigma) ** 2 + Math.log(sigma);
        }
        // The first sets the scale, so that small likelihoods don't vanish.
        if (Number.isNaN(scale)) scale = log;
        if (log - scale > 300) {
          likelihood *= Math.exp(scale - log);
          scale = log;
        }
        likelihood += Math.exp(log - scale);
      }
    }
    return scale + Math.log(likelihood);
  }

  /** The room whose reading each misfit is of. */
  roomOfMisfit(): number[] {
    return this.readingOf().map((k) => itemAt(this.readings, k).room);
  }

  /** Whether this component of a draw changes anything. */
  isSpread(component: number): boolean {
    const { rooms, outdoor } = this.spread;
    const room = rooms[Math.floor(component / PER_ROOM)];
    if (!room)
      return [outdoor.temperature, outdoor.relativeHumidity][component - PER_ROOM * rooms.length] !== 0;
    return [room.residual, room.rate, room.outdoorExchange][component % PER_ROOM] !== 0;
  }

  /** Index among the readings of each misfit. */
  readingOf(): number[] {
    return this.readings.flatMap(({ kind }, k) =>
      kind === "untouched" ? [] : kind === "air" ? [k, k] : [k],
    );
  }
}

interface Standard {
  readonly value: number;
  /** σ of its logarithm. */
  readonly sigma: number;
}

function standardOf(values: readonly number[]): Standard | undefined {
  if (values.length === 0) return undefined;
  const value = values.reduce((sum, each) => sum + each, 0) / values.length;
  return { value, sigma: NOISE.meter / Math.sqrt(values.length) };
}
