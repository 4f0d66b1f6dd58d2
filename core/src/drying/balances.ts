import { floatAt } from "../itemAt.ts";
import type { RoomAir } from "./roomAir.ts";
import type { Gains, OwnSlopes, Term } from "./terms/index.ts";
import type { WetPile } from "./wetPile.ts";

/**
 * The equations of a building: y = water in each pile (kg/m²), each room's humidity ratio, then the vapour that has gone
 * (kg per m² of all floor). Where any room's temperature isn't held all along, each room's temperature (°C) and the heat
 * that has gone (J per J/K of all rooms) follow.
 * Pile–air coupling, a 3 × 3 Jacobian block a room, is stiff and solved implicitly by {@link solve}; the rest (doors, air
 * handling, dehumidifiers) is explicit.
 */
export class Balances {
  readonly size: number;
  /** Where in y the vapour gone, the temperatures and the heat gone stand. */
  private readonly vapourAt: number;
  readonly warmthFrom: number;
  private readonly heatAt: number;
  private readonly n: number;
  readonly floor: number;
  readonly capacity: number;
  private readonly gains: Gains;
  private readonly leaving: Gains;
  private readonly own: OwnSlopes;
  /** Rows W and T of each room's block: by water, by humidity ratio, by temperature. */
  private readonly blockW: Float64Array;
  private readonly blockT: Float64Array;

  constructor(
    private readonly air: RoomAir,
    private readonly piles: readonly WetPile[],
    private readonly terms: readonly Term[],
    /** 1 where the pile has begun to dry. */
    readonly drying: Uint8Array,
    /** Some room's temperature isn't held, now or after a change. */
    readonly warm: boolean,
  ) {
    const n = piles.length;
    this.n = n;
    this.vapourAt = 2 * n;
    this.warmthFrom = 2 * n + 1;
    this.heatAt = 3 * n + 1;
    this.size = warm ? 3 * n + 2 : 2 * n + 1;
    this.floor = air.area.reduce((sum, area) => sum + area, 0);
    this.capacity = air.heatCapacity.reduce((sum, each) => sum + each, 0);
    const zeros = () => new Float64Array(n);
    this.gains = { vapour: zeros(), heat: zeros() };
    this.leaving = { vapour: zeros(), heat: zeros() };
    this.own = {
      vapourByRatio: zeros(),
      vapourByKelvin: zeros(),
      heatByRatio: zeros(),
      heatByKelvin: zeros(),
    };
    this.blockW = new Float64Array(3 * n);
    this.blockT = new Float64Array(3 * n);
  }

  readonly derivative = (t: number, y: Float64Array, slope: Float64Array): void => {
    const { n, air, piles, gains, leaving } = this;
    air.outdoor.at(t / 3600);
    for (let i = 0; i < n; i++) air.set(i, floatAt(y, n + i), this.temperature(y, i));
    gains.vapour.fill(0);
    gains.heat.fill(0);
    leaving.vapour.fill(0);
    leaving.heat.fill(0);
    for (const term of this.terms) term.add(air, term.leaves ? leaving : gains);
    let vapourGone = 0;
    let heatGone = 0;
    for (let i = 0; i < n; i++) {
      const pile = piles[i];
      if (!pile) break;
      const area = floatAt(air.area, i);
      let evaporated = 0;
      let heat = floatAt(leaving.heat, i);
      if (this.drying[i]) {
        pile.dry(floatAt(y, i), air, i);
        evaporated = pile.flux;
        heat -= area * pile.heat;
      }
      const out = floatAt(leaving.vapour, i);
      vapourGone -= out;
      slope[i] = -evaporated;
      slope[n + i] = (area * evaporated + floatAt(gains.vapour, i) + out) / floatAt(air.vapourMass, i);
      if (!this.warm) continue;
      if (air.free[i]) {
        heatGone -= heat;
        slope[this.warmthFrom + i] = (heat + floatAt(gains.heat, i)) / floatAt(air.heatCapacity, i);
      } else {
        // What passes between rooms is gone for the free ones where the other's temperature is held.
        heatGone += floatAt(gains.heat, i);
        slope[this.warmthFrom + i] = 0;
      }
    }
    slope[this.vapourAt] = vapourGone / this.floor;
    if (this.warm) slope[this.heatAt] = heatGone / this.capacity;
  };

  /** °C of room i. */
  temperature(y: Float64Array, i: number): number {
    return this.warm ? floatAt(y, this.warmthFrom + i) : floatAt(this.air.T, i);
  }

