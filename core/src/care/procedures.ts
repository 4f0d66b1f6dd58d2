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
      { what: "Lift it if it is loose. Vacuum under it and slowly along the ribs." },
      { what: "Agitate with a stiff brush along and across to bring up grit." },
      { what: "Vacuum along the ribs again until nothing more comes up." },
      { what: "Pre-spray, and wait for the label’s dwell time.", product: "neutral" },
      { what: "Clean along the ribs, then dry strokes until the tube runs clear." },
    ],
    cautions: [
      "Never dry-vacuum a wet mat.",
      "Price the time: vacuuming takes three times as long as for a room.",
    ],
  },
  "ice-melt": {
    title: "Salt from ice melt",
    steps: [
      { what: "Vacuum the dry salt slowly from several sides. Once wet, it sinks in." },
      { what: "Acid rinse or salt remover for about 10 min, or as its label says.", product: "acid" },
      { what: "Extract with plain water until it stops foaming and feeling slippery." },
      { what: "Dry at once: leftover salt draws water and turns white again." },
    ],
    cautions: ["No acid if marble, limestone or unknown stone is next to it."],
  },
  greasy: {
    title: "Kitchen and restaurant grease",
    steps: [
      { what: "Scrape and vacuum. Nothing wet yet." },
      { what: "Alkaline pre-spray or degreaser, as warm as label and floor allow.", product: "alkaline" },
      { what: "Agitate with a counter-rotating brush. Keep it wet for the full dwell time." },
      { what: "Extract warm. Repeat where the tube still runs brown." },
      { what: "Acid-rinse carpet, or it turns sticky and re-soils.", product: "acid" },
    ],
    cautions: [
      "Wool and plant fibre can’t take the alkali or the heat.",
      "Greasy hard floors are slippery while you work. Put up signs and keep everyone out.",
    ],
  },
  "tile-and-grout": {
    title: "Tile and grout",
    steps: [
      { what: "Vacuum dry, edges and corners too." },
      { what: "Test each product on one tile in a corner first." },
      {
        what: "Alkaline cleaner for grease and food, 10–20 m² at a time: less if it’s warm.",
        product: "alkaline",
      },
      { what: "Grout brush, edges by hand; 5–10 min, kept wet." },
      { what: "Spinner. Rinse until the water runs clear." },
      {
        what: "Only then, for mineral or lime: acid cleaner, brush, rinse again.",
        product: "acid",
      },
      { what: "Dry with air movers. Leave signs up until dry." },
    ],
    cautions: [
      "Never alkali and acid together: rinse in between.",
      "Never acid on marble, limestone or unknown stone. Acid also attacks cement grout, so keep it brief.",
    ],
  },
  "calcareous-stone": {
    title: "Marble, limestone, unknown stone",
    steps: [
      { what: "Vacuum dry: grit scratches." },
      { what: "Test a neutral cleaner on one tile in a corner first.", product: "neutral" },
      { what: "Soft brush or pad, edges by hand, kept wet." },
      { what: "Rinse twice with plain water, recover it, dry." },
    ],
    cautions: ["Never use acid, vinegar or lime remover: it etches at once, permanently."],
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
