import { BatchId, MOST_BATCHES } from "@scutch/contract";
import { Plus } from "lucide-react";
import { newId } from "../../device/newId.ts";
import { useDesk } from "../../planning/openDesk.ts";
import { NoRooms } from "../../shared/NoRooms.tsx";
import { isForMixing, MEASURES } from "../../shared/products/measures.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Empty } from "../../ui/States.tsx";
import { BatchSection } from "./BatchSection.tsx";
import { PrintMixSheet } from "./MixSheet.tsx";
import { RinseSection } from "./RinseSection.tsx";

/** What to make, fill by fill. */
export function MixScreen() {
  const desk = useDesk();
  const units = useUnits();
  const { job, shelf, edit } = desk;
  const [product] = shelf.products;
  const vessel = shelf.vessels.find(isForMixing);
  const addBatch = () => {
    if (!product || !vessel) return;
    const batch = {
      id: newId(BatchId),
      productId: product.id,
      vesselId: vessel.id,
      measure: MEASURES[units.system][1].value,
    };
    edit((before) => ({ ...before, batches: [...before.batches, batch] }));
  };
  if (job.rooms.length === 0) return <NoRooms title="Nothing to mix for yet." follows="its fills stand" />;
  return (
    <div className="px-4 pt-5 sm:px-7">
      {job.batches.map((batch, i) => (
        <BatchSection key={batch.id} desk={desk} batch={batch} number={i + 1} />
      ))}
      {job.batches.length === 0 && (
        <Empty title="No mix chosen yet.">Take a product and a sprayer, and the fills follow.</Empty>
      )}
      {job.batches.length > 0 && <RinseSection desk={desk} />}
      <div className="flex flex-wrap gap-3">
        {product && vessel && job.batches.length < MOST_BATCHES && (
          <Button onClick={addBatch} className="print:hidden">
            <Plus aria-hidden size={20} />{" "}
            {job.batches.length === 0 ? "Choose a mix" : "Another mix, for other rooms"}
          </Button>
        )}
        {job.batches.length > 0 && <PrintMixSheet desk={desk} />}
      </div>
    </div>
  );
}
