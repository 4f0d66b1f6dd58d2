import type { BatchPlan } from "./batches.ts";

/**
 * What the fills of planned mixes take of each product, boosters too: m³, or kg of a powder, by product id. A mix that can't be made
 * asks for its product, of no amount; one nothing is sprayed from asks for none.
 *
 * @param choices which product each mix is of.
 */
export function productAmounts(
  choices: readonly { readonly id: string; readonly productId: string }[],
  batches: readonly BatchPlan[],
): ReadonlyMap<string, number> {
  const amounts = new Map<string, number>();
  const add = (id: string, amount: number) => amounts.set(id, (amounts.get(id) ?? 0) + amount);
  for (const { id, batch } of batches) {
    const choice = choices.find((each) => each.id === id);
    if (!choice || (batch.outcome === "planned" && batch.fills.length === 0)) continue;
    add(choice.productId, 0);
    if (batch.outcome !== "planned") continue;
    for (const fill of batch.fills) {
      add(choice.productId, fill.powder?.mass ?? fill.concentrate);
      for (const booster of fill.boosters) add(booster.id, booster.powder?.mass ?? booster.concentrate);
    }
  }
  return amounts;
}
