import { type CareProduct, type Chemistry, phBand } from "./product.ts";

/** What can react with something else: a product's chemistry, or what its pH makes it. */
export type Reactant = Chemistry | "acid" | "strong-acid" | "alkali" | "strong-alkali";

/** Two things that must not meet. */
export interface HazardousPair {
  readonly pair: readonly [Reactant, Reactant];
  readonly gives: string;
  /** On one floor one after the other: never, or with a rinse and extraction between. */
  readonly onOneFloor: "never" | "rinse-between";
  /** Statements of hazard that the safety data sheets of such products carry. */
  readonly statements: readonly string[];
  readonly source: string;
}

const SDS = "CLP regulation Annex II–III and VI statements as on such products’ data sheets (memory)";

/** Never in one vessel, any of them. Kept short enough to be read to the end. */
export const HAZARDOUS_PAIRS: readonly HazardousPair[] = [
  {
    pair: ["chlorine", "acid"],
    gives: "Chlorine gas.",
    onOneFloor: "never",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "ammonia"],
    gives: "Chloramine gas.",
    onOneFloor: "never",
    statements: ["EUH031", "H335"],
    source: SDS,
  },
  {
    pair: ["chlorine", "peroxide"],
    gives: "Oxygen so fast that it spits and bursts bottles.",
    onOneFloor: "rinse-between",
    statements: ["H272", "EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "percarbonate"],
    gives: "Oxygen so fast that it spits and bursts bottles.",
    onOneFloor: "rinse-between",
    statements: ["H272", "EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorine", "alcohol"],
    gives: "Chloroform and other poisonous vapours.",
    onOneFloor: "rinse-between",
    statements: ["EUH031", "H225"],
    source: SDS,
  },
  {
    pair: ["chlorine", "reducer"],
    gives: "Heat and poisonous gas.",
    onOneFloor: "rinse-between",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["chlorite", "acid"],
    gives: "Chlorine dioxide gas, which can explode.",
    onOneFloor: "never",
    statements: ["EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorite", "reducer"],
    gives: "Heat, fire.",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "acid"],
    gives: "Gas: a closed bottle bursts.",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["peroxide", "strong-alkali"],
    gives: "Heat and oxygen: a closed bottle bursts.",
    onOneFloor: "rinse-between",
    statements: ["H272", "H314"],
    source: SDS,
  },
  {
    pair: ["peroxide", "reducer"],
    gives: "Heat; each undoes the other.",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "reducer"],
    gives: "Heat; each undoes the other.",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["peroxide", "solvent"],
    gives: "Something that burns by itself.",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["reducer", "acid"],
    gives: "Sulphur dioxide gas.",
    onOneFloor: "rinse-between",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["strong-acid", "strong-alkali"],
    gives: "Boiling and spitting.",
    onOneFloor: "rinse-between",
    statements: ["H314"],
    source: SDS,
  },
  {
    pair: ["cationic", "anionic"],
    gives: "A sticky lump that won’t rinse out and draws soil.",
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

/** What a product can react as: its chemistry, and its pH by the stronger of concentrate and mix. */
export function reactantsOf({ phInUse, phConcentrate, chemistry = [] }: CareProduct): Reactant[] {
  const bands = [phInUse, phConcentrate].flatMap((ph) => (ph === undefined ? [] : [phBand(ph)]));
  const is = (...some: readonly string[]) => bands.some((band) => some.includes(band));
  return [
    ...chemistry,
    ...(is("strong-acid", "acid") ? (["acid"] as const) : []),
    ...(is("strong-acid") ? (["strong-acid"] as const) : []),
    ...(is("alkali", "strong-alkali") ? (["alkali"] as const) : []),
    ...(is("strong-alkali") ? (["strong-alkali"] as const) : []),
  ];
}

/** Every hazardous pair two products make, in either order. Empty: none that this table knows; the labels come first. */
export function hazardsBetween(one: CareProduct, other: CareProduct): HazardousPair[] {
  const mine = reactantsOf(one);
  const theirs = reactantsOf(other);
  return HAZARDOUS_PAIRS.filter(
    ({ pair: [a, b] }) =>
      (mine.includes(a) && theirs.includes(b)) || (mine.includes(b) && theirs.includes(a)),
  );
}
