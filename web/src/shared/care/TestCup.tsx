import type { Product, Room } from "@scutch/contract";
import { concentratePerWater, testCup } from "@scutch/core/mix";
import { formatAmount, scoopsOf } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { formInHand, marksIn } from "../products/measures.ts";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly product: Product;
}

/** How to mix enough of a product for a cloth: at the strength this room gets it, before any fill is made. */
export function TestCup({ desk, room, product }: Props) {
  const units = useUnits();
  const choices = desk.job.batches.filter(({ productId }) => productId === product.id);
  const batch = desk.work.batches.find(
    ({ roomIds, id }) => roomIds.includes(room.id) && choices.some((each) => each.id === id),
  );
  const strength = concentratePerWater(batch?.strength ?? product.ordinary);
  const atHand = [...choices.map(({ measure }) => measure), ...marksIn(desk.shelf.gear)];
  const cup = testCup(product, strength, formInHand(product, units.system, atHand));
  if (!cup) return null;
  return (
    <p className="mt-1">
      Test cup: <strong>{formatAmount(units.amount(cup.water))} of water</strong>, then{" "}
      <strong>
        {cup.powder
          ? `${formatAmount(scoopsOf(cup.powder.scoops))} (${formatAmount(units.powder(cup.powder.mass))})`
          : formatAmount(units.amount(cup.concentrate))}
      </strong>{" "}
      of {product.name}.
    </p>
  );
}
