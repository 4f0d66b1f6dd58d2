import { requireInRange, requirePositive } from "../guard.ts";

/**
 * Share of active substance after `volume` of a ready-to-use product at `share` (0…1) is made up to `finished`:
 * C1 V1 = C2 V2. Volumes in one unit, volume shares taken as additive.
 */
export function dilutedShare(share: number, volume: number, finished: number): number {
  requireInRange("share of active substance", share, 0, 1);
  requirePositive("finished volume", finished);
  requireInRange("volume taken", volume, 0, finished);
  return (share * volume) / finished;
}

/** Volume of product at `share` to make `finished` at the weaker `wanted` share; throws where `wanted` is stronger. */
export function volumeToDilute(share: number, wanted: number, finished: number): number {
  requireInRange("wanted share", wanted, 0, share);
  return (wanted * requirePositive("finished volume", finished)) / requirePositive("share", share);
}
