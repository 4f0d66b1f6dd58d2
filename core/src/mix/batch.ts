import { graduationsDown, graduationsUp } from "../quantity/measure.ts";
import type { BatchFault, BatchRequest, Fill } from "./batchTypes.ts";
import { type FillContents, fillContents, productFormOf } from "./fillContents.ts";
import { type Demand, type FillShare, splitIntoFills } from "./fills.ts";
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

/** What a batch comes down to before its rooms are looked at. */
interface BatchSetup {
  readonly matter: ReturnType<typeof productFormOf>;
  readonly range: LabelRange;
  readonly neat: boolean;
  /** A litre from the jug lies on the floor as so many. */
  readonly spread: number;
  readonly usable: number;
  readonly marksPerFill: number;
}

const potLifeTooShort = ({ potLife = 0 }: BatchRequest, needed: number): BatchFault => ({
  code: "pot-life-too-short",
  potLife,
  needed,
});

/** Whether label, vessel, measure, tip and pot life go together at all. */
function setUpBatch(request: BatchRequest): BatchSetup | BatchFault {
  const { vessel, tip } = request;
  const matter = productFormOf(request.measure, request.scoop);
  const weakest = concentratePerWater(request.weakest);
  const wanted = concentratePerWater(request.strength);
  const strongest = concentratePerWater(request.strongest);
  if (weakest > strongest) return { code: "label-range-reversed" };
  if (!isInside(wanted, weakest, strongest)) return { code: "strength-outside-label" };
  const mixed = rangeOf(request);
  // Too lean for a mixed jug, a tip may still be right for neat concentrate.
  const neat = "code" in mixed && tip !== undefined && isInside(1 / tip.ratio, weakest, strongest);
  if ("code" in mixed && !neat) return mixed;
  const range = "code" in mixed ? NEAT : mixed;

  const usable = usableVolume(vessel);
  const vesselMarks = graduationsDown(usable, vessel.graduation);
  if (!(vesselMarks >= 1)) return { code: "vessel-holds-nothing", usable };
  const fullAmount = neat ? usable : targetAmount(usable, range.wanted, matter);
  if (fullAmount < stepOf(matter))
    return { code: "vessel-below-measure", usable, concentrate: fullAmount, measure: stepOf(matter) };

  const spread = tip ? 1 + tip.ratio : 1;
  const sprayable = ((request.potLife ?? Number.POSITIVE_INFINITY) * vessel.sprayFlow) / spread;
  const marksPerFill = Math.min(vesselMarks, graduationsDown(Math.min(sprayable, usable), vessel.graduation));
  return marksPerFill >= 1
    ? { matter, range, neat, spread, usable, marksPerFill }
    : potLifeTooShort(request, (vessel.graduation * spread) / vessel.sprayFlow);
}

/** Rooms from one emptied vessel to the next: a mix that shares its vessel begins anew after each other one. */
function runsBetweenMixes(demands: readonly Demand[]): Demand[][] {
  const runs: Demand[][] = [];
  for (const demand of demands) {
    const run = runs.at(-1);
    if (run && !demand.afterOther) run.push(demand);
    else runs.push([demand]);
  }
  return runs;
}

/** One fill as it is made: what goes in, up to which mark, and when. */
function fillOf(
  request: BatchRequest,
  { spread }: BatchSetup,
  share: FillShare,
  how: { readonly contents: FillContents; readonly volume: number; readonly standing: number },
): Writable<Fill> {
  const { contents, volume, standing } = how;
  const { graduation } = request.vessel;
  const marks = Math.round((standing + volume) / graduation);
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
  if (Math.abs((standing + volume) / graduation - marks) < 1e-6) fill.mark = marks * graduation;
  if (share.pouredAway > 0) fill.pouredAway = share.pouredAway;
  if (share.madeAt !== undefined) fill.madeAt = share.madeAt;
  if (share.usedUntil !== undefined) fill.usedUntil = share.usedUntil;
  return fill;
}

/**
 * The fills of a batch: water first, concentrate after, each fill inside the vessel, the pot life and the label.
 * Fills end between rooms where no fill more comes of it; see {@link splitIntoFills}. A vessel that another mix takes turns in
 * is empty when this one begins anew. Returns the reason where there is no way; throws OutOfRange only for strengths that
 * can't be written down at all.
 */
export function planBatch(request: BatchRequest): Batch {
  const setup = setUpBatch(request);
  if ("code" in setup) return impossible(setup);
  const { matter, range, neat, spread, usable, marksPerFill } = setup;
  const { vessel, potLife } = request;
  const runs = runsBetweenMixes(
    lessCarried(request.demands, request.carried ?? 0).map((demand) => ({
      ...demand,
      volume: demand.volume / spread,
    })),
  );
  const volumeOf = (demands: readonly Demand[]) => demands.reduce((sum, demand) => sum + demand.volume, 0);
  const brim = vessel.nominal - vessel.headSpace;
  // Most fills of a large job are alike: what goes into one is worked out once for each size.
  const alike = new Map<string, FillContents | BatchFault>();
  const contentsOf = (volume: number, sprayed: number) => {
    const key = `${volume} ${sprayed}`;
    const known = alike.get(key);
    if (known) return known;
    const contents = fillContents(request, { volume, sprayed, spread, range, matter, neat });
    alike.set(key, contents);
    return contents;
  };
  const fills: Writable<Fill>[] = [];
  for (const [r, demands] of runs.entries()) {
    const carried = r === 0 ? (request.carried ?? 0) : 0;
    const shares = splitIntoFills(demands, marksPerFill, vessel.graduation, usable, potLife);
    if (shares === undefined) {
      const slowest = demands.map(
        ({ from = 0, to = 0, volume }) => ((to - from) / volume) * vessel.graduation || 0,
      );
      return impossible(potLifeTooShort(request, Math.max(...slowest)));
    }
    // The heel stays under every fill. Where a whole mark of it doesn't fit under the fullest, the heel itself does.
    const fullest = Math.max(0, ...shares.map(({ before, marks }) => before + marks * vessel.graduation));
    const whole = fullest + readableHeel(vessel) <= brim * (1 + 1e-9);
    const heel = whole && carried === 0 ? readableHeel(vessel) : vessel.heel;
    let made = 0;
    for (const [k, share] of shares.entries()) {
      const sprayed = share.marks * vessel.graduation;
      const first = k === 0;
      const volume = sprayed + (first && carried === 0 ? heel : 0);
      const contents = contentsOf(volume, sprayed);
      if ("code" in contents) return impossible(contents);
      // What came along stands under the first fill, or has been sprayed by then where both don't fit.
      const together = first && carried + volume <= brim * (1 + 1e-9);
      const standing = together ? carried : heel + share.before;
      fills.push(fillOf(request, setup, share, { contents, volume, standing }));
      made += volume;
    }
    const last = fills.at(-1);
    if (last && shares.length > 0) last.leftAtEnd = Math.max(0, made - volumeOf(demands));
  }
  const made = fills.reduce((sum, fill) => sum + fill.volume, 0);
  const needed = volumeOf(runs.flat());
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
