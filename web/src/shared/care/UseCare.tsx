import type { ProductId, RoomId } from "@scutch/contract";
import { judgeProduct } from "@scutch/core/care";
import { careFloor, dyeTestStatusOf, hazardsOnFloor } from "@scutch/core/plan";
import type { JobDesk } from "../../planning/desk.ts";
import { Cautions, Stops } from "./CareStrip.tsx";
import { FloorReaction } from "./FloorMeeting.tsx";
import { FloorTestNote } from "./FloorTestNote.tsx";
import { productsOn } from "./productsOn.ts";

interface Props {
  readonly desk: JobDesk;
  readonly roomId: RoomId;
  readonly productId: ProductId;
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
      {hazardsOnFloor(product, earlier, desk.job.rig?.rinseTemperature).map((hazard) => (
        <FloorReaction key={hazard.pair.join()} hazard={hazard} />
      ))}
      {judgement.verdict !== "stop" && (
        <FloorTestNote
          desk={desk}
          room={room}
          product={product}
          gate={dyeTestStatusOf(desk.input, room, product.id)}
        />
      )}
      <Cautions judgements={[{ about: product.name, judgement }]} />
    </div>
  );
}
