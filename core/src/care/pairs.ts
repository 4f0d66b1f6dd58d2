import type { Chemistry } from "./product.ts";

/**
 * What can react with something else: a product's chemistry, what its pH makes it (weak-acid: from 4.5 to 7;
 * unread: nobody knows), heat, or a vessel that is closed.
 */
export type Reactant =
  | Chemistry
  | "acid"
  | "weak-acid"
  | "strong-acid"
  | "acid-to-5"
  | "acid-to-4"
  | "alkali-from-10"
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
    gives: "It may be acid, and then gives chlorine gas.",
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
    gives: "It may be acid, and then gives chlorine dioxide gas.",
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
    pair: ["chlorine-dioxide", "weak-acid"],
    gives: "Chlorine dioxide gas, more slowly.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorine-dioxide", "unread"],
    gives: "It may be acid, and then gives chlorine dioxide gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH032"],
    source: SDS,
  },
  {
    pair: ["chlorine-dioxide", "reducer"],
    gives: "They cancel out and heat up.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "acid-to-5"],
    gives: "Gas: a closed bottle bursts.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "reducer"],
    gives: "They cancel out and heat up.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "solvent"],
    gives: "A mix that ignites by itself.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "alcohol"],
    gives: "A mix that ignites by itself.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["percarbonate", "closed-vessel"],
    gives: "Oxygen for as long as it works. Pressure builds in a closed sprayer.",
    inVessel: "as-labelled",
    onOneFloor: "harmless",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["peroxide", "acid-to-5"],
    gives: "Peracid: its vapour burns eyes and lungs, and it is far stronger than either product.",
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
    gives: "Oxygen. It works for a few hours only, and pressure builds in a closed sprayer.",
    inVessel: "as-labelled",
    onOneFloor: "harmless",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["peroxide", "ammonia"],
    gives: "Oxygen. It works for a few hours only, and pressure builds in a closed sprayer.",
    inVessel: "as-labelled",
    onOneFloor: "harmless",
    statements: ["H272", "H335"],
    source: SDS,
  },
  {
    pair: ["peroxide", "reducer"],
    gives: "They cancel out and heat up.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272"],
    source: SDS,
  },
  {
    pair: ["peroxide", "solvent"],
    gives: "A mix that ignites by itself.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["peroxide", "alcohol"],
    gives: "A mix that ignites by itself.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H272", "H225"],
    source: SDS,
  },
  {
    pair: ["reducer", "acid-to-5"],
    gives: "Sulphur dioxide gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["reducer", "unread"],
    gives: "It may be acid, and then gives sulphur dioxide gas.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["EUH031"],
    source: SDS,
  },
  {
    pair: ["solvent", "heat"],
    gives: "Flammable vapour, from an iron or hot water.",
    inVessel: "never",
    onOneFloor: "rinse-between",
    statements: ["H225"],
    source: SDS,
  },
  {
    pair: ["alcohol", "heat"],
    gives: "Flammable vapour, from an iron or hot water.",
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
    pair: ["acid-to-4", "alkali-from-10"],
    gives: "Heat and spitting, and both stop working.",
    inVessel: "never",
    onOneFloor: "harmless",
    statements: ["H314"],
    source: SDS,
  },
  {
    pair: ["cationic", "anionic"],
    gives: "A sticky lump that won’t rinse out and attracts soil.",
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
