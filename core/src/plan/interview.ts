export const LAST_CLEANED = ["never", "this-year", "one-to-three-years", "longer"] as const;
export const OCCUPANCY = ["lived-in", "empty", "move-in", "move-out"] as const;

/** What the customer said. Absent: not asked. */
export interface Interview {
  readonly lastCleaned?: (typeof LAST_CLEANED)[number];
  /** Detergent, shop spotter or softener left in: it foams and draws soil. */
  readonly detergentLeft?: boolean;
  readonly pets?: boolean;
  /** Accidents somewhere, of pets or people. */
  readonly urine?: boolean;
  readonly occupancy?: (typeof OCCUPANCY)[number];
}

export const EFFECTS = [
  "defoamer",
  "extra-rinse",
  "odour-step",
  "find-accidents",
  "edges",
  "slow-vacuum",
] as const;
export type EffectKind = (typeof EFFECTS)[number];

/** Something an answer changes in the plan. */
export interface Effect {
  readonly kind: EffectKind;
  readonly because: keyof Interview;
}

/** What the answers change, `found` saying whether the accidents told of are on the plan. Common practice. */
export function effectsOf(interview: Interview = {}, found = false): Effect[] {
  const { lastCleaned, detergentLeft, pets, urine, occupancy } = interview;
  return [
    ...(detergentLeft
      ? ([
          { kind: "defoamer", because: "detergentLeft" },
          { kind: "extra-rinse", because: "detergentLeft" },
        ] as const)
      : []),
    ...(urine ? ([{ kind: found ? "odour-step" : "find-accidents", because: "urine" }] as const) : []),
    ...(occupancy === "move-in"
      ? ([{ kind: "edges", because: "occupancy" }] as const)
      : pets
        ? ([{ kind: "edges", because: "pets" }] as const)
        : []),
    ...(lastCleaned === "never" || lastCleaned === "longer"
      ? ([{ kind: "slow-vacuum", because: "lastCleaned" }] as const)
      : []),
  ];
}

/** Defoamer for the recovery tank, m³ per m³ taken up: 30 ml to a tank of 30 L (common practice). */
export const DEFOAMER_PER_RECOVERED = 30e-6 / 30e-3;
