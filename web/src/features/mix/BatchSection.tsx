import type { BatchChoice, Product, Vessel } from "@scutch/contract";
import { fillsOfOthers, foldFills } from "@scutch/core/log";
import { concentratePerWater, explainLeftOver } from "@scutch/core/mix";
import type { BatchPlan } from "@scutch/core/plan";
import { useState } from "react";
import { formatAmount, strengthOf, type UnitFormatter } from "../../format/units.ts";
import { batchFault } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { barredMix, MixCare, stoppedRooms } from "../../shared/care/MixCare.tsx";
import { ExplainedFigure } from "../../shared/explain/ExplainedFigure.tsx";
import { FillSheet } from "../../shared/fill/FillSheet.tsx";
import { entryText } from "../../shared/logging/entryText.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Callout } from "../../ui/Callout.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { BatchChoices } from "./BatchChoices.tsx";
import { BottleLabel } from "./BottleLabel.tsx";
import { FillList } from "./FillList.tsx";
import { HeavyRoom } from "./MixRooms.tsx";
import { RunOut } from "./RunOut.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly number: number;
}

/** What a mix is made of and in, in a line. */
const choicesText = (
  product: Product | undefined,
  vessel: Vessel | undefined,
  planned: BatchPlan | undefined,
  units: UnitFormatter,
) =>
  [
    product?.name,
    vessel?.name,
    planned && strengthOf(concentratePerWater(planned.strength), product?.scoop !== undefined, units),
  ]
    .filter(Boolean)
    .join(" · ");

/** One product in one sprayer for its rooms: the choices, the fills, and the fill to make now. */
export function BatchSection({ desk, batch, number }: Props) {
  const units = useUnits();
  const [opened, setOpened] = useState<number>();
  const product = desk.shelf.products.find(({ id }) => id === batch.productId);
  const vessel = desk.shelf.vessels.find(({ id }) => id === batch.vesselId);
  const planned = desk.work.batches.find(({ id }) => id === batch.id);
  const made = foldFills(desk.log, batch, desk.work.wasted);
  const before = fillsOfOthers(desk.log, batch);
  const fills = planned?.batch.outcome === "planned" ? planned.batch.fills : [];
  const next = fills.findIndex((_, i) => !made.has(i + 1));
  const current = Math.min(opened ?? (next < 0 ? fills.length - 1 : next), fills.length - 1);
  const fill = fills[current];
  const stopped = stoppedRooms(desk, batch);
  return (
    <section
      aria-label={product?.name ?? `Mix ${number}`}
      className={`mb-8 pb-2 ${number > 1 ? "border-ink border-t-2 pt-3" : ""}`}
    >
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[20rem_1fr]">
        <div className="max-lg:order-2">
          <Folded label={choicesText(product, vessel, planned, units)} open={!fill}>
            <BatchChoices
              desk={desk}
              batch={batch}
              product={product}
              vessel={vessel}
              planned={planned}
              number={number}
            />
          </Folded>
        </div>
        <div className="min-w-0">
          {!product || !vessel ? (
            <Callout tone="stop" title="The product or sprayer isn’t on this device. Choose another." />
          ) : planned?.batch.outcome === "impossible" ? (
            <Callout tone="stop" title="You can’t mix this as chosen.">
              {batchFault(planned.batch.fault, units)}
            </Callout>
          ) : planned && fill && planned.batch.outcome === "planned" ? (
            <>
              <MixCare desk={desk} batch={batch} product={product} />
              {before.map((entry) => (
                <p key={entry.id} className="mb-2 border-rule border-l-4 px-4 py-2 text-soft">
                  Already mixed: {entryText(entry, desk, units).said}. Untick the rooms you sprayed with it.
                </p>
              ))}
              <FillList fills={fills} made={made} current={current} onOpen={setOpened} />
              <FillSheet
                key={current}
                desk={desk}
                batch={batch}
                product={product}
                vessel={vessel}
                fill={fill}
                number={current + 1}
                count={fills.length}
                wanted={concentratePerWater(planned.strength)}
                madeBy={made.get(current + 1)}
                halted={stopped}
                barred={barredMix(desk, batch).length > 0}
                onMade={() => setOpened(undefined)}
              />
              <p className="mt-3 text-soft">
                Total {formatAmount(units.volume(planned.batch.made))} of mix,{" "}
                {product.scoop === undefined
                  ? `${formatAmount(units.amount(planned.batch.concentrate))} of it concentrate.`
                  : `with ${formatAmount(units.powder(planned.batch.powder))} of powder.`}{" "}
                <ExplainedFigure
                  label="Left over"
                  working={() =>
                    explainLeftOver(
                      planned.batch as Extract<typeof planned.batch, { outcome: "planned" }>,
                      vessel,
                    )
                  }
                >
                  {formatAmount(units.amount(planned.batch.leftOver))}
                </ExplainedFigure>{" "}
                stays in the sprayer. Use it on the next room with this mix
                {product.potLife === undefined ? " today" : " before its use-by time"}, or empty it to the
                sewer if the label allows.
              </p>
              <HeavyRoom desk={desk} batch={batch} planned={planned} />
              <RunOut desk={desk} batch={batch} product={product} planned={planned} />
              <BottleLabel desk={desk} product={product} batch={batch} planned={planned} made={made} />
            </>
          ) : (
            <p className="py-6 text-soft">No rooms use this mix. Under “Rooms”, tap those it’s for.</p>
          )}
        </div>
      </div>
    </section>
  );
}
