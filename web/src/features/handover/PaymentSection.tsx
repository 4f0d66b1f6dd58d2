import { PAID_BY } from "@scutch/contract";
import { fromMinor, toMinor } from "@scutch/core/quote";
import { useState } from "react";
import { MAX_PRICE, numberReader } from "../../format/readers.ts";
import { PAID_BY_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useMoney } from "../../state/useMoney.ts";
import { Button } from "../../ui/Button.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";

interface Props {
  readonly desk: JobDesk;
  /** In smallest units; undefined while no total is known. */
  readonly total: number | undefined;
  readonly paid: number;
}

/** What the job costs, what came in, and the next payment. */
export function PaymentSection({ desk, total, paid }: Props) {
  const money = useMoney();
  const log = useLogging(desk);
  const { currency } = useAppSelector(selectCrew).settings ?? {};
  const [amount, setAmount] = useState<number>();
  const left = total === undefined ? 0 : Math.max(0, total - paid);
  const minor = amount === undefined ? left : toMinor(amount, money.digits);
  const row = (label: string, value: string) => (
    <div className="flex justify-between gap-4 border-rule border-b py-1.5">
      <dt className="text-soft">{label}</dt>
      <dd className="font-mono">{value}</dd>
    </div>
  );
  return (
    <section aria-label="Payment" className="grid gap-3 border-ink border-t-2 pt-3">
      <h2 className="font-semibold">Payment</h2>
      <dl>
        {row("Total", total === undefined ? "not set" : money.showMinor(total))}
        {row("Paid", money.showMinor(paid))}
        {total !== undefined &&
          total !== paid &&
          row(left > 0 ? "Left to pay" : "Paid too much", money.showMinor(Math.abs(total - paid)))}
      </dl>
      <QuantityField
        label="Amount received"
        value={amount}
        placeholder={left > 0 ? money.showMinor(left) : "none"}
        show={(value) => value.toFixed(money.digits)}
        read={numberReader(fromMinor(1, money.digits), MAX_PRICE, "Enter the amount, like 120.00.")}
        onChange={(value) => {
          setAmount(value);
          return undefined;
        }}
      />
      <div className="flex flex-wrap gap-2">
        {PAID_BY.map((paidBy) => (
          <Button
            key={paidBy}
            disabled={minor <= 0}
            onClick={() => {
              log({ kind: "payment", amount: minor, paidBy, ...(currency ? { currency } : {}) });
              setAmount(undefined);
            }}
          >
            {PAID_BY_NAMES[paidBy]}
          </Button>
        ))}
      </div>
    </section>
  );
}
