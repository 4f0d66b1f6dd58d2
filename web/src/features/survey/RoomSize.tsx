import type { Room } from "@scutch/contract";
import { DEFAULTS } from "@scutch/core/plan";
import { ArrowBigDown, ArrowBigLeft, ArrowBigRight, ArrowBigUp, RotateCw } from "lucide-react";
import type { ShowLimit } from "../../format/readers.ts";
import { quantityReader } from "../../format/readers.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { withRoom } from "../../planning/withRoom.ts";
import { useUnits } from "../../state/useUnits.ts";
import { CheckBox, ChoiceField } from "../../ui/ChoiceField.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { DoorFields } from "./DoorFields.tsx";
import { levelName } from "./levels.ts";
import { PartFields } from "./PartFields.tsx";
import { SizeField } from "./SizeField.tsx";
import { StairFields } from "./StairFields.tsx";
import { ZoneFields } from "./ZoneFields.tsx";

const LEVELS = [3, 2, 1, 0, -1, -2] as const;
/** m one press pushes a room on the plan. */
const NUDGE = 0.25;

/** How large a room is, what stands in it, where its doors lead and where it lies on the plan. */
export function RoomSize({ desk, room }: { readonly desk: JobDesk; readonly room: Room }) {
  const units = useUnits();
  const { job, edit } = desk;
  const set = (change: Partial<Room>, showLimit?: ShowLimit) =>
    edit((before) => withRoom(before, room.id, change), showLimit);
  const stairs = room.shape.kind === "stairs";
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <div className="max-sm:col-span-2">
          <NameField value={room.name} onChange={(name) => set({ name: name ?? room.name })} />
        </div>
        {!stairs && (
          <div className="max-sm:col-span-2">
            <SizeField room={room} job={job} label="Size" set={set} />
          </div>
        )}
        <QuantityField
          label="Ceiling height"
          value={room.height}
          assumed={DEFAULTS.height}
          show={units.length}
          read={quantityReader("length", units.bare.length)}
          onChange={(height) => set({ height }, units.length)}
        />
        <ChoiceField
          label="Floor level"
          value={room.level ?? 0}
          options={LEVELS.map((level) => ({ value: level, name: levelName(level) }))}
          onChange={(level) => void set({ level })}
        />
      </div>
      {room.shape.kind === "stairs" && (
        <StairFields
          flight={room.shape}
          assumed={room.sizeAssumed ?? false}
          onChange={(shape, show) => set({ shape }, show)}
        />
      )}
      <DoorFields desk={desk} room={room} />
      <PartFields room={room} set={set} />
      {!stairs && <ZoneFields room={room} set={set} />}
      <CheckBox
        label="Walk-through only, not cleaned"
        checked={room.passage ?? false}
        onChange={(passage) => void set({ passage: passage || undefined })}
      />
      {job.rooms.length > 1 && <PlaceButtons room={room} set={set} />}
    </div>
  );
}

function PlaceButtons({
  room,
  set,
}: {
  readonly room: Room;
  readonly set: (change: Partial<Room>) => string | undefined;
}) {
  const nudge = room.nudge ?? { x: 0, y: 0 };
  const push = (x: number, y: number) => () => void set({ nudge: { x: nudge.x + x, y: nudge.y + y } });
  const look = "grid size-12 place-items-center rounded-md border border-rule";
  return (
    <fieldset>
      <legend className="min-h-6 text-sm text-soft">Move it on the plan</legend>
      <div className="flex flex-wrap gap-2">
        <button type="button" aria-label="Move left" className={look} onClick={push(-NUDGE, 0)}>
          <ArrowBigLeft aria-hidden size={20} />
        </button>
        <button type="button" aria-label="Move up" className={look} onClick={push(0, -NUDGE)}>
          <ArrowBigUp aria-hidden size={20} />
        </button>
        <button type="button" aria-label="Move down" className={look} onClick={push(0, NUDGE)}>
          <ArrowBigDown aria-hidden size={20} />
        </button>
        <button type="button" aria-label="Move right" className={look} onClick={push(NUDGE, 0)}>
          <ArrowBigRight aria-hidden size={20} />
        </button>
        <button
          type="button"
          aria-label="Turn 90°"
          className={look}
          onClick={() => void set({ turned: room.turned ? undefined : true })}
        >
          <RotateCw aria-hidden size={20} />
        </button>
      </div>
    </fieldset>
  );
}
