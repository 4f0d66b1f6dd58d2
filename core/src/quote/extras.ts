import type { BilledPer } from "./billedUnit.ts";

/** What is charged apart from the cleaning of a room (common practice). */
export const EXTRAS = [
  "extra-rinse",
  "odour",
  "stain",
  "spot",
  "stairs",
  "edges",
  "matting",
  "vacuuming",
  "grease",
  "furniture",
  "protector",
  "waiting",
] as const;
export type Extra = (typeof EXTRAS)[number];

/** How an extra is billed. */
interface ExtraFacts {
  readonly per: BilledPer;
  /** Billed only where the customer asked for it; the others where the survey finds them. */
  readonly asked: boolean;
}

export const EXTRA_FACTS: Readonly<Record<Extra, ExtraFacts>> = {
  "extra-rinse": { per: "area", asked: false },
  odour: { per: "area", asked: false },
  stain: { per: "piece", asked: false },
  spot: { per: "piece", asked: false },
  stairs: { per: "piece", asked: false },
  edges: { per: "length", asked: true },
  matting: { per: "area", asked: false },
  vacuuming: { per: "area", asked: true },
  grease: { per: "area", asked: true },
  furniture: { per: "piece", asked: true },
  protector: { per: "area", asked: true },
  waiting: { per: "hour", asked: true },
};