  /** Stands on the evaluation {@link derivative} has just made at the same state. */
  readonly linearise = (_: number, y: Float64Array): void => {
    const { n, air, piles, own, blockW, blockT } = this;
    for (const each of [own.vapourByRatio, own.vapourByKelvin, own.heatByRatio, own.heatByKelvin])
      each.fill(0);
    for (const term of this.terms) term.addSlopes?.(air, own);
    for (let i = 0; i < n; i++) {
      const pile = piles[i];
      if (!pile) break;
      const area = floatAt(air.area, i);
      if (this.drying[i]) pile.linearise(floatAt(y, i), air, i);
      else pile.byWater = pile.byRatio = pile.byKelvin = 0;
      const M = floatAt(air.vapourMass, i);
      blockW[3 * i] = (area * pile.byWater) / M;
      blockW[3 * i + 1] = (area * pile.byRatio + floatAt(own.vapourByRatio, i)) / M;
      blockW[3 * i + 2] = (area * pile.byKelvin + floatAt(own.vapourByKelvin, i)) / M;
      const C = floatAt(air.heatCapacity, i);
      const taken = air.free[i] ? -area * pile.heatPerFlux : 0;
      const free = air.free[i] ? 1 : 0;
      blockT[3 * i] = (taken * pile.byWater) / C;
      blockT[3 * i + 1] = (taken * pile.byRatio + free * floatAt(own.heatByRatio, i)) / C;
      blockT[3 * i + 2] = (taken * pile.byKelvin + free * floatAt(own.heatByKelvin, i)) / C;
    }
  };

  /** (shift − J) x = right: the pile's row first, then the two of the room's air, then what has gone. */
  readonly solve = (shift: number, right: Float64Array, x: Float64Array): void => {
    if (!this.warm) {
      this.solveHeld(shift, right, x);
      return;
    }
    const { n, air, piles, blockW, blockT } = this;
    let vapourGone = floatAt(right, this.vapourAt) * this.floor;
    let heatGone = floatAt(right, this.heatAt) * this.capacity;
    for (let i = 0; i < n; i++) {
      const pile = piles[i];
      if (!pile) break;
      const r0 = floatAt(right, i);
      const r1 = floatAt(right, n + i);
      const r2 = floatAt(right, this.warmthFrom + i);
      const w0 = floatAt(blockW, 3 * i);
      const w1 = floatAt(blockW, 3 * i + 1);
      const w2 = floatAt(blockW, 3 * i + 2);
      const t0 = floatAt(blockT, 3 * i);
      const t1 = floatAt(blockT, 3 * i + 1);
      const t2 = floatAt(blockT, 3 * i + 2);
      const first = shift + pile.byWater;
      const water = r0 / first;
      const toW = -pile.byRatio / first;
      const toT = -pile.byKelvin / first;
      // What is left for W and T once the water, water + toW W + toT T, is put in.
      const aWW = shift - w1 - w0 * toW;
      const aWT = -w2 - w0 * toT;
      const aTW = -t1 - t0 * toW;
      const aTT = shift - t2 - t0 * toT;
      const bW = r1 + w0 * water;
      const bT = r2 + t0 * water;
      const determinant = aWW * aTT - aWT * aTW;
      const W = (bW * aTT - aWT * bT) / determinant;
      const T = (aWW * bT - aTW * bW) / determinant;
      const m = water + toW * W + toT * T;
      x[i] = m;
      x[n + i] = W;
      x[this.warmthFrom + i] = T;
      // The rows of what has gone are the rooms' own with the pile's vapour left out, so sums are kept exactly.
      const area = floatAt(air.area, i);
      const evaporated = pile.byWater * m + pile.byRatio * W + pile.byKelvin * T;
      vapourGone -= (w0 * m + w1 * W + w2 * T) * floatAt(air.vapourMass, i) - area * evaporated;
      heatGone -= (t0 * m + t1 * W + t2 * T) * floatAt(air.heatCapacity, i);
    }
    x[this.vapourAt] = vapourGone / this.floor / shift;
    x[this.heatAt] = heatGone / this.capacity / shift;
  };

  /** The same where every temperature is held: two rows a room. */
  private solveHeld(shift: number, right: Float64Array, x: Float64Array): void {
    const { n, air, piles, blockW } = this;
    let vapourGone = floatAt(right, this.vapourAt) * this.floor;
    for (let i = 0; i < n; i++) {
      const pile = piles[i];
      if (!pile) break;
      const w0 = floatAt(blockW, 3 * i);
      const w1 = floatAt(blockW, 3 * i + 1);
      const first = shift + pile.byWater;
      const water = floatAt(right, i) / first;
      const toW = -pile.byRatio / first;
      const W = (floatAt(right, n + i) + w0 * water) / (shift - w1 - w0 * toW);
      const m = water + toW * W;
      x[i] = m;
      x[n + i] = W;
      const evaporated = pile.byWater * m + pile.byRatio * W;
      vapourGone -= (w0 * m + w1 * W) * floatAt(air.vapourMass, i) - floatAt(air.area, i) * evaporated;
    }
    x[this.vapourAt] = vapourGone / this.floor / shift;
  }

  /** kg of water in piles and air, and J of warmth in the rooms' temperatures above `start`'s, with what has gone. */
  differences(start: Float64Array, end: Float64Array): { readonly vapour: number; readonly heat: number } {
    const { n, air } = this;
    const gone = (k: number) => floatAt(end, k) - floatAt(start, k);
    let vapour = this.floor * gone(this.vapourAt);
    let heat = this.warm ? this.capacity * gone(this.heatAt) : 0;
    for (let i = 0; i < n; i++) {
      vapour += floatAt(air.area, i) * gone(i);
      vapour += floatAt(air.vapourMass, i) * gone(n + i);
      if (this.warm) heat += floatAt(air.heatCapacity, i) * gone(this.warmthFrom + i);
    }
    return { vapour, heat };
  }
}
