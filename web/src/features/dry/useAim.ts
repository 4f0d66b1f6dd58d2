import type { Aim } from "@scutch/core/drying";
import { useMemo, useState } from "react";

export const AIMS = [
  { value: "all", name: "All rooms soonest" },
  { value: "room", name: "This room" },
  { value: "fewest", name: "Fewest machines" },
] as const;
type AimKind = (typeof AIMS)[number]["value"];

/** What the moves are for, as chosen. */
export interface ChosenAim {
  readonly kind: AimKind;
  readonly aim: Aim;
  readonly pick: (kind: AimKind) => void;
}

/** What the moves are for; `place`: the room in sight. */
export function useAim(place: number): ChosenAim {
  const [kind, pick] = useState<AimKind>("all");
  const aim = useMemo((): Aim => (kind === "room" ? { kind, room: place } : { kind }), [kind, place]);
  return { kind, aim, pick };
}
