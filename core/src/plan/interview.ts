import type { Covering } from "../care/index.ts";
import type { PlannedSpot } from "./input.ts";

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

export const EFFECTS = ["defoamer", "extra-rinse", "odour-step", "edges", "slow-vacuum"] as const;
export type EffectKind = (typeof EFFECTS)[number];

/** Something an answer changes in the plan. */
export interface Effect {
  readonly kind: EffectKind;
  readonly because: keyof Interview;
}

/** What the answers change. Common practice. */
export function effectsOf(interview: Interview = {}): Effect[] {
  const { lastCleaned, detergentLeft, pets, urine, occupancy } = interview;
  return [
    ...(detergentLeft
      ? ([
          { kind: "defoamer", because: "detergentLeft" },
          { kind: "extra-rinse", because: "detergentLeft" },
        ] as const)
      : []),
    ...(urine ? ([{ kind: "odour-step", because: "urine" }] as const) : []),
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

/** Urine spreads below the pile: the patch to treat over the patch seen, in area (common practice). */
const SPREAD_BELOW = 4;
/** Share of each carpet treated where accidents are known of and none has been found yet (common practice). */
const NOT_FOUND = 0.02;
/** Free water an odour treatment leaves in a patch it was soaked into and extracted from, kg/m² (memory). */
export const ODOUR_RESIDUAL = 0.3;

interface TreatedRoom {
  readonly id: string;
  readonly area: number;
  readonly covering: Covering;
  readonly passage: boolean;
}

/** m² to treat against odour in a room: four times the urine seen in it, or a little of every room while none was found. */
export function odourArea(
  room: TreatedRoom,
  spots: readonly PlannedSpot[],
  asked: boolean,
  isTextile: boolean,
): number {
  if (!isTextile || room.passage) return 0;
  const urine = spots.filter(({ origin }) => origin === "urine");
  const seen = urine.filter(({ roomId }) => roomId === room.id).reduce((sum, { area }) => sum + area, 0);
  if (urine.length > 0) return Math.min(room.area, SPREAD_BELOW * seen);
  return asked ? NOT_FOUND * room.area : 0;
}

/** Defoamer for the recovery tank, m³ per m³ taken up: 30 ml to a tank of 30 L (common practice). */
export const DEFOAMER_PER_RECOVERED = 30e-6 / 30e-3;
