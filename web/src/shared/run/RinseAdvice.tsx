import type { VesselId } from "@scutch/contract";
import { mixesWithoutTip, usableVolume } from "@scutch/core/mix";
import { sharedVessels } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";

const countText = (rinses: number) => (rinses === 1 ? "one rinse" : `${rinses} rinses`);

/** Where mixes share a sprayer: what a second one would save, and the one in the van that stands unused. */
export function RinseAdvice({ desk: { job, shelf, work, edit } }: { readonly desk: JobDesk }) {
  const inUse = new Set<string>(job.batches.map(({ vesselId }) => vesselId));
  const free = shelf.vessels.filter((vessel) => mixesWithoutTip(vessel) && !inUse.has(vessel.id));
  return sharedVessels(work.turns).map(({ vesselId, batchIds, rinses, seconds }) => {
    const vessel = shelf.vessels.find(({ id }) => id === vesselId);
    // The mix that joined last moves: the first keeps its sprayer.
    const moving = job.batches.find(({ id }) => id === batchIds.at(-1));
    const product = shelf.products.find(({ id }) => id === moving?.productId);
    const spare = free.toSorted((a, b) => usableVolume(b) - usableVolume(a))[0];
    const saves = `saves ${countText(rinses)}, ${formatDuration(seconds)}`;
    const take = (id: VesselId) =>
      edit((before) => ({
        ...before,
        batches: before.batches.map((each) => (each.id === moving?.id ? { ...each, vesselId: id } : each)),
      }));
    return (
      <Callout
        key={vesselId}
        tone="advice"
        title={
          spare && product
            ? `${spare.name} for ${product.name} ${saves}.`
            : `A second sprayer like ${vessel?.name ?? "this one"} ${saves}.`
        }
      >
        Your mixes share {vessel?.name ?? "one sprayer"}, so it is emptied and rinsed between them.{" "}
        {spare && product && (
          <Button weight="quiet" onClick={() => take(spare.id)}>
            Use this
          </Button>
        )}
      </Callout>
    );
  });
}
