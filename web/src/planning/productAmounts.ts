import type { Job, ProductId } from "@scutch/contract";
import type { WorkPlan } from "@scutch/core/plan";

/** What a planned job's fills take of each product: m³, or kg of a powder. A mix that can't be made asks for none of its product. */
export function productAmounts(
  job: Pick<Job, "batches">,
  { batches }: Pick<WorkPlan, "batches">,
): ReadonlyMap<ProductId, number> {
  const amounts = new Map<ProductId, number>();
  const add = (id: string, amount: number) =>
    amounts.set(id as ProductId, (amounts.get(id as ProductId) ?? 0) + amount);
  for (const { id, batch } of batches) {
    const choice = job.batches.find((each) => each.id === id);
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
