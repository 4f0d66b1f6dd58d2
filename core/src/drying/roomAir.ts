import { HUMIDITY_RATIO_FACTOR, SaturatedVapour } from "../air/index.ts";
import { floatAt, itemAt } from "../itemAt.ts";
import { AIR_DENSITY, VAPOUR_GAS_CONSTANT } from "../physical.ts";
import type { OutdoorAir } from "../weather/index.ts";
import type { Climate, DryingRoom, Link, RoomSettings } from "./building.ts";
import { envelopeOf, heatCapacityOf, TEMPERATURE_HELD } from "./climate.ts";

/** Walls and furniture take up vapour with the air: the room's air acts as 1 + b times its mass, b = 8 (memory). */
const BUFFERING = 8;

/** A room as it is switched just now. */
export interface RoomNow extends RoomSettings {
  readonly climate: Climate;
}

/**
 * The air of every room of a building at one moment, by the room's place in the list: what the terms of the balances
 * are reckoned from. Filled anew for each evaluation, so that nothing is allocated in the inner loop.
 */
export class RoomAir {
  readonly count: number;
  /** Dry air, kg, and that which would take up as much vapour as air, walls and furniture do. */
  readonly mass: Float64Array;
  readonly vapourMass: Float64Array;
  /** J/K, W/K. */
  readonly heatCapacity: Float64Array;
  readonly envelope: Float64Array;
  readonly settings: RoomNow[];
  /**
   * As switched now: 1 where the temperature isn't held, kg/s of air exchanged with outdoors, W of fans and dehumidifier,
   * kg/s the dehumidifier is rated at.
   */
  readonly free: Uint8Array;
  readonly exchange: Float64Array;
  readonly fans: Float64Array;
  readonly dehumidifierPower: Float64Array;
  readonly dehumidifierRate: Float64Array;
  /** m². */
  readonly area: Float64Array;

  /** kg/kg, °C, kg/m³, kg/m³ (K) at saturation, 0…1 (and above where it hasn't condensed yet). */
  readonly W: Float64Array;
  readonly T: Float64Array;
  readonly vapour: Float64Array;
  readonly saturated: Float64Array;
  readonly saturatedSlope: Float64Array;
  readonly humidity: Float64Array;

  /** m³/s each way through each door now. */
  readonly doorFlow: Float64Array;

  private readonly table = new SaturatedVapour();

  constructor(
    readonly rooms: readonly DryingRoom[],
    readonly outdoor: OutdoorAir,
    readonly pressure: number,
    links: readonly Link[] = [],
  ) {
    this.doorFlow = Float64Array.from(links, ({ flow }) => flow);
    const n = rooms.length;
    this.count = n;
    this.mass = Float64Array.from(rooms, (room) => AIR_DENSITY * room.area * room.height);
    this.vapourMass = this.mass.map((mass) => mass * (1 + BUFFERING));
    this.heatCapacity = Float64Array.from(rooms, heatCapacityOf);
    this.envelope = Float64Array.from(rooms, envelopeOf);
    this.settings = rooms.map((room) => ({ ...room, climate: room.climate ?? TEMPERATURE_HELD }));
    this.free = new Uint8Array(n);
    this.exchange = new Float64Array(n);
    this.fans = new Float64Array(n);
    [this.dehumidifierPower, this.dehumidifierRate] = [new Float64Array(n), new Float64Array(n)];
    this.area = Float64Array.from(rooms, (room) => room.area);
    for (let i = 0; i < n; i++) this.switchTo(i, itemAt(rooms, i));
    [this.W, this.T, this.vapour] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
    [this.saturated, this.saturatedSlope] = [new Float64Array(n), new Float64Array(n)];
    this.humidity = new Float64Array(n);
  }

  /** Switches what `change` names in room i; returns how the room is switched then. */
  switchTo(i: number, change: Partial<RoomSettings>): RoomNow {
    const now = { ...itemAt(this.settings, i), ...change };
    const settled = { ...now, climate: now.climate ?? TEMPERATURE_HELD };
    this.settings[i] = settled;
    this.free[i] = settled.climate.mode === "held" ? 0 : 1;
    this.exchange[i] = (floatAt(this.mass, i) * settled.outdoorAirChangesPerHour) / 3600;
    this.fans[i] = (settled.airMovers ?? []).reduce((sum, { power = 0 }) => sum + power, 0);
    this.dehumidifierPower[i] = settled.dehumidifierPower ?? 0;
    this.dehumidifierRate[i] = (settled.dehumidifierLitresPerDay ?? 0) / 86_400;
    return settled;
  }

  /** Takes the air of room i at humidity ratio W and temperature T. */
  set(i: number, W: number, T: number): void {
    this.W[i] = W;
    // Where the temperature is held, what saturates the air stays as it was.
    if (T !== this.T[i] || this.saturated[i] === 0) {
      this.T[i] = T;
      this.table.at(T);
      this.saturated[i] = this.table.density;
      this.saturatedSlope[i] = this.table.slope;
    }
    const pressure = (W * this.pressure) / (HUMIDITY_RATIO_FACTOR + W);
    const vapour = pressure / (VAPOUR_GAS_CONSTANT * (T + 273.15));
    this.vapour[i] = vapour;
    this.humidity[i] = vapour / floatAt(this.saturated, i);
  }

  /** kg/m³ of vapour for each kg/kg of humidity ratio, and for each kelvin, in room i. */
  vapourPerRatio(i: number): number {
    const sum = HUMIDITY_RATIO_FACTOR + floatAt(this.W, i);
    return (
      (this.pressure * HUMIDITY_RATIO_FACTOR) /
      (sum * sum * VAPOUR_GAS_CONSTANT * (floatAt(this.T, i) + 273.15))
    );
  }

  vapourPerKelvin(i: number): number {
    return -floatAt(this.vapour, i) / (floatAt(this.T, i) + 273.15);
  }
}
