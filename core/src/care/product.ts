import { requireInRange } from "../guard.ts";
import type { LabelFloor } from "./floor.ts";

/** What in a product reacts, as its label or safety data sheet names it. */
export const CHEMISTRIES = [
  "peroxide",
  "percarbonate",
  "chlorine",
  "chlorite",
  "chlorine-dioxide",
  "reducer",
  "solvent",
  "alcohol",
  "ammonia",
  "enzyme",
  "cationic",
  "anionic",
] as const;
export type Chemistry = (typeof CHEMISTRIES)[number];

/** What a product is sold as. */
export const PRODUCT_KINDS = [
  "pre-spray",
  "acid-rinse",
  "encapsulant",
  "spotter",
  "defoamer",
  "odour-treatment",
  "hard-floor",
] as const;
export type ProductKind = (typeof PRODUCT_KINDS)[number];

/** Floors a product is made for. */
export const PRODUCT_FLOORS = ["carpet", "hard", "any"] as const;
export type ProductFloors = (typeof PRODUCT_FLOORS)[number];

/** Floors a kind of product is made for where its label hasn't been read for it. */
const FLOORS_OF_KIND: Record<ProductKind, ProductFloors> = {
  "pre-spray": "carpet",
  encapsulant: "carpet",
  "acid-rinse": "any",
  spotter: "any",
  defoamer: "any",
  "odour-treatment": "any",
  "hard-floor": "hard",
};

/** Floors a product is made for: what its label says, else what its kind is for; any where neither is known. */
export const floorsFor = ({ floors, kind }: CareProduct): ProductFloors =>
  floors ?? (kind === undefined ? "any" : FLOORS_OF_KIND[kind]);

/** A product as far as care goes. What is absent hasn't been read off its label yet. */
export interface CareProduct {
  readonly kind?: ProductKind | undefined;
  /** As its label says; by its kind where absent. */
  readonly floors?: ProductFloors | undefined;
  /** pH of the mix on the floor, and of the concentrate. */
  readonly phInUse?: number | undefined;
  readonly phConcentrate?: number | undefined;
  readonly chemistry?: readonly Chemistry[] | undefined;
  /** °C of the water it is mixed with. */
  readonly waterTemperature?: number | undefined;
  /** Fibres and floors its label names as fit for it, and as not to be treated. What the label says wins over the rules. */
  readonly labelAllows?: readonly LabelFloor[] | undefined;
  readonly labelForbids?: readonly LabelFloor[] | undefined;
}

/** How a floor is cleaned, as far as care goes. */
export const WETTINGS = ["wet", "damp", "dry"] as const;
export type Wetting = (typeof WETTINGS)[number];

/**
 * What the rules are written on: one row each. The pH bands meet at 3, 4.5, 8.5, 10 and 11.5; wool's own range,
 * 4.5–8.5, is the band called neutral (common practice).
 */
export const TRAITS = [
  "strong-acid",
  "acid",
  "neutral",
  "mild-alkali",
  "alkali",
  "strong-alkali",
  "ph-not-known",
  "oxidiser",
  "hot-oxidiser",
  "chlorine",
  "chlorine-dioxide",
  "reducer",
  "solvent",
  "enzyme",
  "cationic",
  "hot",
  "wet",
  "damp",
  "dry",
] as const;
export type Trait = (typeof TRAITS)[number];

type PhBand = "strong-acid" | "acid" | "neutral" | "mild-alkali" | "alkali" | "strong-alkali";

/** Band of a pH, 0…14; a limit belongs to the milder of its two bands. Throws OutOfRange beyond the scale. */
export function phBand(ph: number): PhBand {
  requireInRange("pH", ph, 0, 14);
  if (ph < 3) return "strong-acid";
  if (ph < 4.5) return "acid";
  if (ph <= 8.5) return "neutral";
  if (ph <= 10) return "mild-alkali";
  return ph <= 11.5 ? "alkali" : "strong-alkali";
}

/** Hotter than this water is a matter of its own on delicate fibres, °C (common practice). */
export const HOT = 50;
export const OXIDISERS: readonly Chemistry[] = ["peroxide", "percarbonate"];
const CHLORINES: readonly Chemistry[] = ["chlorine", "chlorite"];
const SOLVENTS: readonly Chemistry[] = ["solvent", "alcohol"];

/** What of a product the rules speak about, on a floor. */
export function productTraits({ phInUse, chemistry = [], waterTemperature = 0 }: CareProduct): Trait[] {
  const has = (some: readonly Chemistry[]) => chemistry.some((each) => some.includes(each));
  const hot = waterTemperature > HOT;
  return [
    phInUse === undefined ? "ph-not-known" : phBand(phInUse),
    ...(has(OXIDISERS) ? (["oxidiser"] as const) : []),
    ...(has(OXIDISERS) && hot ? (["hot-oxidiser"] as const) : []),
    ...(has(CHLORINES) ? (["chlorine"] as const) : []),
    ...(has(["chlorine-dioxide"]) ? (["chlorine-dioxide"] as const) : []),
    ...(has(["reducer"]) ? (["reducer"] as const) : []),
    ...(has(SOLVENTS) ? (["solvent"] as const) : []),
    ...(has(["enzyme"]) ? (["enzyme"] as const) : []),
    ...(has(["cationic"]) ? (["cationic"] as const) : []),
    ...(hot ? (["hot"] as const) : []),
  ];
}
