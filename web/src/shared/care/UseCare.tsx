import type { ProductId, RoomId } from "@scutch/contract";
import { judgeProduct } from "@scutch/core/care";
import { standing } from "@scutch/core/log";
import { careFloor, gateOf, hazardsOnFloor } from "@scutch/core/plan";
import { REACTANT_NAMES } from "../../format/careWords.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Callout } from "../../ui/Callout.tsx";
import { Cautions, Stops } from "./CareStrip.tsx";
import { GateNote } from "./GateNote.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly roomId: RoomId;
  readonly productId: ProductId;
}

/** Products that have been on a room's floor, as logged. */
function productsOn({ job, log, shelf }: JobDesk, roomId: RoomId) {
  const room = job.rooms.find(({ id }) => id === roomId);
  const sprayedFrom = room?.batchId ?? job.batches[0]?.id;
  const ids = standing(log).flatMap((entry) => {
    if (entry.kind === "product-used" || entry.kind === "spot-attempt")
      return entry.roomId === roomId && entry.productId ? [entry.productId] : [];
    return entry.kind === "fill-made" && entry.batchId === sprayedFrom ? [entry.productId] : [];
  });
  return shelf.products.filter(({ id }) => ids.includes(id));
}

/** What the care rules say of one product in one room, and of what has been on that floor before. */
export function UseCare({ desk, roomId, productId }: Props) {
  const room = desk.job.rooms.find(({ id }) => id === roomId);
  const product = desk.shelf.products.find(({ id }) => id === productId);
  if (!room || !product) return null;
  const judgement = judgeProduct(product, careFloor(room));
  const earlier = productsOn(desk, roomId).filter(({ id }) => id !== productId);
  return (
    <div className="grid gap-2 empty:hidden">
      <Stops about={product.name} judgement={judgement} />
      {hazardsOnFloor(product, earlier, desk.job.rig?.rinseTemperature).map(
        ({ pair: [a, b], gives, onOneFloor }) => (
          <Callout
            key={`${a} ${b}`}
            tone={onOneFloor === "never" ? "stop" : "caution"}
            title={
              onOneFloor === "never"
                ? `Stop: ${REACTANT_NAMES[a]} and ${REACTANT_NAMES[b]} on one floor.`
                : `Rinse and extract first: ${REACTANT_NAMES[a]} after ${REACTANT_NAMES[b]}.`
            }
          >
            {gives}
          </Callout>
        ),
      )}
      {judgement.verdict !== "stop" && (
        <GateNote desk={desk} room={room} product={product} gate={gateOf(desk.input, room, product.id)} />
      )}
      <Cautions judgements={[{ about: product.name, judgement }]} />
    </div>
  );
}
