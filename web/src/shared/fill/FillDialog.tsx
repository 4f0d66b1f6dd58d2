import { foldFills } from "@scutch/core/log";
import { concentratePerWater } from "@scutch/core/mix";
import type { JobDesk } from "../../planning/desk.ts";
import { Callout } from "../../ui/Callout.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { barredMix, MixCare, stoppedRooms } from "../care/MixCare.tsx";
import type { EntryBody } from "../logging/useLogging.ts";
import { FillSheet } from "./FillSheet.tsx";

interface Props {
  readonly desk: JobDesk;
  /** Of the run's fill: its mix and which fill of it. */
  readonly fillId: string;
  /** Nothing of it is real: no stop holds it up. */
  readonly practice: boolean;
  /** What is logged with it, and taken back with it. */
  readonly follows: () => readonly EntryBody[];
  readonly onClose: () => void;
}

/** The mix of a run's fill, and which of its fills it is. */
function fillOf({ job, shelf }: JobDesk, fillId: string) {
  const cut = fillId.lastIndexOf(".");
  const batch = job.batches.find(({ id }) => id === fillId.slice(0, cut));
  return {
    number: Number(fillId.slice(cut + 1)),
    batch,
    product: shelf.products.find(({ id }) => id === batch?.productId),
  };
}

/** What a fill is called where it is a step. */
export function fillName(desk: JobDesk, fillId: string): string {
  const { number, product } = fillOf(desk, fillId);
  return `Mix fill ${number}${product ? `, ${product.name}` : ""}`;
}

/** One fill over the step that waits for it: what the mix calls for, its figures, and the tick. */
export function FillDialog({ desk, fillId, practice, follows, onClose }: Props) {
  const { number, batch, product } = fillOf(desk, fillId);
  const vessel = desk.shelf.vessels.find(({ id }) => id === batch?.vesselId);
  const planned = desk.work.batches.find(({ id }) => id === batch?.id);
  const fills = planned?.batch.outcome === "planned" ? planned.batch.fills : [];
  const fill = fills[number - 1];
  return (
    <Dialog open title={fillName(desk, fillId)} onClose={onClose}>
      {batch && product && vessel && planned && fill ? (
        <div className="mt-3 -mx-5 sm:-mx-6">
          {!practice && (
            <div className="px-4 sm:px-6">
              <MixCare desk={desk} batch={batch} product={product} />
            </div>
          )}
          <FillSheet
            key={fillId}
            desk={desk}
            batch={batch}
            product={product}
            vessel={vessel}
            fill={fill}
            number={number}
            count={fills.length}
            wanted={concentratePerWater(planned.strength)}
            madeBy={foldFills(desk.log, batch, desk.work.wasted).get(number)}
            halted={practice ? [] : stoppedRooms(desk, batch)}
            barred={!practice && barredMix(desk, batch).length > 0}
            follows={follows}
            onMade={onClose}
          />
        </div>
      ) : (
        <Callout tone="caution" title="This fill is no longer planned.">
          The mix has changed. Close this to see the next step.
        </Callout>
      )}
    </Dialog>
  );
}
