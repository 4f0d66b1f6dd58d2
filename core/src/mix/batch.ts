import { graduationsDown, graduationsUp } from "../quantity/measure.ts";
import { cutIntoFills, type Demand } from "./fills.ts";
import { concentratePerWater, partsOf, type Strength } from "./strength.ts";
import { usableVolume, type Vessel } from "./vessel.ts";

/** Litres of water weigh kilograms: kg/m³ near room temperature, taken for the mix as well (within 2 %). */
export const MIX_DENSITY = 1000;

/** One product at one strength in one vessel for a run of rooms. Volumes m³, times s. */
export interface BatchRequest {
  readonly demands: readonly Demand[];
  readonly vessel: Vessel;
  /** What to aim for. */
  readonly strength: Strength;
  /** What the label allows, weakest and strongest, in any order of spelling. */
  readonly weakest: Strength;
  readonly strongest: Strength;
  /** Smallest step of the measure the concentrate is measured with, m³. */
  readonly measure: number;
  /** How long the mix works once made; absent: all day. */
  readonly potLife?: number;
}

export interface Fill {
  /** Finished mix made, m³; the first one carries the heel the pump can't draw. */
  readonly volume: number;
  readonly water: number;
  readonly concentrate: number;
  /** Concentrate per water after rounding to the measure. */
  readonly strength: number;
  readonly rooms: readonly { readonly roomId: string; readonly volume: number }[];
  readonly endsWithRoom: boolean;
  /** kg of mix to carry. */
  readonly mass: number;
  /** s of spraying it takes. */
  readonly sprayTime: number;
}

/** Why no fills can be made, as data: the web says it in words. */
export type BatchFault =
  | { readonly code: "label-range-reversed" }
  | { readonly code: "strength-outside-label" }
  | { readonly code: "vessel-holds-nothing"; readonly usable: number }
  | {
      readonly code: "vessel-below-measure";
      readonly usable: number;
      readonly concentrate: number;
      readonly measure: number;
    }
  | { readonly code: "pot-life-too-short"; readonly potLife: number; readonly needed: number }
  | {
      readonly code: "measure-too-coarse";
      readonly volume: number;
      readonly concentrate: number;
      readonly measure: number;
    };

export type Batch =
  | {
      readonly outcome: "planned";
      readonly fills: readonly Fill[];
      /** Finished mix the rooms need, what is made, and what is left in the vessel at the end, m³. */
      readonly needed: number;
      readonly made: number;
      readonly leftOver: number;
      readonly concentrate: number;
    }
  | { readonly outcome: "impossible"; readonly fault: BatchFault };

const impossible = (fault: BatchFault): Batch => ({ outcome: "impossible", fault });

/** Concentrate for a finished volume, to the measure's step nearest `aim` that stays inside the label's range; or undefined. */
function measured(volume: number, aim: number, low: number, high: number, measure: number) {
  const wanted = partsOf(volume, aim).concentrate;
  const candidates = [graduationsDown(wanted, measure), graduationsUp(wanted, measure)]
    .map((steps) => steps * measure)
    .map((concentrate) => ({ concentrate, strength: concentrate / (volume - concentrate) }))
    .filter(({ strength }) => strength >= low * (1 - 1e-9) && strength <= high * (1 + 1e-9));
  candidates.sort((a, b) => Math.abs(a.concentrate - wanted) - Math.abs(b.concentrate - wanted));
  return candidates[0];
}

/**
 * The fills of a batch: water first, concentrate after, each fill inside the vessel, the pot life and the label.
 * Fills end between rooms where no fill more comes of it; see {@link cutIntoFills}. Returns the reason where there is
 * no way; throws OutOfRange only for strengths that can't be written down at all.
 */
export function planBatch(request: BatchRequest): Batch {
  const { vessel, measure } = request;
  const aim = concentratePerWater(request.strength);
  const low = concentratePerWater(request.weakest);
  const high = concentratePerWater(request.strongest);
  if (low > high) return impossible({ code: "label-range-reversed" });
  if (aim < low * (1 - 1e-9) || aim > high * (1 + 1e-9))
    return impossible({ code: "strength-outside-label" });

  const usable = usableVolume(vessel);
  const vesselMarks = graduationsDown(usable, vessel.graduation);
  if (!(vesselMarks >= 1)) return impossible({ code: "vessel-holds-nothing", usable });
  const fullConcentrate = partsOf(usable, aim).concentrate;
  if (fullConcentrate < measure)
    return impossible({ code: "vessel-below-measure", usable, concentrate: fullConcentrate, measure });

  const sprayable = (request.potLife ?? Number.POSITIVE_INFINITY) * vessel.sprayFlow;
  const marksPerFill = Math.min(vesselMarks, graduationsDown(Math.min(sprayable, usable), vessel.graduation));
  if (!(marksPerFill >= 1))
    return impossible({
      code: "pot-life-too-short",
      potLife: request.potLife as number,
      needed: vessel.graduation / vessel.sprayFlow,
    });

  const needed = request.demands.reduce((sum, demand) => sum + demand.volume, 0);
  const fills: Fill[] = [];
  for (const share of cutIntoFills(request.demands, marksPerFill, vessel.graduation, usable)) {
    const volume = share.marks * vessel.graduation + (fills.length === 0 ? vessel.heel : 0);
    const amount = measured(volume, aim, low, high, measure);
    if (amount === undefined)
      return impossible({
        code: "measure-too-coarse",
        volume,
        concentrate: partsOf(volume, aim).concentrate,
        measure,
      });
    fills.push({
      volume,
      water: volume - amount.concentrate,
      concentrate: amount.concentrate,
      strength: amount.strength,
      rooms: share.rooms,
      endsWithRoom: share.endsWithRoom,
      mass: volume * MIX_DENSITY,
      sprayTime: (share.marks * vessel.graduation) / vessel.sprayFlow,
    });
  }
  const made = fills.reduce((sum, fill) => sum + fill.volume, 0);
  return {
    outcome: "planned",
    fills,
    needed,
    made,
    leftOver: made - needed,
    concentrate: fills.reduce((sum, fill) => sum + fill.concentrate, 0),
  };
}
