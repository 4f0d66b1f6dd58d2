import { type BatchChoice, BatchId, type Job, MAX_BATCHES, type RoomId } from "@scutch/contract";
import { namesById } from "@scutch/core";
import { METHOD_FIGURES } from "@scutch/core/clean";
import { concentratePerWater } from "@scutch/core/mix";
import { type BatchPlan, heaviestOf, mixFor } from "@scutch/core/plan";
import { newId } from "../../device/newId.ts";
import { strengthOf } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { MultiSelect } from "../../ui/MultiSelect.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly planned: BatchPlan | undefined;
}

/**
 * A job whose rooms `ids`, and of those that may be no others, are sprayed from a mix. One taken off it goes to another mix made
 * for its floor, else it isn't sprayed.
 */
function sprayedFrom(
  { input, work }: JobDesk,
  job: Job,
  batch: BatchChoice,
  ids: readonly RoomId[],
  may: readonly RoomId[],
): Job {
  const others = input.batches.filter(({ id }) => id !== batch.id);
  return {
    ...job,
    rooms: job.rooms.map((room) => {
      if (!may.includes(room.id)) return room;
      if (ids.includes(room.id)) return { ...room, batchId: batch.id, unsprayed: undefined };
      if (work.rooms.find(({ id }) => id === room.id)?.batchId !== batch.id) return room;
      const fitting = mixFor({ ...room, batchId: undefined }, others);
      const other = job.batches.find(({ id }) => id === fitting?.id)?.id;
      return other ? { ...room, batchId: other } : { ...room, unsprayed: true };
    }),
  };
}

/** Which rooms a mix is for, to tap. */
export function MixRooms({ desk, batch }: Pick<Props, "desk" | "batch">) {
  const { job, work, edit } = desk;
  const may = work.rooms
    .filter(({ method, passage }) => !passage && METHOD_FIGURES[method].wetting !== "dry")
    .map(({ id }) => id as RoomId);
  const names = namesById(job.rooms.filter(({ id }) => may.includes(id)));
  const chosen = work.rooms.filter(({ batchId }) => batchId === batch.id).map(({ id }) => id as RoomId);
  return (
    <MultiSelect
      label="Rooms"
      names={names}
      chosen={chosen}
      onChange={(ids) => void edit((before) => sprayedFrom(desk, before, batch, ids, may))}
    />
  );
}

/** That one heavy room makes a mix stronger for all of them, and the way to give it its own. */
export function HeavyRoom({ desk, batch, planned }: Props) {
  const units = useUnits();
  const { job, work, edit, input } = desk;
  const own = input.batches.find(({ id }) => id === batch.id);
  const heavy = own && planned && heaviestOf(own, planned, work.rooms);
  if (!heavy) return null;
  const names = heavy.roomIds.map((id) => nameById(job.rooms, id, "a removed room")).join(", ");
  const powder = own.product.scoop !== undefined;
  const splitOffBatch = () => {
    const next: BatchChoice = { ...batch, id: newId(BatchId), carried: undefined };
    void edit((before) => ({
      ...before,
      batches: [...before.batches, next],
      rooms: before.rooms.map((room) =>
        heavy.roomIds.includes(room.id) ? { ...room, batchId: next.id } : room,
      ),
    }));
  };
  return (
    <div className="mt-3 print:hidden">
      <Callout
        tone="advice"
        title={`${names} ${heavy.roomIds.length === 1 ? "makes" : "make"} the whole mix ${strengthOf(concentratePerWater(heavy.strength), powder, units)}.`}
      >
        The other rooms need {strengthOf(concentratePerWater(heavy.others), powder, units)}.
        {job.batches.length < MAX_BATCHES && (
          <Button className="mt-2 block" onClick={splitOffBatch}>
            Give {names} {heavy.roomIds.length === 1 ? "its own mix" : "their own mix"}
          </Button>
        )}
      </Callout>
    </div>
  );
}
