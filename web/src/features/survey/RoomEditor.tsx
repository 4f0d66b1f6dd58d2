import { type Room, RoomId } from "@scutch/contract";
import { workingOfPreSpray, workingOfResidual } from "@scutch/core/clean";
import type { RoomPlan } from "@scutch/core/plan";
import { ArrowDown, ArrowUp, Copy, Trash2, X } from "lucide-react";
import { useSearchParams } from "react-router";
import { newId } from "../../device/newId.ts";
import { joined } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { withoutRoom } from "../../planning/floorPlan.ts";
import { CareStrip } from "../../shared/care/CareStrip.tsx";
import { PhotoStrip } from "../../shared/photos/PhotoStrip.tsx";
import { SpotSection } from "../../shared/spots/SpotSection.tsx";
import { Worked } from "../../shared/working/Worked.tsx";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { moved } from "./order.ts";
import { RoomFloor } from "./RoomFloor.tsx";
import { RoomSize } from "./RoomSize.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly plan: RoomPlan;
  readonly onClose: () => void;
  readonly onSelect: (roomId: string) => void;
}

const PARTS = [
  { value: "size", name: "Size" },
  { value: "floor", name: "Floor" },
  { value: "spots", name: "Spots" },
  { value: "photos", name: "Photos" },
] as const;
type PartName = (typeof PARTS)[number]["value"];

/** What there is to say of one room. A change redraws the plan at once and can be undone. */
export function RoomEditor({ desk, room, plan, onClose, onSelect }: Props) {
  const units = useUnits();
  const [search, setSearch] = useSearchParams();
  const { job, edit } = desk;
  const part = PARTS.find(({ value }) => value === search.get("part"))?.value ?? "size";
  const open = (value: PartName) =>
    setSearch({ room: room.id, part: value }, { replace: true, preventScrollReset: true });
  const place = job.rooms.findIndex((each) => each.id === room.id);
  const move = (by: number) => edit((before) => ({ ...before, rooms: moved(before.rooms, place, by) }));
  const copy = () => {
    const { nudge: _, ...rest } = room;
    const twin: Room = { ...rest, id: newId(RoomId), name: `${room.name}, copy`.slice(0, 120) };
    if (!edit((before) => ({ ...before, rooms: before.rooms.toSpliced(place + 1, 0, twin) })))
      onSelect(twin.id);
  };
  const remove = () => {
    edit((before) => withoutRoom(before, room.id));
    onClose();
  };
  const spots = (job.spots ?? []).filter((spot) => spot.roomId === room.id).length;
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
      {!room.passage && (
        <p className="mb-3 text-sm text-soft">
          Takes{" "}
          <Worked label="Pre-spray" working={() => workingOfPreSpray(plan)} className="font-mono text-ink">
            {joined(units.volume(plan.preSpray))}
          </Worked>{" "}
          of pre-spray, keeps{" "}
          <Worked label="Residual" working={() => workingOfResidual(plan)} className="font-mono text-ink">
            {units.massPerArea(plan.residualMeasured ? plan.residual : plan.water.residual)}
          </Worked>{" "}
          of water.
        </p>
      )}
      <CareStrip desk={desk} room={room} />
      <Segmented
        label="Part of the room"
        labelHidden
        value={part}
        options={PARTS.map(({ value, name }) => ({
          value,
          name: value === "spots" && spots > 0 ? `${name} ${spots}` : name,
        }))}
        onChange={open}
      />
      <div className="mt-3">
        {part === "size" && <RoomSize desk={desk} room={room} />}
        {part === "floor" && <RoomFloor desk={desk} room={room} plan={plan} />}
        {part === "spots" && <SpotSection desk={desk} room={room} />}
        {part === "photos" && <PhotoStrip desk={desk} roomId={room.id} />}
      </div>
      {part === "size" && (
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
      )}
    </section>
  );
}
