import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";
import { countedFills } from "./fills.ts";

/** What was used of a product, by lot where a lot was named: m³ of liquid or kg of powder. */
export interface ProductUsage {
  readonly productId: string;
  readonly lot?: string;
  readonly amount: number;
}

/** What one entry uses up by itself: a fill its concentrate or powder with its boosters, a product used its amount. */
function usesOf(entry: Entry): ProductUsage[] {
  if (entry.kind === "product-used")
    return [{ productId: entry.productId, amount: entry.powder ?? entry.amount ?? 0 }];
  if (entry.kind !== "fill-made") return [];
  const { productId, powder, concentrate, lot, boosters = [] } = entry;
  return [
    { productId, amount: powder ?? concentrate, ...(lot === undefined ? {} : { lot }) },
    ...boosters.map((booster) => ({
      productId: booster.productId,
      amount: booster.powder ?? booster.concentrate,
    })),
  ];
}

/** Uses of one product and lot added up. */
export function sumUses(uses: readonly ProductUsage[]): ProductUsage[] {
  const sums = new Map<string, ProductUsage>();
  for (const use of uses) {
    const key = `${use.productId} ${use.lot ?? ""}`;
    sums.set(key, { ...use, amount: (sums.get(key)?.amount ?? 0) + use.amount });
  }
  return [...sums.values()];
}

/** What the entries of a job that stand say was used. */
export function stockUse(entries: readonly Entry[]): ProductUsage[] {
  const used = effectiveEntries(entries).filter(({ kind }) => kind === "product-used");
  return sumUses([...countedFills(entries), ...used].flatMap(usesOf));
}
