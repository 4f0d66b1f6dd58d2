import { graduationsDown, graduationsUp } from "../quantity/measure.ts";
import type { BatchFault, BatchRequest, Fill } from "./batchTypes.ts";
import { type FillContents, fillContents, productFormOf } from "./fillContents.ts";
import { type Demand, splitIntoFills } from "./fills.ts";
import { jugRange, type LabelRange, type TipFault } from "./injector.ts";
import { stepOf, targetAmount } from "./measured.ts";
import { concentratePerWater } from "./strength.ts";
import { usableVolume, type Vessel } from "./vessel.ts";

export type Batch =
  | {
      readonly outcome: "planned";
      readonly fills: readonly Fill[];
      /** Finished mix the rooms need, what is made, and what is left in the vessel at the end, m³. */
      readonly needed: number;
      readonly made: number;
      readonly leftOver: number;
      readonly concentrate: number;
      /** kg, where the product is a powder. */
      readonly powder: number;
    }
  | { readonly outcome: "impossible"; readonly fault: BatchFault };

const impossible = (fault: BatchFault): Batch => ({ outcome: "impossible", fault });

/** Neat concentrate has no strength of its own to be measured to. */
const NEAT: LabelRange = { low: 0, wanted: 1, high: 1 };
const isInside = (c: number, low: number, high: number) => c >= low * (1 - 1e-9) && c <= high * (1 + 1e-9);

/** What the vessel must hold, concentrate per water: the label's range, or that of the jug a tip draws from. */
function rangeOf({ weakest, strength, strongest, tip }: BatchRequest): LabelRange | TipFault {
  if (tip) return jugRange({ weakest, wanted: strength, strongest }, tip.ratio);
  return {
    low: concentratePerWater(weakest),
    wanted: concentratePerWater(strength),
    high: concentratePerWater(strongest),
  };
}

/** Rooms' demands less what was carried over from before, in order. */
function lessCarried(demands: readonly Demand[], carried: number): Demand[] {
  let left = carried;
  return demands.map((demand) => {
    const taken = Math.min(left, demand.volume);
    left -= taken;
    if (taken === 0) return demand;
    const { from, to, volume } = demand;
    // What came along is sprayed first: the rest begins when it is gone.
    const begins =
      from === undefined || to === undefined ? {} : { from: from + ((to - from) * taken) / volume };
    return { ...demand, ...begins, volume: volume - taken };
  });
}

/** The heel as marks tell it: whole ones, so that the first fill can be read off the vessel. */
const readableHeel = ({ heel, graduation }: Vessel) => graduationsUp(heel, graduation) * graduation;

/**
 * The fills of a batch: water first, concentrate after, each fill inside the vessel, the pot life and the label.
 * Fills end between rooms where no fill more comes of it; see {@link splitIntoFills}. Returns the reason where there is
 * no way; throws OutOfRange only for strengths that can't be written down at all.
 */
