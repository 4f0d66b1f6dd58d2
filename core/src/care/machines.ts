/** Machines as they are looked after before a job's first step and at its last; each with its own list (common practice). */
export const MACHINES = ["extractor", "pad", "brush", "sprayer", "vacuum"] as const;
export type Machine = (typeof MACHINES)[number];

export interface MachineCare {
  /** What is seen to before it starts, and when it stops, in order. */
  readonly start: readonly string[];
  readonly stop: readonly string[];
  /** What to mind while doing so. */
  readonly startCaution?: string;
  readonly stopCaution?: string;
}

export const MACHINE_CARE: Readonly<Record<Machine, MachineCare>> = {
  extractor: {
    start: [
      "Filters in and clean, recovery tank empty, its float free.",
      "Jets fit and spraying even fans.",
      "Defoamer in the recovery tank where old detergent is expected.",
      "Water in, pressure up, look at every coupling; then the vacuum.",
      "Cords and hoses checked end to end; two motors on two circuits.",
    ],
    stop: [
      "Rinse tank and lines with plain water until no product comes.",
      "Pump off, then hold the trigger until the pressure is out, before any coupling is opened.",
      "Waste to the sanitary sewer; tanks rinsed, lids left open to air.",
      "Filters and lint trap emptied; limed jets into vinegar, rinsed before they go back.",
    ],
    startCaution: "Wet pick-up only with the filter made for it.",
    stopCaution: "About 70 bar stays in a hose after the pump stops.",
  },
  pad: {
    start: ["Pad clean and centred, spare ones at hand.", "Cord over the shoulder, clear of the pad."],
    stop: ["Plug out, pad off and rinsed, hung up to dry.", "Machine laid back, never left on its pad."],
    startCaution: "On loose fibre or a seam that lifts it winds the carpet up: look first.",
  },
  brush: {
    start: ["Brush at its height for this pile, belts whole.", "Hair and thread out of the bristles."],
    stop: ["Plug out, hair and thread out of the bristles.", "Brush up and off its bristles."],
  },
  sprayer: {
    start: [
      "Tip clean and spraying an even fan, lid and hose tight.",
      "What is in it is what its label says.",
    ],
    stop: ["Pressure out before the lid is opened.", "Rinsed with water through the tip, left open to air."],
    startCaution: "Gloves and goggles as its product’s label has them.",
  },
  vacuum: {
    start: ["Bag less than half full, belt whole, brush at its height."],
    stop: ["Bag emptied outside where it is half full."],
  },
};
