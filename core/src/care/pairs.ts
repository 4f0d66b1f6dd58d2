import { type CareProduct, type Chemistry, HOT, phBand } from "./product.ts";

/**
 * What can react with something else: a product's chemistry, what its pH makes it (weak-acid: from 4.5 to 7;
 * unread: nobody knows), heat, or a vessel that is closed.
 */
export type Reactant =
  | Chemistry
  | "acid"
  | "weak-acid"
  | "strong-acid"
  | "alkali"
  | "strong-alkali"
  | "unread"
  | "heat"
  | "closed-vessel";

/** Two things that must not meet. */
export interface HazardousPair {
  readonly pair: readonly [Reactant, Reactant];
  readonly gives: string;
  /** In one vessel: never; or only as the label says, with a way out for the gas. */
  readonly inVessel: "never" | "as-labelled";
  /** On one floor one after the other: never, with a rinse and extraction between, or with no harm. */
  readonly onOneFloor: "never" | "rinse-between" | "harmless";
  /** Statements of hazard that the safety data sheets of such products carry. */
  readonly statements: readonly string[];
  readonly source: string;
}

const SDS = "CLP regulation Annex II–III and VI statements as on such products’ data sheets (memory)";

/**
 * What must not meet, and what of it may where a label says so. Kept short enough to be read to the end.
 */
export const HAZARDOUS_PAIRS: readonly HazardousPair[] = [
  {
    pair: ["chlorine", "acid"],
    gives: "Chlorine gas.",
    inVessel: "never",
    onOneFloor: "never",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "weak-acid"],
    gives: "Chlorine gas, more slowly.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "unread"],
    gives: "It may be acid: then chlorine gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "ammonia"],
    gives: "Chloramine gas.",
    inVessel: "never",
    onOneFloor: "never",
    statements: ["EUH031", "H335"],
    source: SDS,
  },
  {
    pair: ["chlorine", "peroxide"],
    gives: "Oxygen so fast that it spits and bursts bottles.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "percarbonate"],
    gives: "Oxygen so fast that it spits and bursts bottles.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "alcohol"],
    gives: "Chloroform and other poisonous vapours.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031", "H225"],
    source: SDS,
  },
  {
    pair: ["chlorine", "solvent"],
    gives: "Heat, poisonous vapours, with some of them fire.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031", "H225"],
    source: SDS,
  },
  {
    pair: ["chlorine", "reducer"],
    gives: "Heat and poisonous gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "chlorite"],
    gives: "Chlorine dioxide gas, which can explode.",
    inVessel: "never",
    onOneFloor: "never",
    statements: ["EUH031", "EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorine", "chlorine-dioxide"],
    gives: "Chlorine and chlorine dioxide gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031", "EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorite", "acid"],
    gives: "Chlorine dioxide gas, which can explode.",
    inVessel: "never",
    onOneFloor: "never",
    statements: ["EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorite", "weak-acid"],
    gives: "Chlorine dioxide gas, more slowly.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorite", "unread"],
    gives: "It may be acid: then chlorine dioxide gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorite", "reducer"],
    gives: "Heat, fire.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["chlorite", "alcohol"],
    gives: "Heat, fire.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["chlorite", "solvent"],
    gives: "Heat, fire.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["chlorite", "ammonia"],
    gives: "Chloramines and other poisonous gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH032", "H335"],
    source: SDS,
  },
  {
    pair: ["chlorine-dioxide", "acid"],
    gives: "Chlorine dioxide gas.",
    inVessel: "never",
    onOneFloor: "never",
    statements: ["EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorine-dioxide", "reducer"],
    gives: "Each undoes the other, with heat.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "acid"],
    gives: "Gas: a closed bottle bursts.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "reducer"],
    gives: "Heat; each undoes the other.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "solvent"],
    gives: "Something that burns by itself.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "alcohol"],
    gives: "Something that burns by itself.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "closed-vessel"],
    gives: "Oxygen, as long as it works: the pressure in a closed sprayer rises by itself.",
    inVessel: "as-labelled",
    onOneFloor: "harmless",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["peroxide", "acid"],
    gives: "Per-acid: its vapour bites eyes and lungs, and it is far stronger than either.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H314"],
    source: SDS,
  },
  {
    pair: ["peroxide", "strong-alkali"],
    gives: "Heat and oxygen: a closed bottle bursts.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H314"],
    source: SDS,
  },
  {
    pair: ["peroxide", "alkali"],
    gives: "Oxygen: it works for hours only, and the pressure in a closed vessel rises by itself.",
    inVessel: "as-labelled",
    onOneFloor: "harmless",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["peroxide", "ammonia"],
    gives: "Oxygen: it works for hours only, and the pressure in a closed vessel rises by itself.",
    inVessel: "as-labelled",
    onOneFloor: "harmless",
    statements: ["H272", "H335"],
    source: SDS,
  },
  {
    pair: ["peroxide", "reducer"],
    gives: "Heat; each undoes the other.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["peroxide", "solvent"],
    gives: "Something that burns by itself.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["peroxide", "alcohol"],
    gives: "Something that burns by itself.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["reducer", "acid"],
    gives: "Sulphur dioxide gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["solvent", "heat"],
    gives: "Vapour that burns, from an iron or hot water.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H225"],
    source: SDS,
  },
  {
    pair: ["alcohol", "heat"],
    gives: "Vapour that burns, from an iron or hot water.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H225"],
    source: SDS,
  },
  {
    pair: ["strong-acid", "strong-alkali"],
    gives: "Boiling and spitting.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H314"],
    source: SDS,
  },
  {
    pair: ["cationic", "anionic"],
    gives: "A sticky lump that won’t rinse out and draws soil.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: [],
    source: "common practice",
  },
];

