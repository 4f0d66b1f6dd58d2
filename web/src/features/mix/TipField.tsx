import type { BatchChoice, Gear, GearId, Product } from "@scutch/contract";
import { concentratePerWater, nearestTips, type Strength } from "@scutch/core/mix";
import { asRatio, percent } from "../../format/units.ts";
import { ChoiceField } from "../../ui/ChoiceField.tsx";

interface Props {
  readonly gear: readonly Gear[];
  readonly product: Product;
  readonly wanted: Strength | undefined;
  readonly value: BatchChoice["tipId"];
  readonly error: string | undefined;
  readonly onChange: (tipId: GearId) => void;
}

/** The tips of the van. What each would lay with neat concentrate in the jug is said, nearest to the label first. */
export function TipField({ gear, product, wanted, value, error, onChange }: Props) {
  const tips = gear.flatMap((item) => (item.kind === "tip" && item.count > 0 ? [item] : []));
  if (tips.length === 0)
    return <p className="text-sm text-soft">No metering tip in the van. Add one under Van.</p>;
  const label = {
    low: concentratePerWater(product.light),
    high: concentratePerWater(product.heavy),
    wanted: concentratePerWater(wanted ?? product.ordinary),
  };
  const ranked = nearestTips(tips, label);
  const text = (ratio: number, off: number) =>
    Math.abs(off) < 0.005
      ? "right if used neat"
      : `neat ${asRatio(1 / ratio)}, ${percent(Math.abs(off))} too ${off > 0 ? "strong" : "weak"}`;
  return (
    <ChoiceField
      label="Metering tip"
      value={value}
      options={ranked.map(({ tip, off }) => ({
        value: tip.id as GearId,
        name: `1:${tip.ratio} (${text(tip.ratio, off)})`,
      }))}
      error={error}
      hint="The jug is mixed so the floor gets label strength."
      onChange={onChange}
    />
  );
}
