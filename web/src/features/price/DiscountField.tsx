import type { Discount, Job } from "@scutch/contract";
import { type MoneyFormat, rateText } from "../../format/money.ts";
import { type FieldResult, MAX_PRICE, mapReading, numberReader } from "../../format/readers.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { QuantityField } from "../../ui/QuantityField.tsx";

/** Reads a share or an amount: 10%, 15.00. */
function readDiscount(text: string): FieldResult<Discount> {
  const isShare = /%\s*$/.test(text);
  const [most, refusal] = isShare
    ? ([100, "Enter 0 to 100%."] as const)
    : ([MAX_PRICE, "Enter a share or an amount, like 10% or 15.00."] as const);
  return mapReading<number, Discount>(numberReader(0, most, refusal)(text.replace(/%\s*$/, "")), (value) => ({
    value: isShare ? { share: Number((value / 100).toFixed(6)) } : { amount: value },
  }));
}

/** What is taken off the price. */
export function DiscountField({
  job,
  edit,
  money,
}: {
  readonly job: Pick<Job, "discount">;
  readonly edit: JobDesk["edit"];
  readonly money: MoneyFormat;
}) {
  return (
    <QuantityField<Discount>
      label="Discount"
      value={job.discount}
      placeholder="none, or 10% or 15.00"
      show={(discount) =>
        "share" in discount ? rateText(discount.share) : discount.amount.toFixed(money.digits)
      }
      read={readDiscount}
      onChange={(discount) => edit((before) => ({ ...before, discount }))}
    />
  );
}
