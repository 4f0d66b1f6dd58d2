import type { Product, RoomId } from "@scutch/contract";
import { effectiveEntries } from "@scutch/core/log";
import type { JobDesk } from "../../planning/desk.ts";

/** Products that have been on a room's floor, as logged: sprayed with what rode on the mix, used by hand, tried on a spot. */
export function productsOn({ log, shelf, work }: JobDesk, roomId: RoomId): readonly Product[] {
  const sprayedFrom = work.rooms.find(({ id }) => id === roomId)?.batchId;
  const ids = effectiveEntries(log).flatMap((entry) => {
    if (entry.kind === "product-used" || entry.kind === "spot-attempt")
      return entry.roomId === roomId && entry.productId ? [entry.productId] : [];
    if (entry.kind !== "fill-made" || entry.batchId !== sprayedFrom) return [];
    return [entry.productId, ...(entry.boosters ?? []).map(({ productId }) => productId)];
  });
  return shelf.products.filter(({ id }) => ids.includes(id));
}
