import type { BatchChoice, ProductId, Strength } from "@scutch/contract";
import { itemAt } from "@scutch/core";
import { Plus, Trash2 } from "lucide-react";
import { strengthReader } from "../../format/readers.ts";
import { labelSpelling } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";

type Boosters = NonNullable<BatchChoice["boosters"]>;

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly onChange: (boosters: Boosters | undefined) => string | undefined;
}

const MOST = 4;

/** What rides on the mix, each at its own label's strength. */
export function BoosterFields({ desk: { shelf }, batch, onChange }: Props) {
  const boosters = batch.boosters ?? [];
  const free = shelf.products.filter(
    ({ id }) => id !== batch.productId && !boosters.some(({ productId }) => productId === id),
  );
  const set = (next: Boosters) => onChange(next.length > 0 ? next : undefined);
  return (
    <div className="grid gap-2 print:hidden">
      {boosters.map((booster, i) => {
        const product = shelf.products.find(({ id }) => id === booster.productId);
        if (!product) return null;
        const powder = product.scoop !== undefined;
        return (
          <div key={booster.productId} className="grid grid-cols-[1fr_1fr_3rem] items-end gap-2">
            <ChoiceField<ProductId>
              label="Booster"
              value={booster.productId}
              options={[product, ...free].map(({ id, name }) => ({ value: id, name }))}
              onChange={(productId) => void set(boosters.with(i, { productId }))}
            />
            <QuantityField<Strength>
              label="Strength"
              value={booster.strength}
              assumed={product.ordinary}
              show={labelSpelling}
              read={strengthReader(product.ratioMeans, powder)}
              onChange={(strength) =>
                set(boosters.with(i, { ...booster, ...(strength ? { strength } : { strength: undefined }) }))
              }
            />
            <button
              type="button"
              aria-label={`Remove ${product.name}`}
              onClick={() => void set(boosters.toSpliced(i, 1))}
              className="grid size-12 place-items-center text-stop"
            >
              <Trash2 aria-hidden size={18} />
            </button>
          </div>
        );
      })}
      {boosters.length < MOST && free[0] && (
        <Button
          weight="quiet"
          className="justify-self-start"
          onClick={() => void set([...boosters, { productId: itemAt(free, 0).id }])}
        >
          <Plus aria-hidden size={18} /> Add booster
        </Button>
      )}
    </div>
  );
}
