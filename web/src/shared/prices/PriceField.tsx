import { MAX_PRICE, mapReading, numberReader } from "../../format/readers.ts";
import { useMoney } from "../../state/useMoney.ts";
import { QuantityField } from "../../ui/QuantityField.tsx";

interface Props {
  readonly label: string;
  readonly value: number | undefined;
  /** How many of the units it is asked in are in what it is kept for. */
  readonly unitsInOne?: number;
  readonly placeholder?: string;
  readonly onChange: (price: number | undefined) => string | undefined | undefined;
}

/** A price with the places of its currency, or as many as it was entered with. */
const priceText = (price: number, digits: number) => {
  const exact = String(Number(price.toFixed(4)));
  return (exact.split(".")[1]?.length ?? 0) > digits ? exact : price.toFixed(digits);
};

/** A price in the crew's currency; emptied, it is not set. */
export function PriceField({ label, value, unitsInOne = 1, placeholder = "not set", onChange }: Props) {
  const { digits } = useMoney();
  return (
    <QuantityField
      label={label}
      value={value}
      show={(price) => priceText(price / unitsInOne, digits)}
      placeholder={placeholder}
      read={(text) =>
        mapReading(numberReader(0, MAX_PRICE / unitsInOne, "Enter a price, like 4.50.")(text), (price) => ({
          value: price * unitsInOne,
        }))
      }
      onChange={onChange}
    />
  );
}
