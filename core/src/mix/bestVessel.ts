import { type Batch, planBatch } from "./batch.ts";
import type { BatchRequest } from "./batchTypes.ts";
import type { Vessel } from "./vessel.ts";

/** A vessel of the van with what a batch in it would come to. */
export interface VesselChoice {
  readonly id: string;
  readonly batch: Batch;
}

/** A vessel owned; injection sprayers bring the tip that is in them. */
export interface OwnedVessel extends Vessel {
  readonly id: string;
}

type Planned = Extract<Batch, { readonly outcome: "planned" }>;
const ownEnds = ({ fills }: Planned) => fills.filter((fill) => fill.endsWithRoom).length;
const heaviest = ({ fills }: Planned) => Math.max(0, ...fills.map(({ mass }) => mass));

/**
 * The vessels owned, best for a batch first (docs/model.md §3): those it can be made in before those it can't; fewest fills; most
 * of them ending between rooms; least left over; lightest fill to carry; then as listed.
 */
export function rankVessels(
  request: Omit<BatchRequest, "vessel">,
  vessels: readonly OwnedVessel[],
): VesselChoice[] {
  const choices = vessels.map(
    (vessel): VesselChoice => ({ id: vessel.id, batch: planBatch({ ...request, vessel }) }),
  );
  return choices.toSorted((one, other) => {
    const [a, b] = [one.batch, other.batch];
    if (a.outcome !== "planned" || b.outcome !== "planned")
      return Number(b.outcome === "planned") - Number(a.outcome === "planned");
    return (
      a.fills.length - b.fills.length ||
      ownEnds(b) - ownEnds(a) ||
      compare(a.leftOver, b.leftOver) ||
      compare(heaviest(a), heaviest(b))
    );
  });
}

/** Less than a drop apart is the same. */
const compare = (a: number, b: number) => (Math.abs(a - b) < 1e-9 ? 0 : a - b);
