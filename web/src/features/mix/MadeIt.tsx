import type { BatchChoice, Product } from "@scutch/contract";
import type { Fill } from "@scutch/core/mix";
import { useState } from "react";
import { doseField, readsVolume } from "../../format/readers.ts";
import { doseOf, joined } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { lotsLeft } from "../../shared/stock/stock.ts";
import { useStock } from "../../shared/stock/useStock.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField, Tick } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product;
  readonly fill: Fill;
  readonly number: number;
  readonly onMade: () => void;
}

/** The tick: as planned in one press, or how much really went in and from which pack. */
export function MadeIt({ desk, batch, product, fill, number, onMade }: Props) {
  const units = useUnits();
  const log = useLogging(desk.job.id);
  const stock = useStock();
  const lots = stock ? lotsLeft(stock, product.id).filter(({ left }) => left > 0) : [];
  const [lot, setLot] = useState<string>();
  const [other, setOther] = useState(false);
  const [water, setWater] = useState(fill.water);
  const [amount, setAmount] = useState(fill.powder?.mass ?? fill.concentrate);
  const powder = fill.powder !== undefined;
  const make = () => {
    const took = lot ?? lots[0]?.lot;
    log({
      kind: "fill-made",
      batchId: batch.id,
      productId: product.id,
      fill: number,
      water,
      concentrate: powder ? 0 : amount,
      ...(powder ? { powder: amount } : {}),
      ...(fill.boosters.length > 0
        ? {
            boosters: fill.boosters.map(({ id, concentrate, powder: dose }) => ({
              productId: id as Product["id"],
              concentrate,
              ...(dose ? { powder: dose.mass } : {}),
            })),
          }
        : {}),
      ...(took ? { lot: took } : {}),
    });
    onMade();
  };
  return (
    <div
      className={`mt-4 grid items-center gap-2 print:hidden ${other ? "" : "xl:grid-cols-[9.5rem_1fr] xl:gap-4"}`}
    >
      {lots.length > 1 && (
        <div className="col-span-full">
          <ChoiceField
            label="From the pack"
            value={lot ?? lots[0]?.lot}
            options={lots.map((each) => ({
              value: each.lot,
              name: `${each.lot}, ${doseOf(each.left, powder, units)} left`,
            }))}
            onChange={setLot}
          />
        </div>
      )}
      <Tick label="Something else really went in" checked={other} onChange={setOther} />
      {other && (
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="Water"
            value={water}
            show={(value) => joined(units.volume(value))}
            read={readsVolume(units, "volume")}
            onChange={(value) => {
              setWater(value ?? fill.water);
              return undefined;
            }}
          />
          <QuantityField
            label={powder ? "Powder" : "Concentrate"}
            value={amount}
            {...doseField(powder, units)}
            onChange={(value) => {
              setAmount(value ?? fill.powder?.mass ?? fill.concentrate);
              return undefined;
            }}
          />
        </div>
      )}
      <Button weight="main" className="min-h-16 w-full" onClick={make}>
        Made it
      </Button>
    </div>
  );
}
