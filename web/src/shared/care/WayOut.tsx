import type { BatchChoice, Product, Room } from "@scutch/contract";
import { allowedProductFor, type RoomCare, type VesselCare } from "@scutch/core/plan";
import type { JobDesk } from "../../planning/desk.ts";
import { unusedMixer, withProduct } from "../../planning/fitMixes.ts";
import { nameById } from "../../planning/nameById.ts";
import { withBatch } from "../../planning/withBatch.ts";
import { Button } from "../../ui/Button.tsx";

/** Rooms of which the rules say the same, and what they say. */
export interface CareGroup {
  readonly rooms: readonly Room[];
  readonly care: RoomCare;
}

/** The product that may be used in these rooms instead, if the shelf has one. */
function insteadOf({ input, shelf }: JobDesk, { rooms }: CareGroup): Product | undefined {
  const ids = new Set<string>(rooms.map(({ id }) => id));
  return allowedProductFor(
    input.rooms.filter(({ id }) => ids.has(id)),
    shelf.products,
    input,
  );
}

/** Where the rules or a test forbid a product in some rooms: the one to take instead, in one tap. Nothing where there is none. */
export function OtherProduct({ desk, group }: { readonly desk: JobDesk; readonly group: CareGroup }) {
  const { rooms, care } = group;
  if (care.product?.verdict !== "stop" && care.gate !== "failed") return null;
  const product = insteadOf(desk, group);
  const ids = rooms.map(({ id }) => id);
  if (!product || !withProduct(desk.job, ids, product.id, desk.shelf)) return null;
  return (
    <Button
      className="mt-2"
      onClick={() => void desk.edit((before) => withProduct(before, ids, product.id, desk.shelf) ?? before)}
    >
      Use {product.name} in {rooms.map(({ name }) => name).join(", ")}
    </Button>
  );
}

/** Where the rules forbid what rides on a mix: leave it out. */
export function WithoutBooster({
  desk,
  batch,
  productId,
}: {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly productId: string;
}) {
  const left = (batch.boosters ?? []).filter((booster) => booster.productId !== productId);
  return (
    <Button
      className="mt-2"
      onClick={() =>
        void desk.edit((before) =>
          withBatch(before, batch.id, { boosters: left.length > 0 ? left : undefined }),
        )
      }
    >
      Leave out {nameById(desk.shelf.products, productId, "the booster")}
    </Button>
  );
}

/** Where two mixes must never meet in a sprayer: another for this one. Nothing where every other has a mix already. */
export function OtherSprayer({
  desk,
  batch,
  care: { batchIds, hazard },
}: {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly care: VesselCare;
}) {
  if (hazard.inVessel !== "never" || batchIds[0] === batchIds[1]) return null;
  const free = unusedMixer(desk.shelf.vessels, desk.job.batches);
  if (!free) return null;
  return (
    <Button
      className="mt-2"
      onClick={() => void desk.edit((before) => withBatch(before, batch.id, { vesselId: free.id }))}
    >
      Make this one in {free.name}
    </Button>
  );
}
