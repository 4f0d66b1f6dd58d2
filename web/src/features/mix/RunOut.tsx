import type { BatchChoice, Product, ProductId } from "@scutch/contract";
import { foldFills } from "@scutch/core/log";
import { concentratePerWater, leftOf } from "@scutch/core/mix";
import { type BatchPlan, substitutesFor } from "@scutch/core/plan";
import { useState } from "react";
import { VERDICT_NAMES } from "../../format/careWords.ts";
import { doseOf, strengthOf } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { keepRooms } from "../../planning/fitMixes.ts";
import { withBatch } from "../../planning/withBatch.ts";
import { useStock } from "../../shared/stock/useStock.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product;
  readonly planned: BatchPlan;
}

/** Whether there is enough of a product for the fills still to make, and what could stand in for it. */
export function RunOut({ desk, batch, product, planned }: Props) {
  const units = useUnits();
  const stock = useStock();
  const [asked, setAsked] = useState(false);
  if (planned.batch.outcome !== "planned") return null;
  const made = foldFills(desk.log, batch, desk.work.wasted);
  const needed = planned.batch.fills
    .filter((_, i) => !made.has(i + 1))
    .reduce((sum, { concentrate, powder }) => sum + (powder?.mass ?? concentrate), 0);
  const left = stock && leftOf(stock, product.id);
  const amount = (value: number) => doseOf(value, product.scoop !== undefined, units);
  const short = left !== undefined && left < needed;
  const take = (productId: ProductId) => {
    desk.edit((before) =>
      withBatch(keepRooms(before, batch.id, desk.work), batch.id, {
        productId,
        strength: undefined,
        boosters: undefined,
      }),
    );
    setAsked(false);
  };
  if (needed === 0) return null;
  const substitutes =
    asked || short ? substitutesFor(batch.id, desk.input, desk.work, desk.shelf.products) : [];
  return (
    <div className="mt-3 grid gap-2 print:hidden">
      {short && (
        <Callout
          tone="caution"
          title={`Only ${amount(left)} of ${product.name} left; remaining fills need ${amount(needed)}.`}
        >
          Mix what you can, or switch to another product.
        </Callout>
      )}
      {!asked && !short && (
        <Button weight="quiet" className="justify-self-start" onClick={() => setAsked(true)}>
          Used up: {product.name}?
        </Button>
      )}
      {(asked || short) && (
        <ul aria-label="Substitutes">
          {substitutes.map(({ product: other, strength, verdict }) => (
            <li
              key={other.id}
              className="flex flex-wrap items-center justify-between gap-2 border-rule border-t py-2"
            >
              <span>
                <strong>{other.name}</strong> at{" "}
                {strengthOf(concentratePerWater(strength), other.scoop !== undefined, units)}
                <span className="text-soft">
                  {" "}
                  · its label’s strength for this soil · {VERDICT_NAMES[verdict].toLowerCase()} on these
                  floors
                </span>
              </span>
              <Button onClick={() => take(other.id)}>Use {other.name}</Button>
            </li>
          ))}
          {substitutes.length === 0 && (
            <li className="text-soft">
              No other product on the shelf fits these floors. Mix less, or come back for the rest.
            </li>
          )}
        </ul>
      )}
    </div>
  );
}
