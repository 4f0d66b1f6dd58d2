import { isOneOf } from "../records.ts";
/** What lies on a floor. Textile coverings bring their usual pile; hard floors have none. */
export const COVERINGS = [
  "cut-pile",
  "deep-pile",
  "loop-pile",
  "carpet-tile",
  "ribbed-mat",
  "coir",
  "rug",
  "ceramic",
  "stone",
  "granite",
  "vinyl",
] as const;
export type Covering = (typeof COVERINGS)[number];

export const HARD_FLOORS = ["ceramic", "stone", "granite", "vinyl"] as const satisfies readonly Covering[];
export type HardFloor = (typeof HARD_FLOORS)[number];
export const isHardFloor = (covering: Covering): covering is HardFloor => isOneOf(HARD_FLOORS, covering);

/** Face fibre as a technician can tell it. "plant" is sisal, jute, seagrass and coir. */
export const FLOOR_FIBRES = [
  "nylon",
  "polyester",
  "olefin",
  "acrylic",
  "wool",
  "silk",
  "cotton",
  "viscose",
  "plant",
  "unknown",
] as const;
export type FloorFibre = (typeof FLOOR_FIBRES)[number];

/** What a label names as fit or unfit for it: fibres, and hard floors. */
export const LABEL_FLOORS = [...FLOOR_FIBRES.filter((fibre) => fibre !== "unknown"), ...HARD_FLOORS] as const;
export type LabelFloor = (typeof LABEL_FLOORS)[number];

export const BACKINGS = ["synthetic", "jute", "foam", "unknown"] as const;
export type Backing = (typeof BACKINGS)[number];

/** How somebody came to know the fibre, the surest first. */
export const IDENTIFIED_BY = ["label", "burn-test", "float-test", "customer", "look"] as const;
export type IdentifiedBy = (typeof IDENTIFIED_BY)[number];

/** What the care rules know by name. */
export const MATERIALS = [
  "nylon",
  "polyester",
  "olefin",
  "acrylic",
  "wool",
  "silk",
  "cotton",
  "viscose",
  "plant",
  "jute-backing",
  "foam-backing",
  "ceramic",
  "cement-grout",
  "calcareous-stone",
  "granite",
  "vinyl",
] as const;
export type Material = (typeof MATERIALS)[number];

/** A floor as far as care goes. What is absent hasn't been said. */
export interface CareFloor {
  readonly covering: Covering;
  readonly fibre?: FloorFibre | undefined;
  readonly backing?: Backing | undefined;
}

/** The most delicate fibre likely in a covering, for when nobody knows (common practice). */
export const MOST_DELICATE_LIKELY: Readonly<
  Record<Exclude<Covering, HardFloor>, Exclude<FloorFibre, "unknown">>
> = {
  "cut-pile": "wool",
  "deep-pile": "wool",
  "loop-pile": "wool",
  "carpet-tile": "nylon",
  "ribbed-mat": "olefin",
  coir: "plant",
  rug: "viscose",
};

type Fibre = Exclude<FloorFibre, "unknown">;

/** Fibres a covering is likely to have, for when nobody knows (common practice). */
export const LIKELY_FIBRES: Readonly<Record<Exclude<Covering, HardFloor>, readonly Fibre[]>> = {
  "cut-pile": ["wool", "nylon", "polyester", "olefin", "acrylic"],
  "deep-pile": ["wool", "nylon", "polyester", "olefin", "acrylic"],
  "loop-pile": ["wool", "nylon", "polyester", "olefin"],
  "carpet-tile": ["nylon", "olefin", "polyester"],
  "ribbed-mat": ["olefin", "nylon", "polyester"],
  coir: ["plant"],
  rug: ["viscose", "wool", "silk", "cotton", "nylon", "polyester", "olefin", "acrylic", "plant"],
};

/** What to ask first where nobody has said: the commonest, and the one it matters most to know (common practice). */
export const LIKELY_ANSWERS: Readonly<
  Record<Exclude<Covering, HardFloor>, readonly [Fibre, Fibre] | readonly []>
> = {
  "cut-pile": ["nylon", "wool"],
  "deep-pile": ["polyester", "wool"],
  "loop-pile": ["nylon", "wool"],
  "carpet-tile": ["nylon", "olefin"],
  "ribbed-mat": ["olefin", "nylon"],
  coir: [],
  rug: ["wool", "viscose"],
};

/** A material as labels name it. */
export const labelFloorOf = (material: Material): Material | "stone" =>
  material === "calcareous-stone" ? "stone" : material;

export interface Materials {
  /** The face first, then what lies behind or between. */
  readonly materials: readonly [Material, ...Material[]];
  /** Fibres it may be where nobody knows, the most delicate first; empty where it is known. */
  readonly mayBe: readonly Fibre[];
  /** The fibre was not known and the most delicate likely stands in. */
  readonly fibreGuessed: boolean;
}

/** What a floor is made of as the rules see it. Coir is plant fibre whatever was said; unknown stone counts as calcareous. */
export function materialsOf({ covering, fibre, backing }: CareFloor): Materials {
  switch (covering) {
    case "ceramic":
      return { materials: ["ceramic", "cement-grout"], mayBe: [], fibreGuessed: false };
    case "stone":
      return { materials: ["calcareous-stone", "cement-grout"], mayBe: [], fibreGuessed: false };
    case "granite":
      return { materials: ["granite", "cement-grout"], mayBe: [], fibreGuessed: false };
    case "vinyl":
      return { materials: ["vinyl"], mayBe: [], fibreGuessed: false };
    default: {
      const known = covering === "coir" ? "plant" : fibre === "unknown" ? undefined : fibre;
      const face: Material = known ?? MOST_DELICATE_LIKELY[covering];
      const behind: Material[] =
        backing === "jute" ? ["jute-backing"] : backing === "foam" ? ["foam-backing"] : [];
      return {
        materials: [face, ...behind],
        mayBe: known === undefined ? LIKELY_FIBRES[covering] : [],
        fibreGuessed: known === undefined,
      };
    }
  }
}
