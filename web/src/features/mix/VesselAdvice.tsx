import type { BatchChoice, VesselId } from "@scutch/contract";
import { mixesWithoutTip } from "@scutch/core/mix";
import { vesselsFor } from "@scutch/core/plan";
import { useMemo } from "react";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly onTake: (vesselId: VesselId) => void;
}

const fillsText = (count: number) => (count === 1 ? "one fill" : `${count} fills`);

/** A sprayer of the van that would do with fewer fills than the one chosen, in one tap. Nothing where there is none. */
export function VesselAdvice({ desk: { input, work, shelf, job }, batch, onTake }: Props) {
  const planned = input.batches.find(({ id }) => id === batch.id);
  const owned = useMemo(
    // Not one that another mix of the job has: fewer fills aren't worth rinsing between two mixes.
    () =>
      shelf.vessels.filter(
        (vessel) =>
          mixesWithoutTip(vessel) &&
          job.batches.every(({ id, vesselId }) => id === batch.id || vesselId !== vessel.id),
      ),
    [shelf.vessels, job.batches, batch.id],
  );
  if (!planned || planned.tip) return null;
  const now = work.batches.find(({ id }) => id === batch.id)?.batch;
  const [best] = vesselsFor(planned, work, owned);
  const vessel = owned.find(({ id }) => id === best?.id);
  if (!vessel || vessel.id === batch.vesselId || best?.batch.outcome !== "planned") return null;
  const fills = best.batch.fills.length;
  const current = now?.outcome === "planned" ? now.fills.length : undefined;
  if (current !== undefined && fills >= current) return null;
  return (
    <div className="mt-1 border-accent border-l-4 bg-wash px-3 py-2 print:hidden">
      <p>
        {vessel.name}: {fillsText(fills)}
        {current === undefined ? "; you can’t use the one you chose." : ` instead of ${current}.`}
      </p>
      <Button weight="quiet" onClick={() => onTake(vessel.id)}>
        Use this
      </Button>
    </div>
  );
}