/** What the codes above say on a data sheet (GHS / CLP wording, shortened; memory). */
export const STATEMENTS: Readonly<Record<string, string>> = {
  EUH031: "Contact with acids liberates toxic gas.",
  EUH032: "Contact with acids liberates very toxic gas.",
  H225: "Highly flammable liquid and vapour.",
  H272: "May intensify fire; oxidiser.",
  H314: "Causes severe skin burns and eye damage.",
  H335: "May cause respiratory irritation.",
};

/** Below this a product is on the acid side, and chlorine gives off its gas, the faster the lower. */
const NEUTRAL_PH = 7;

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
    ...(is("mild-alkali", "alkali", "strong-alkali") ? (["alkali"] as const) : []),
    ...(is("strong-alkali") ? (["strong-alkali"] as const) : []),
    ...(known.length === 0 ? (["unread"] as const) : []),
    ...(waterTemperature > HOT ? (["heat"] as const) : []),
  ];
}

const meets = ({ pair: [a, b] }: HazardousPair, mine: readonly Reactant[], theirs: readonly Reactant[]) =>
  (mine.includes(a) && theirs.includes(b)) || (mine.includes(b) && theirs.includes(a));

/** Every hazardous pair two products make, in either order. Empty: none that this table knows; the labels come first. */
export function hazardsBetween(one: CareProduct, other: CareProduct): HazardousPair[] {
  const mine = reactantsOf(one);
  const theirs = reactantsOf(other);
  return HAZARDOUS_PAIRS.filter((pair) => meets(pair, mine, theirs));
}

/** Two things in one vessel that make a hazardous pair, by their place in it; the second is the vessel where absent. */
export interface Meeting {
  readonly hazard: HazardousPair;
  readonly one: number;
  readonly other?: number;
}

/**
 * Everything in one vessel against everything else in it, and against the vessel where that is closed, as a sprayer or a
 * bottle is: the one question that mixes, mixers, bottles and spots ask.
 */
export function hazardsInVessel(contents: readonly CareProduct[], closed: boolean): Meeting[] {
  const reactants = contents.map(reactantsOf);
  return contents.flatMap((_, one) => [
    ...contents.slice(one + 1).flatMap((__, k): Meeting[] => {
      const other = one + 1 + k;
      return HAZARDOUS_PAIRS.filter((pair) => meets(pair, reactants[one] ?? [], reactants[other] ?? [])).map(
        (hazard) => ({ hazard, one, other }),
      );
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
