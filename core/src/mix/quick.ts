import { requireInRange, requirePositive } from "../guard.ts";
import { partsOf } from "./strength.ts";

/** A mix by what is known of it: any two of the four give the rest. Volumes in one unit, strength as concentrate per water. */
export interface KnownMix {
  readonly strength?: number | undefined;
  readonly concentrate?: number | undefined;
  readonly water?: number | undefined;
  readonly total?: number | undefined;
}

export interface WholeMix {
  readonly strength: number;
  readonly concentrate: number;
  readonly water: number;
  readonly total: number;
}

/** Too little is known, too much, or it can't be so: concentrate more than the whole. */
export type QuickMix =
  | { readonly ok: true; readonly mix: WholeMix }
  | { readonly ok: false; readonly fault: "two-needed" | "one-too-many" | "more-than-the-whole" };

const whole = (concentrate: number, water: number): QuickMix => ({
  ok: true,
  mix: { strength: concentrate / water, concentrate, water, total: concentrate + water },
});

/** The rest of a mix from any two of strength, concentrate, water and total (volumes added as they are). Throws OutOfRange for none or less. */
export function completeMix({ strength, concentrate, water, total }: KnownMix): QuickMix {
  const known = [strength, concentrate, water, total].filter((value) => value !== undefined).length;
  if (known < 2) return { ok: false, fault: "two-needed" };
  if (known > 2) return { ok: false, fault: "one-too-many" };
  for (const value of [concentrate, water, total]) if (value !== undefined) requirePositive("volume", value);
  const all = total ?? (concentrate ?? 0) + (water ?? 0);
  if (strength !== undefined) {
    requireInRange("concentrate per water", strength, 1e-6, 100);
    if (concentrate !== undefined) return whole(concentrate, concentrate / strength);
    if (water !== undefined) return whole(water * strength, water);
    const parts = partsOf(all, strength);
    return whole(parts.concentrate, parts.water);
  }
  const parts = { concentrate: concentrate ?? all - (water ?? 0), water: water ?? all - (concentrate ?? 0) };
  if (parts.concentrate <= 0 || parts.water <= 0) return { ok: false, fault: "more-than-the-whole" };
  return whole(parts.concentrate, parts.water);
}