export function planBatch(request: BatchRequest): Batch {
  const { vessel, tip } = request;
  const matter = productFormOf(request.measure, request.scoop);
  const [weakest, wanted, strongest] = [request.weakest, request.strength, request.strongest].map(
    concentratePerWater,
  ) as [number, number, number];
  if (weakest > strongest) return impossible({ code: "label-range-reversed" });
  if (!isInside(wanted, weakest, strongest)) return impossible({ code: "strength-outside-label" });
  const mixed = rangeOf(request);
  // Too lean for a mixed jug, a tip may still be right for neat concentrate.
  const neat = "code" in mixed && tip !== undefined && isInside(1 / tip.ratio, weakest, strongest);
  if ("code" in mixed && !neat) return impossible(mixed);
  const range = "code" in mixed ? NEAT : mixed;

  const usable = usableVolume(vessel);
  const vesselMarks = graduationsDown(usable, vessel.graduation);
  if (!(vesselMarks >= 1)) return impossible({ code: "vessel-holds-nothing", usable });
  const fullAmount = neat ? usable : targetAmount(usable, range.wanted, matter);
  if (fullAmount < stepOf(matter))
    return impossible({
      code: "vessel-below-measure",
      usable,
      concentrate: fullAmount,
      measure: stepOf(matter),
    });

  // A litre from the jug lies on the floor as 1 + ratio litres.
  const spread = tip ? 1 + tip.ratio : 1;
  const sprayable = ((request.potLife ?? Number.POSITIVE_INFINITY) * vessel.sprayFlow) / spread;
  const marksPerFill = Math.min(vesselMarks, graduationsDown(Math.min(sprayable, usable), vessel.graduation));
  if (!(marksPerFill >= 1))
    return impossible({
      code: "pot-life-too-short",
      potLife: request.potLife as number,
      needed: (vessel.graduation * spread) / vessel.sprayFlow,
    });

  const demands = lessCarried(request.demands, request.carried ?? 0).map((demand) => ({
    ...demand,
    volume: demand.volume / spread,
  }));
  const needed = demands.reduce((sum, demand) => sum + demand.volume, 0);
  const fills: Fill[] = [];
  const carried = request.carried ?? 0;
  const firstHeel = carried > 0 ? 0 : readableHeel(vessel);
  const brim = vessel.nominal - vessel.headSpace;
  const shares = splitIntoFills(demands, marksPerFill, vessel.graduation, usable, request.potLife);
  if (shares === undefined)
    return impossible({
      code: "pot-life-too-short",
      potLife: request.potLife as number,
      needed: Math.max(
        ...demands.map(({ from = 0, to = 0, volume }) => ((to - from) / volume) * vessel.graduation || 0),
      ),
    });
  // Most fills of a large job are alike: what goes into one is worked out once for each size.
  const alike = new Map<number, FillContents | BatchFault>();
  const contentsOf = (volume: number, sprayed: number) => {
    const known = alike.get(volume);
    if (known) return known;
    const contents = fillContents(request, { volume, sprayed, spread, range, matter, neat });
    alike.set(volume, contents);
    return contents;
  };
  for (const share of shares) {
    const sprayed = share.marks * vessel.graduation;
    const first = fills.length === 0;
    // Where a whole mark of heel doesn't fit above a full fill, the heel itself does.
    const heel = !first
      ? 0
      : sprayed + firstHeel <= brim * (1 + 1e-9)
        ? firstHeel
        : Math.min(firstHeel, vessel.heel);
    const volume = sprayed + heel;
    const contents = contentsOf(volume, sprayed);
    if ("code" in contents) return impossible(contents);
    const level = (first ? carried : vessel.heel + share.before) + volume;
    const marks = Math.round(level / vessel.graduation);
    // Written out rather than spread: a job of large halls has a hundred thousand of them.
    const fill: Writable<Fill> = {
      water: contents.water,
      concentrate: contents.concentrate,
      strength: contents.strength,
      volume,
      boosters: contents.boosters,
      laid: contents.laid,
      rooms: spread === 1 ? share.rooms : spreadOver(share.rooms, spread),
      endsWithRoom: share.endsWithRoom,
      mass: contents.mass,
      sprayTime: contents.sprayTime,
    };
    if (contents.powder) fill.powder = contents.powder;
    if (Math.abs(level / vessel.graduation - marks) < 1e-6) fill.mark = marks * vessel.graduation;
    if (share.pouredAway > 0) fill.pouredAway = share.pouredAway;
    if (share.madeAt !== undefined) fill.madeAt = share.madeAt;
    if (share.usedUntil !== undefined) fill.usedUntil = share.usedUntil;
    fills.push(fill);
  }
  const made = fills.reduce((sum, fill) => sum + fill.volume, 0);
  return {
    outcome: "planned",
    fills,
    needed,
    made,
    leftOver: made - needed,
    concentrate: fills.reduce((sum, fill) => sum + fill.concentrate, 0),
    powder: fills.reduce((sum, fill) => sum + (fill.powder?.mass ?? 0), 0),
  };
}

type Writable<T> = { -readonly [K in keyof T]: T[K] };

/** A litre from the jug of an injection sprayer lies on the floor as `spread` litres. */
const spreadOver = (rooms: Fill["rooms"], spread: number): Fill["rooms"] =>
  rooms.map(({ roomId, volume }) => ({ roomId, volume: volume * spread }));
