import {
  humidityRatioFromRelativeHumidity,
  humidityRatioFromVapourPressure,
  saturationPressure,
} from "../air/index.ts";
import { AIR_DENSITY } from "../physical.ts";
import type { Building } from "./building.ts";
import { dehumidifierCapacity } from "./dehumidifier.ts";

/** Adds to `gain` the water vapour, kg/s, that each room's air gains at humidity ratios W (kg/kg). */
type VapourTerm = (W: Float64Array, gain: Float64Array) => void;

/** A way vapour moves. `leaves`: what the rooms lose by it has left the building; else it only moves between rooms. */
export interface Ventilation {
  readonly name: string;
  readonly leaves: boolean;
  readonly add: VapourTerm;
}

const perSecond = (airChangesPerHour: number) => airChangesPerHour / 3600;

function dryAirMass(building: Building): number[] {
  return building.rooms.map((room) => AIR_DENSITY * room.area * room.height);
}

/** Through windows, doors and cracks: mass of air exchanged × (W_out − W). */
function outdoorExchange(building: Building, pressure: number): Ventilation {
  const outside = humidityRatioFromRelativeHumidity(
    building.outdoor.temperature,
    building.outdoor.relativeHumidity,
    pressure,
  );
  const flow = dryAirMass(building).map(
    (mass, i) => mass * perSecond(building.rooms[i]?.outdoorAirChangesPerHour ?? 0),
  );
  return {
    name: "outdoor exchange",
    leaves: true,
    add(W, gain) {
      for (let i = 0; i < flow.length; i++)
        gain[i] = (gain[i] as number) + (flow[i] as number) * (outside - (W[i] as number));
    },
  };
}

/** Through open doors: what one room gains the other loses. */
function openDoors(building: Building): Ventilation {
  const links = building.links ?? [];
  return {
    name: "open doors",
    leaves: false,
    add(W, gain) {
      for (const { a, b, flow } of links) {
        const moved = AIR_DENSITY * flow * ((W[b] as number) - (W[a] as number));
        gain[a] = (gain[a] as number) + moved;
        gain[b] = (gain[b] as number) - moved;
      }
    },
  };
}

/**
 * Draws air from every room, mixes it, dries it over the coil where there is one, and returns it:
 * W_supply = W_mix − run (1 − BF) max(0, W_mix − W_sat(ADP)).
 */
function airHandling(building: Building, pressure: number): Ventilation | undefined {
  const { hvac } = building;
  if (hvac === undefined) return undefined;
  const flow = dryAirMass(building).map((mass) => mass * perSecond(hvac.airChangesPerHour));
  const total = flow.reduce((sum, each) => sum + each, 0);
  const { coil } = hvac;
  const onCoil = coil
    ? humidityRatioFromVapourPressure(saturationPressure(coil.apparatusDewPoint), pressure)
    : 0;
  const effect = coil ? coil.runFraction * (1 - coil.bypass) : 0;
  return {
    name: "air handling",
    leaves: true,
    add(W, gain) {
      if (total === 0) return;
      let mixed = 0;
      for (let i = 0; i < flow.length; i++) mixed += (flow[i] as number) * (W[i] as number);
      mixed /= total;
      const supply = mixed - effect * Math.max(0, mixed - onCoil);
      for (let i = 0; i < flow.length; i++)
        gain[i] = (gain[i] as number) + (flow[i] as number) * (supply - (W[i] as number));
    },
  };
}

/** Condensed and drained by dehumidifiers standing in the rooms. `humidity` turns W into relative humidity. */
function dehumidifiers(building: Building, humidity: (i: number, W: number) => number): Ventilation {
  const rated = building.rooms.map((room) => (room.dehumidifierLitresPerDay ?? 0) / 86400);
  return {
    name: "dehumidifiers",
    leaves: true,
    add(W, gain) {
      for (let i = 0; i < rated.length; i++) {
        if (rated[i] === 0) continue;
        const temperature = building.rooms[i]?.temperature ?? 0;
        const share = dehumidifierCapacity(temperature, humidity(i, W[i] as number));
        gain[i] = (gain[i] as number) - (rated[i] as number) * share;
      }
    },
  };
}

/** Every way vapour leaves or moves in a building. To change how drying treats ventilation, change a term here. */
export function ventilationOf(
  building: Building,
  pressure: number,
  humidity: (i: number, W: number) => number,
): Ventilation[] {
  const terms = [
    outdoorExchange(building, pressure),
    openDoors(building),
    airHandling(building, pressure),
    dehumidifiers(building, humidity),
  ];
  return terms.filter((term) => term !== undefined);
}
