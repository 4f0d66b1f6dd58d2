import { floatAt } from "../../itemAt.ts";
import type { Building } from "../building.ts";
import type { RoomAir } from "../roomAir.ts";

/** What rooms gain by the terms of the balances: vapour, kg/s, and heat, W, by the room's place in the list. */
export interface Gains {
  readonly vapour: Float64Array;
  readonly heat: Float64Array;
}

/** How a room's own gains change with its own air: kg/s and W for each kg/kg of humidity ratio, and for each kelvin. */
export interface OwnSlopes {
  readonly vapourByRatio: Float64Array;
  readonly vapourByKelvin: Float64Array;
  readonly heatByRatio: Float64Array;
  readonly heatByKelvin: Float64Array;
}

/** A way vapour and heat come, go, or move. */
export interface Term {
  readonly name: string;
  /** What the rooms lose by it has left the building's air; else it only moves between rooms. */
  readonly leaves: boolean;
  readonly add: (air: RoomAir, gains: Gains) => void;
  /** Of terms that leave and may act fast: what lets the integrator take long steps. Never needed for the answer. */
  readonly addSlopes?: (air: RoomAir, slopes: OwnSlopes) => void;
}

/** A term for a building, or none where the building has nothing of it. */
export type TermOf = (building: Building, air: RoomAir) => Term | undefined;

/** Adds `amount` to what stands at place i. */
export function accumulate(values: Float64Array, i: number, amount: number): void {
  values[i] = floatAt(values, i) + amount;
}
