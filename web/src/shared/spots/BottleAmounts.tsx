import type { Bottle } from "@scutch/core/mix";
import { formatAmount, scoopsOf } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";

/** What goes into a bottle, in its order. */
export function BottleAmounts({ bottle }: { readonly bottle: Bottle }) {
  const units = useUnits();
  return (
    <>
      <strong>{formatAmount(units.amount(bottle.water))} of water</strong>, then{" "}
      <strong>
        {bottle.powder
          ? `${formatAmount(scoopsOf(bottle.powder.scoops))} (${formatAmount(units.powder(bottle.powder.mass))})`
          : `${formatAmount(units.amount(bottle.concentrate))} of concentrate`}
      </strong>
      .
    </>
  );
}
