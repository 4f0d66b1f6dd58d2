import { MAX_PRICE, mapReading, numberReader } from "../../format/readers.ts";
import { QuantityField } from "../../ui/QuantityField.tsx";

interface Props {
  readonly label: string;
  readonly value: number | undefined;
  /** How many of the units it is asked in are in what it is kept for. */
  readonly unitsInOne?: number;
  readonly placeholder?: string;
  readonly onChange: (price: number | undefined) => string | undefined | undefined;
}

/** Places of a price that are shown: two, or as many as it was entered with. */
const priceText = (price: number) => {
  const exact = String(Number(price.toFixed(4)));
  return (exact.split(".")[1]?.length ?? 0) > 2 ? exact : price.toFixed(2);
};

/** A price in the crew's currency; emptied, it is not set. */
export function PriceField({ label, value, unitsInOne = 1, placeholder = "not set", onChange }: Props) {
  return (
    <QuantityField
      label={label}
      value={value}
      show={(price) => priceText(price / unitsInOne)}
      placeholder={placeholder}
      read={(text) =>
        mapReading(numberReader(0, MAX_PRICE, "Enter a price, like 4.50.")(text), (price) => ({
          value: price * unitsInOne,
        }))
      }
      onChange={onChange}
    />
  );
}
