import type { Product } from "@scutch/contract";
import { doseOf } from "../../format/units.ts";
import { nameById } from "../../planning/nameById.ts";
import { useUnits } from "../../state/useUnits.ts";

interface Props {
  /** m³, or kg of a powder, by product id. */
  readonly products: ReadonlyMap<string, number>;
  readonly shelf: readonly Product[];
}

/** Concentrate and powder used, by the log. */
export function ProductsUsed({ products, shelf }: Props) {
  const units = useUnits();
  if (products.size === 0) return null;
  return (
    <section aria-label="Products used" className="border-ink border-t-2 pt-3">
      <h2 className="font-semibold">Products used</h2>
      <dl>
        {[...products].map(([id, amount]) => {
          const isPowder = shelf.find((product) => product.id === id)?.scoop !== undefined;
          return (
            <div key={id} className="flex justify-between gap-4 border-rule border-b py-1.5">
              <dt className="text-soft">{nameById(shelf, id, "A removed product")}</dt>
              <dd className="font-mono">{doseOf(amount, isPowder, units)}</dd>
            </div>
          );
        })}
      </dl>
    </section>
  );
}
