import { type CareFloor, type Covering, isHardFloor } from "./floor.ts";
import { judgeProduct } from "./judge.ts";
import { type CareProduct, floorsFor, phBand } from "./product.ts";
import type { SoilNature } from "./soil.ts";
import type { Origin } from "./spotting/origins.ts";

/** Floors and soils that want steps of their own. */
export const PROCEDURE_IDS = [
  "ribbed-mat",
  "ice-melt",
  "greasy",
  "tile-and-grout",
  "calcareous-stone",
] as const;
export type ProcedureId = (typeof PROCEDURE_IDS)[number];

/** What a step is done with, by the pH of the mix on the floor. */
export type StepProduct = "acid" | "neutral" | "alkaline";

export interface ProcedureStep {
  readonly what: string;
  readonly product?: StepProduct;
}

export interface Procedure {
  readonly title: string;
  readonly steps: readonly ProcedureStep[];
  readonly cautions: readonly string[];
}

/** All common practice: the label, the maker of the floor and local code come before it. */
export const PROCEDURES: Readonly<Record<ProcedureId, Procedure>> = {
  "ribbed-mat": {
    title: "Ribbed entrance mat",
    steps: [
      { what: "Lift it where it is loose; vacuum under it and along the ribs, slowly." },
      { what: "Agitate with a stiff brush along and across, so that the grit comes up." },
      { what: "Vacuum again along the ribs until nothing more comes." },
      { what: "Pre-spray, let it stand as the label says.", product: "neutral" },
      { what: "Clean along the ribs, then dry strokes until the tube runs clear." },
    ],
    cautions: [
      "Never a dry vacuum on a wet mat.",
      "Price the time: it takes three times a room’s vacuuming.",
    ],
  },
  "ice-melt": {
    title: "Salt from ice melt",
    steps: [
      { what: "Vacuum the dry salt, slowly, from several sides: wetted it only sinks in." },
      { what: "Acid rinse or salt remover, left about 10 min or as its label says.", product: "acid" },
      { what: "Extract with plain water until it no longer foams or feels slippery." },
      { what: "Dry at once: what stays draws water and turns white again." },
    ],
    cautions: ["No acid on marble, limestone or unknown stone beside it."],
  },
  greasy: {
    title: "Kitchen and restaurant grease",
    steps: [
      { what: "Scrape and vacuum; nothing wet yet." },
      { what: "Alkaline pre-spray or degreaser, as warm as label and floor allow.", product: "alkaline" },
      { what: "Agitate with a counter-rotating brush; let it stand its whole dwell, wet." },
      { what: "Extract warm; twice where the tube still runs brown." },
      { what: "Acid rinse on carpet, or the floor turns sticky and soils again.", product: "acid" },
    ],
    cautions: [
      "Wool and plant fibre take neither the alkali nor the heat.",
      "Greasy hard floors are slippery while they are done: signs, and nobody through.",
    ],
  },
  "tile-and-grout": {
    title: "Tile and grout",
    steps: [
      { what: "Vacuum dry, edges and corners too." },
      { what: "One tile in a corner first, with each product that is to be used." },
      {
        what: "Alkaline cleaner for grease and food, in pieces of 10–20 m² by how warm and fast it is.",
        product: "alkaline",
      },
      { what: "Grout brush, edges by hand; 5–10 min, kept wet." },
      { what: "Spinner, and rinse until the water runs clear." },
      {
        what: "Only then, where mineral or lime is left: acid cleaner, brush, rinse again.",
        product: "acid",
      },
      { what: "Dry with air on it; signs until it is." },
    ],
    cautions: [
      "Alkali and acid never together: rinse in between.",
      "Never acid on marble, limestone or unknown stone; it bites cement grout too, so briefly.",
    ],
  },
  "calcareous-stone": {
    title: "Marble, limestone, unknown stone",
    steps: [
      { what: "Vacuum dry: grit scratches." },
      { what: "A neutral cleaner on one tile in a corner first.", product: "neutral" },
      { what: "Soft brush or pad, edges by hand, kept wet." },
      { what: "Rinse with plain water twice, take it up, dry." },
    ],
    cautions: ["Never acid, vinegar or lime remover: it etches at once and for good."],
  },
};

const BANDS: Readonly<Record<StepProduct, readonly ReturnType<typeof phBand>[]>> = {
  acid: ["acid"],
  neutral: ["neutral"],
  alkaline: ["mild-alkali", "alkali"],
};

/** Which of the ways a room wants, by its covering, its soil and what is on it. */
export function proceduresFor(
  covering: Covering,
  soilNature: SoilNature | undefined,
  origins: readonly Origin[],
): readonly ProcedureId[] {
  return [
    ...(covering === "ribbed-mat" ? (["ribbed-mat"] as const) : []),
    ...(origins.includes("ice-melt") ? (["ice-melt"] as const) : []),
    ...(covering === "ceramic" ? (["tile-and-grout"] as const) : []),
    ...(covering === "stone" ? (["calcareous-stone"] as const) : []),
    ...(soilNature === "greasy" ? (["greasy"] as const) : []),
  ];
}

/** Products of a shelf that a step of a way can be done with on a floor: its pH, made for such floors, no stop on it. */
export function productsForStep<P extends CareProduct>(
  { product }: ProcedureStep,
  floor: CareFloor,
  shelf: readonly P[],
): P[] {
  if (product === undefined) return [];
  const hard = isHardFloor(floor.covering);
  return shelf.filter((each) => {
    const floors = floorsFor(each);
    return (
      each.phInUse !== undefined &&
      BANDS[product].includes(phBand(each.phInUse)) &&
      each.kind !== "spotter" &&
      each.kind !== "defoamer" &&
      each.kind !== "odour-treatment" &&
      (floors === "any" || (floors === "hard") === hard) &&
      judgeProduct(each, floor).verdict !== "stop"
    );
  });
}
