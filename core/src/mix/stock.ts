/** A delivery of a product: packs of one size, m³ of liquid or kg of powder each. */
export interface DeliveredLot {
  readonly productId: string;
  readonly lot: string;
  /** YYYY-MM-DD. */
  readonly receivedOn: string;
  readonly packs: number;
  readonly packSize: number;
}

/** What came in, and what was used, m³ or kg, of which lot where that was noted. */
export interface CountedStock<Lot extends DeliveredLot> {
  readonly lots: readonly Lot[];
  readonly used: readonly { readonly productId: string; readonly lot?: string; readonly amount: number }[];
}

/** A lot with what is left of it, m³ or kg. */
export type LotLeft<Lot extends DeliveredLot = DeliveredLot> = Lot & { readonly left: number };

/**
 * What is left of each lot of a product, the oldest first: what came in less what was used of it; use that named no lot
 * is taken off the oldest that has some.
 */
export function lotsLeft<Lot extends DeliveredLot>(
  { lots, used }: CountedStock<Lot>,
  productId: string,
): LotLeft<Lot>[] {
  const own = lots
    .filter((lot) => lot.productId === productId)
    .toSorted((a, b) => a.receivedOn.localeCompare(b.receivedOn));
  const uses = used.filter((use) => use.productId === productId);
  const names = new Set(own.map(({ lot }) => lot));
  const named = (lot: string) =>
    uses.filter((use) => use.lot === lot).reduce((sum, { amount }) => sum + amount, 0);
  let unnamed = uses
    .filter(({ lot }) => lot === undefined || !names.has(lot))
    .reduce((sum, { amount }) => sum + amount, 0);
  const taken = new Map<string, number>();
  return own.map((lot) => {
    // Two deliveries of one lot share what was used of it.
    const before = taken.get(lot.lot) ?? named(lot.lot);
    const there = lot.packs * lot.packSize;
    const byName = Math.min(there, before);
    taken.set(lot.lot, before - byName);
    const rest = there - byName;
    const byOthers = Math.min(rest, unnamed);
    unnamed -= byOthers;
    return { ...lot, left: rest - byOthers };
  });
}

/** What there is of a product, m³ or kg; undefined where nobody keeps count of it. */
export function leftOf(stock: CountedStock<DeliveredLot>, productId: string): number | undefined {
  const lots = lotsLeft(stock, productId);
  return lots.length === 0 ? undefined : lots.reduce((sum, { left }) => sum + left, 0);
}
