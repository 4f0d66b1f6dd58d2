import { BatchId, MAX_BATCHES, type Room } from "@scutch/contract";
import { METHOD_FIGURES } from "@scutch/core/clean";
import { isForMixing } from "@scutch/core/mix";
import { productsThatSuit } from "@scutch/core/plan";
import { Plus, Printer } from "lucide-react";
import { newId } from "../../device/newId.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useDesk } from "../../planning/openDesk.ts";
import { careFor } from "../../shared/care/careFor.ts";
import { NoRooms } from "../../shared/NoRooms.tsx";
import { MEASURES } from "../../shared/products/measures.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Empty } from "../../ui/States.tsx";
import { BatchSection } from "./BatchSection.tsx";
import { MixSheet } from "./MixSheet.tsx";
import { RinseSection } from "./RinseSection.tsx";

/** Rooms to be sprayed that no mix is for, or whose own the rules forbid. */
function roomsLeft(desk: JobDesk): readonly Room[] {
  const forbidden = new Set(
    careFor(desk.input)
      .rooms.filter(({ danger, product }) => danger === "stop" && product?.verdict === "stop")
      .map(({ roomId }) => roomId),
  );
  return desk.job.rooms.filter((room) => {
    const known = desk.work.rooms.find(({ id }) => id === room.id);
    if (!known || known.passage || METHOD_FIGURES[known.method].wetting === "dry") return false;
    return known.batchId === undefined || forbidden.has(room.id);
  });
}

/** What to make, fill by fill. */
export function MixScreen() {
  const desk = useDesk();
  const units = useUnits();
  const { job, shelf, edit } = desk;
  // A new mix is for the rooms none is for yet and those the rules keep from theirs, and starts from what suits them.
  const left = roomsLeft(desk);
  const [product] = productsThatSuit(left.length > 0 ? left : job.rooms, shelf.products);
  const free = (each: { readonly id: string }) => job.batches.every(({ vesselId }) => vesselId !== each.id);
  const mixers = shelf.vessels.filter(isForMixing);
  const vessel = mixers.find(free) ?? mixers[0];
  const addBatch = () => {
    if (!product || !vessel) return;
    const batch = {
      id: newId(BatchId),
      productId: product.id,
      vesselId: vessel.id,
      measure: MEASURES[units.system][1].value,
    };
    const takes = left.map(({ id }) => id);
    edit((before) => ({
      ...before,
      batches: [...before.batches, batch],
      rooms: before.rooms.map((room) =>
        takes.includes(room.id) ? { ...room, batchId: batch.id, unsprayed: undefined } : room,
      ),
    }));
  };
  if (job.rooms.length === 0) return <NoRooms title="Nothing to mix yet." follows="its fills" />;
  return (
    <div className="px-4 pt-5 sm:px-7">
      {/* On paper the sheet takes the screen's place, whichever way it is printed. */}
      <div className="print:hidden">
        {job.batches.map((batch, i) => (
          <BatchSection key={batch.id} desk={desk} batch={batch} number={i + 1} />
        ))}
        {job.batches.length === 0 && (
          <Empty title="No mix yet.">Choose a product and sprayer to see the fills.</Empty>
        )}
        {job.batches.length > 0 && <RinseSection desk={desk} />}
        <div className="flex flex-wrap gap-3">
          {product && vessel && job.batches.length < MAX_BATCHES && (
            <Button onClick={addBatch} className="print:hidden">
              <Plus aria-hidden size={20} />{" "}
              {job.batches.length === 0
                ? "Add a mix"
                : left.length > 0
                  ? `Add a mix for ${left.map(({ name }) => name).join(", ")}`
                  : "Add a mix for other rooms"}
            </Button>
          )}
          {job.batches.length > 0 && (
            <Button className="print:hidden" onClick={() => print()}>
              <Printer aria-hidden size={18} /> Print mix sheet
            </Button>
          )}
        </div>
      </div>
      {job.batches.length > 0 && <MixSheet desk={desk} />}
    </div>
  );
}
