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
      "Check: filters in and clean, recovery tank empty, its float free.",
      "Check: jets in place and spraying even fans.",
      "Put defoamer in the recovery tank if you expect old detergent.",
      "Water on, pump on, check every coupling. Then the vacuum.",
      "Check cords and hoses end to end. Use two circuits for two motors.",
    ],
    stop: [
      "Rinse tank and lines with plain water until no product comes out.",
      "Pump off, then hold the trigger until the pressure is gone. Only then open a coupling.",
      "Empty waste to the sewer (foul drain). Rinse the tanks and leave their lids open.",
      "Empty filters and lint trap. Soak limed jets in vinegar and rinse them.",
    ],
    startCaution: "Pick up water only with the wet filter in.",
    stopCaution: "About 70 bar stays in a hose after the pump stops.",
  },
  pad: {
    start: [
      "Check: pad clean and centred, spare pads at hand.",
      "Keep the cord over your shoulder, clear of the pad.",
    ],
    stop: [
      "Unplug. Take the pad off, rinse it and hang it up.",
      "Lay the machine back. Never leave it on its pad.",
    ],
    startCaution: "It winds up loose fibre and lifted seams. Look first.",
  },
  brush: {
    start: [
      "Check: brush at the right height for this pile, belts whole.",
      "Clear hair and thread from the bristles.",
    ],
    stop: [
      "Unplug. Clear hair and thread from the bristles.",
      "Store it with the brush raised off its bristles.",
    ],
  },
  sprayer: {
    start: [
      "Check: tip clean and spraying an even fan, lid and hose tight.",
      "Check that its label matches its contents.",
    ],
    stop: [
      "Release pressure before you open the lid.",
      "Rinse with water through the tip and leave it open.",
    ],
    startCaution: "Wear gloves and goggles as the product label says.",
  },
  vacuum: {
    start: ["Check: bag under half full, belt whole, brush at the right height."],
    stop: ["Empty the bag outside once it is half full."],
  },
};
