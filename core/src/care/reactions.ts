import { HAZARDOUS_PAIRS, type HazardousPair, type Reactant } from "./pairs.ts";
import { type CareProduct, HOT, phBand } from "./product.ts";

/** Below this a product is on the acid side, and chlorine gives off its gas, the faster the lower. */
const NEUTRAL_PH = 7;
/** From here down an acid sets oxygen bleaches and reducers off; and two that heat up and spit in one vessel (common practice). */
const ACID_FOR_OXIDISERS = 5;
const ACID_FOR_ALKALI = 4;
const ALKALI_FOR_ACID = 10;

/** What a product can react as: its chemistry, its pH by the stronger of concentrate and mix, and its heat. */
export function reactantsOf({
  phInUse,
  phConcentrate,
  chemistry = [],
  waterTemperature = 0,
}: CareProduct): Reactant[] {
  const known = [phInUse, phConcentrate].filter((ph) => ph !== undefined);
  const bands = known.map(phBand);
  const is = (...some: readonly string[]) => bands.some((band) => some.includes(band));
  const acid = is("strong-acid", "acid");
  return [
    ...chemistry,
    ...(acid ? (["acid"] as const) : []),
    ...(!acid && known.some((ph) => ph < NEUTRAL_PH) ? (["weak-acid"] as const) : []),
    ...(is("strong-acid") ? (["strong-acid"] as const) : []),
    ...(known.some((ph) => ph <= ACID_FOR_OXIDISERS) ? (["acid-to-5"] as const) : []),
    ...(known.some((ph) => ph <= ACID_FOR_ALKALI) ? (["acid-to-4"] as const) : []),
    ...(known.some((ph) => ph >= ALKALI_FOR_ACID) ? (["alkali-from-10"] as const) : []),
    ...(is("mild-alkali", "alkali", "strong-alkali") ? (["alkali"] as const) : []),
    ...(is("strong-alkali") ? (["strong-alkali"] as const) : []),
    ...(known.length === 0 ? (["unread"] as const) : []),
    ...(waterTemperature > HOT ? (["heat"] as const) : []),
  ];
}

const meets = ({ pair: [a, b] }: HazardousPair, mine: readonly Reactant[], theirs: readonly Reactant[]) =>
  (mine.includes(a) && theirs.includes(b)) || (mine.includes(b) && theirs.includes(a));

/** What two make of each other; that any acid heats up with any alkali goes without saying where they do worse. */
function pairsOf(mine: readonly Reactant[], theirs: readonly Reactant[]): HazardousPair[] {
  const all = HAZARDOUS_PAIRS.filter((pair) => meets(pair, mine, theirs));
  const worse = all.filter(({ pair }) => pair[0] !== "acid-to-4");
  return worse.length > 0 ? worse : all;
}

/** Every hazardous pair two products make, in either order. Empty: none that this table knows; the labels come first. */
export function hazardsBetween(one: CareProduct, other: CareProduct): HazardousPair[] {
  return pairsOf(reactantsOf(one), reactantsOf(other));
}

/** Two things in one vessel that make a hazardous pair, by their place in it; the second is the vessel where absent. */
export interface HazardousContact {
  readonly hazard: HazardousPair;
  readonly one: number;
  readonly other?: number;
}

/**
 * Everything in one vessel against everything else in it, and against the vessel where that is closed, as a sprayer or a
 * bottle is: the one question that mixes, mixers, bottles and spots ask.
 */
export function hazardsInVessel(contents: readonly CareProduct[], closed: boolean): HazardousContact[] {
  const reactants = contents.map(reactantsOf);
  return contents.flatMap((_, one) => [
    ...contents.slice(one + 1).flatMap((__, k): HazardousContact[] => {
      const other = one + 1 + k;
      return pairsOf(reactants[one] ?? [], reactants[other] ?? []).map((hazard) => ({ hazard, one, other }));
    }),
    ...(closed
      ? HAZARDOUS_PAIRS.filter((pair) => meets(pair, reactants[one] ?? [], ["closed-vessel"])).map(
          (hazard) => ({ hazard, one }),
        )
      : []),
  ]);
}

/** What a product makes with those that were on the same floor before it: never to follow, or only after a rinse. */
export function hazardsAfter(product: CareProduct, earlier: readonly CareProduct[]): HazardousPair[] {
  const pairs = earlier.flatMap((each) => hazardsBetween(each, product));
  return [...new Set(pairs)].filter(({ onOneFloor }) => onOneFloor !== "harmless");
}
