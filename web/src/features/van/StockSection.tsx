import {
  type Job,
  LotId,
  type Product,
  type ProductId,
  type Shelf,
  type Stock,
  StockLot,
} from "@scutch/contract";
import { lotsLeft } from "@scutch/core/mix";
import { Plus } from "lucide-react";
import { useMemo, useState } from "react";
import { saveRecord } from "../../device/changes.ts";
import { useLogsOf } from "../../device/localJob.ts";
import { newId } from "../../device/newId.ts";
import { numberReader, packField } from "../../format/readers.ts";
import { dayAfter, today } from "../../format/time.ts";
import { doseOf } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Loading } from "../../ui/States.tsx";
import { useDraft } from "../../ui/useDraft.ts";
import { LoadSection } from "./LoadSection.tsx";
import { type Need, needsOf } from "./needs.ts";

interface Props {
  readonly shelf: Shelf;
  readonly stock: Stock;
  readonly jobs: readonly Job[];
}

/** What to order and what to load for the jobs to come, and what is there by lot. */
export function StockSection({ shelf, stock, jobs }: Props) {
  const units = useUnits();
  const [adding, setAdding] = useState<ProductId | "any">();
  const product = (id: string) => shelf.products.find((each) => each.id === id);
  const amount = (id: string, value: number) => doseOf(value, product(id)?.scoop !== undefined, units);
  const day = today();
  const logged = useLogsOf(jobs);
  const needs = useMemo(() => logged && needsOf(logged, shelf, stock), [logged, shelf, stock]);
  const short = (needs ?? []).filter(({ needed, left = 0 }) => needed > left);
  const tomorrow = dayAfter(day);
  const booked = useMemo(() => jobs.filter((job) => job.day === tomorrow), [jobs, tomorrow]);
  return (
    <div className="grid grid-cols-1 gap-6">
      <section aria-label="To order">
        <h2 className="border-ink border-b-2 pb-2 font-bold text-lg">To order for the jobs not done yet</h2>
        {!needs ? (
          <Loading what="the jobs" />
        ) : short.length === 0 ? (
          <p className="py-2 text-soft">You have enough for every job not done yet.</p>
        ) : (
          <ul>
            {short.map((need) => (
              <li
                key={need.productId}
                className="flex flex-wrap justify-between gap-x-4 border-rule border-b py-2"
              >
                <strong>{product(need.productId)?.name}</strong>
                <span>
                  needs {amount(need.productId, need.needed)}, {leftText(need, amount)}
                  {need.order !== undefined &&
                    `: order ${need.order === 1 ? "1 pack" : `${need.order} packs`}`}
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
      <LoadSection shelf={shelf} day={tomorrow} jobs={booked} />
      <section aria-label="Stock">
        <div className="flex flex-wrap items-center justify-between gap-x-4 border-ink border-b-2">
          <h2 className="font-bold text-lg">Stock by lot</h2>
          <Button weight="quiet" onClick={() => setAdding("any")}>
            <Plus aria-hidden size={18} /> Add packs
          </Button>
        </div>
        <ul>
          {shelf.products.flatMap(({ id, name }) =>
            lotsLeft(stock, id).map((lot) => (
              <li key={lot.id} className="flex flex-wrap justify-between gap-x-4 border-rule border-b py-2">
                <span>
                  <strong>{name}</strong> <span className="font-mono text-sm text-soft">lot {lot.lot}</span>
                </span>
                <span className="font-mono">
                  {amount(id, lot.left)}
                  <span className="text-soft"> of {amount(id, lot.packs * lot.packSize)}</span>
                </span>
              </li>
            )),
          )}
        </ul>
      </section>
      {adding && shelf.products[0] && (
        <LotDialog products={shelf.products} onClose={() => setAdding(undefined)} />
      )}
    </div>
  );
}

const leftText = ({ productId, left }: Need, amount: (id: string, value: number) => string) =>
  left === undefined ? "stock not counted" : `${amount(productId, left)} in stock`;

function LotDialog({
  products,
  onClose,
}: {
  readonly products: readonly Product[];
  readonly onClose: () => void;
}) {
  const units = useUnits();
  const { draft, set, errorAt, check } = useDraft(StockLot, {
    id: newId(LotId),
    productId: products[0]?.id,
    packs: 1,
    packSize: products[0]?.packSize,
    receivedOn: today(),
  });
  const product = products.find(({ id }) => id === draft.productId);
  const powder = product?.scoop !== undefined;
  const pack = packField(powder, units);
  const save = () => {
    const checked = check();
    if (!checked) return;
    saveRecord("lot", checked);
    onClose();
  };
  return (
    <Dialog open title="Add packs" onClose={onClose}>
      <div className="mt-4 grid gap-3">
        <ChoiceField
          label="Product"
          value={draft.productId}
          options={products.map(({ id, name }) => ({ value: id, name }))}
          onChange={(productId) =>
            set({
              productId,
              packSize: products.find(({ id }) => id === productId)?.packSize,
            })
          }
        />
        <NameField
          label="Lot, as on the pack"
          value={draft.lot}
          onChange={(lot) => set({ lot })}
          fault={errorAt("lot")}
        />
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="Packs"
            value={draft.packs}
            show={String}
            read={numberReader(0, 100_000, "Enter how many packs.")}
            onChange={(packs) => set({ packs })}
            fault={errorAt("packs")}
          />
          <QuantityField
            label="Pack size"
            value={draft.packSize}
            show={pack.show}
            read={pack.read}
            onChange={(packSize) => set({ packSize })}
            fault={errorAt("packSize", pack.show)}
          />
        </div>
        <Callout tone="advice">Stock drops automatically when you log a fill.</Callout>
        <Button weight="main" onClick={save}>
          Add to stock
        </Button>
      </div>
    </Dialog>
  );
}
