import type { PriceLine } from "@scutch/core/quote";
import { ChevronDown } from "lucide-react";
import { useId, useState } from "react";
import type { MoneyFormat } from "../../format/money.ts";
import { priceLineName } from "../../format/priceLineName.ts";
import { MAX_PRICE, numberReader } from "../../format/readers.ts";
import { METHOD_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { lineMeasure } from "../../shared/prices/lineMeasure.ts";
import { Button } from "../../ui/Button.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { withLine } from "./withLine.ts";

interface Props {
  readonly line: PriceLine;
  readonly desk: JobDesk;
  readonly money: MoneyFormat;
}

/** A line of the bill; pressed, what can be decided about it opens under it. */
export function LineRow({ line, desk, money }: Props) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const { job } = desk;
  const name = priceLineName(line, (roomId) => nameById(job.rooms, roomId, "a removed room"));
  const detail = [
    line.method && METHOD_NAMES[line.method],
    lineMeasure(line, money.show),
    line.changed && !line.what && "changed for this job",
    line.skipped ? "skipped in the log, not billed" : line.struck && "left out",
  ].filter(Boolean);
  return (
    <li className="border-rule border-t">
      <button
        type="button"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
        className="flex min-h-14 w-full items-center justify-between gap-3 py-1.5 text-left"
      >
        <span className={line.struck ? "min-w-0 text-soft line-through" : "min-w-0"}>
          <strong className="block font-semibold">{name}</strong>
          {detail.length > 0 && <span className="block text-sm text-soft">{detail.join(", ")}</span>}
        </span>
        <span className="flex shrink-0 items-center gap-2">
          <span className={`font-mono ${line.struck ? "text-soft line-through" : ""}`}>
            {line.amount === undefined ? (
              <span className="text-caution-ink">no price</span>
            ) : (
              money.showMinor(line.amount)
            )}
          </span>
          <ChevronDown aria-hidden size={18} className={`text-soft ${open ? "rotate-180" : ""}`} />
        </span>
      </button>
      <div id={id} hidden={!open}>
        {open && <LineFields line={line} desk={desk} money={money} />}
      </div>
    </li>
  );
}

function LineFields({ line, desk: { job, edit }, money }: Props) {
  const said = job.priceLines?.find(({ id }) => id === line.id);
  const set = (change: Parameters<typeof withLine>[2]) => edit((before) => withLine(before, line.id, change));
  const isOwn = line.what !== undefined;
  return (
    <div className="grid grid-cols-2 gap-3 pb-3">
      {line.quantity !== undefined && (
        <QuantityField
          label="Quantity"
          value={said?.quantity}
          placeholder={String(line.quantity)}
          show={String}
          read={numberReader(0, MAX_PRICE, "Enter how much, like 12.5.")}
          onChange={(quantity) => set({ quantity })}
        />
      )}
      <QuantityField
        label="Price of the line"
        value={said?.amount}
        placeholder={line.amount === undefined ? "none" : money.showMinor(line.amount)}
        show={(amount) => amount.toFixed(money.digits)}
        read={numberReader(0, MAX_PRICE, "Enter a price, like 45.00.")}
        onChange={(amount) => set({ amount })}
      />
      <div className="col-span-full flex flex-wrap gap-2">
        {line.skipped ? (
          <p className="text-soft">To bill it anyway, set its price.</p>
        ) : isOwn ? (
          <Button
            onClick={() =>
              void edit((before) => ({
                ...before,
                priceLines: (before.priceLines ?? []).filter(({ id }) => id !== line.id),
              }))
            }
          >
            Remove this line
          </Button>
        ) : (
          <Button onClick={() => void set({ struck: line.struck ? undefined : true })}>
            {line.struck ? "Restore" : "Leave out"}
          </Button>
        )}
        {line.changed && !isOwn && (
          <Button onClick={() => void set({ amount: undefined, quantity: undefined })}>
            As in the price book
          </Button>
        )}
      </div>
    </div>
  );
}
