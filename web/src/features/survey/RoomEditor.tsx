import { type Room, RoomId } from "@scutch/contract";
import { ASSUMED, type RoomPlan, USUAL_PILE, workingOfPreSpray, workingOfResidual } from "@scutch/core/plan";
import { showQuantity } from "@scutch/core/quantity";
import { ArrowDown, ArrowUp, Copy, Trash2, X } from "lucide-react";
import { useUnits } from "../../app/store.ts";
import { joined } from "../../format/units.ts";
import { COVERING_NAMES, FIBRE_NAMES, METHOD_NAMES, SOIL_NAMES } from "../../format/words.ts";
import { newId } from "../../offline/newId.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import type { JobDesk, ShowLimit } from "../job/useJobDesk.ts";
import { withRoom } from "../job/withRoom.ts";
import { Worked } from "../working/Worked.tsx";
import { AirFields } from "./AirFields.tsx";
import { moved } from "./order.ts";
import { reads, readsName, readsSize, sizeLimit, sizeText } from "./readers.ts";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly plan: RoomPlan;
  readonly onClose: () => void;
  readonly onSelect: (roomId: string) => void;
}

const SOILS = [1, 2, 3, 4, 5] as const;

/** What there is to say of one room. A change redraws the plan at once and can be undone. */
export function RoomEditor({ desk, room, plan, onClose, onSelect }: Props) {
  const units = useUnits();
  const { job, edit, shelf } = desk;
  const set = (change: Partial<Room>, showLimit?: ShowLimit) =>
    edit((before) => withRoom(before, room.id, change), showLimit);
  const place = job.rooms.findIndex((each) => each.id === room.id);
  const move = (by: number) => edit((before) => ({ ...before, rooms: moved(before.rooms, place, by) }));
  const copy = () => {
    const twin: Room = { ...room, id: newId(RoomId), name: `${room.name}, copy`.slice(0, 120) };
    if (!edit((before) => ({ ...before, rooms: before.rooms.toSpliced(place + 1, 0, twin) })))
      onSelect(twin.id);
  };
  const remove = () => {
    edit((before) => ({ ...before, rooms: before.rooms.filter((each) => each.id !== room.id) }));
    onClose();
  };
  const covering = room.covering ?? ASSUMED.covering;
  const short = units.system === "metric" ? "mm" : "in";
  const showPile = (value: number) => showQuantity(value, short, short === "mm" ? 1 : 2);
  return (
    <section aria-label={room.name} className="border-accent border-t-4 bg-paper px-4 pt-3 pb-5">
      <div className="flex items-center justify-between">
        <h2 className="font-bold text-xl">{room.name}</h2>
        <button
          type="button"
          aria-label="Close the room"
          onClick={onClose}
          className="-mr-3 grid size-12 place-items-center"
        >
          <X aria-hidden size={22} />
        </button>
      </div>
      <p className="mb-3 text-sm text-soft">
        Takes{" "}
        <Worked label="Pre-spray" working={() => workingOfPreSpray(plan)} className="font-mono text-ink">
          {joined(units.volume(plan.preSpray))}
        </Worked>{" "}
        of pre-spray, keeps{" "}
        <Worked label="Residual" working={() => workingOfResidual(plan)} className="font-mono text-ink">
          {units.massPerArea(plan.water.residual)}
        </Worked>{" "}
        of water.
      </p>
      <div className="grid grid-cols-2 gap-x-3 gap-y-3">
        <QuantityField
          label="Name"
          value={room.name}
          show={(name) => name}
          words
          read={readsName}
          onChange={(name) => set({ name: name ?? room.name })}
        />
        <QuantityField
          label="Size"
          value={room.shape}
          show={(shape) => sizeText(shape, units)}
          read={readsSize(units)}
          onChange={(shape) => shape && set({ shape }, sizeLimit(units))}
        />
        <ChoiceField
          label="Covering"
          value={room.covering}
          assumed={ASSUMED.covering}
          options={optionsOf(COVERING_NAMES)}
          onChange={(value) => void set({ covering: value })}
        />
        <ChoiceField
          label="Fibre"
          value={room.fibre}
          assumed={ASSUMED.fibre}
          options={optionsOf(FIBRE_NAMES)}
          onChange={(value) => void set({ fibre: value })}
        />
        <QuantityField
          label="Pile height"
          value={room.pileHeight}
          assumed={USUAL_PILE[covering].pileHeight}
          show={showPile}
          read={reads("length", short)}
          onChange={(pileHeight) => set({ pileHeight }, showPile)}
        />
        <QuantityField
          label="Ceiling"
          value={room.height}
          assumed={ASSUMED.height}
          show={units.length}
          read={reads("length", units.bare.length)}
          onChange={(height) => set({ height }, units.length)}
        />
      </div>
      <div className="mt-3 grid gap-3">
        <Segmented
          label={`Soil: ${SOIL_NAMES[plan.soil].toLowerCase()}`}
          value={plan.soil}
          assumed={room.soil === undefined}
          options={SOILS.map((soil) => ({ value: soil, name: String(soil) }))}
          onChange={(soil) => void set({ soil })}
        />
        <div className="grid grid-cols-2 gap-3">
          <ChoiceField
            label="Method"
            value={room.method}
            assumed={ASSUMED.method}
            options={optionsOf(METHOD_NAMES)}
            onChange={(method) => void set({ method })}
          />
          {job.batches.length > 1 && (
            <ChoiceField
              label="Sprayed from"
              value={room.batchId ?? job.batches[0]?.id}
              options={job.batches.map((batch) => ({
                value: batch.id,
                name: shelf.products.find(({ id }) => id === batch.productId)?.name ?? "Unknown product",
              }))}
              onChange={(batchId) => void set({ batchId })}
            />
          )}
        </div>
        <label className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            className="size-6 accent-accent"
            checked={room.padAfter ?? false}
            onChange={(event) => void set({ padAfter: event.target.checked })}
          />
          Absorbent pad after cleaning
        </label>
        <AirFields
          title="Air in this room, where it differs"
          air={room.air}
          assumed={job.indoor ?? ASSUMED.indoor}
          onChange={(air) => set({ air })}
        />
      </div>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button disabled={place === 0} onClick={() => move(-1)} aria-label="Earlier in the walk-out order">
          <ArrowUp aria-hidden size={18} /> Earlier
        </Button>
        <Button
          disabled={place === job.rooms.length - 1}
          onClick={() => move(1)}
          aria-label="Later in the walk-out order"
        >
          <ArrowDown aria-hidden size={18} /> Later
        </Button>
        <Button onClick={copy}>
          <Copy aria-hidden size={18} /> Copy
        </Button>
        <Button onClick={remove} className="text-stop">
          <Trash2 aria-hidden size={18} /> Remove
        </Button>
      </div>
    </section>
  );
}
