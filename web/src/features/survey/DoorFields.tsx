import { type Door, DoorId, type Room } from "@scutch/contract";
import { WALLS } from "@scutch/core/floor";
import { Plus, Trash2 } from "lucide-react";
import { newId } from "../../device/newId.ts";
import { quantityReader } from "../../format/readers.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { CheckBox, ChoiceField } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";

const WALL_NAMES = { top: "Top", right: "Right", bottom: "Bottom", left: "Left" } as const;
const FOUND = "found";
const OUT = "out";

/** Where a room's doors lead. Their walls are found by themselves until somebody says them. */
export function DoorFields({ desk: { job, edit }, room }: { readonly desk: JobDesk; readonly room: Room }) {
  const units = useUnits();
  const doors = job.doors ?? [];
  const own = doors.filter((door) => door.from === room.id || door.to === room.id);
  const others = job.rooms.filter(({ id }) => id !== room.id);
  const set = (id: Door["id"], change: Partial<Door>) =>
    edit(
      (before) => ({
        ...before,
        doors: (before.doors ?? []).map((door) => (door.id === id ? { ...door, ...change } : door)),
      }),
      units.length,
    );
  const add = () => {
    const known = new Set(own.flatMap((door) => [door.from, door.to]));
    const next = others.find(({ id }) => !known.has(id));
    const door: Door = { id: newId(DoorId), from: room.id, ...(next ? { to: next.id } : {}) };
    edit((before) => ({ ...before, doors: [...(before.doors ?? []), door] }));
  };
  const remove = (id: Door["id"]) =>
    edit((before) => ({ ...before, doors: (before.doors ?? []).filter((door) => door.id !== id) }));
  return (
    <fieldset className="grid gap-2">
      <legend className="font-semibold">Doors</legend>
      {own.length === 0 && (
        <p className="text-caution-ink text-sm">No doors yet. Add one to check the walk-out order.</p>
      )}
      {own.map((door) => {
        const mine = door.from === room.id;
        const beyond = mine ? door.to : door.from;
        return (
          <div
            key={door.id}
            className="grid grid-cols-[1fr_1fr_3rem] items-end gap-2 border-rule border-t pt-2"
          >
            <ChoiceField
              label="Leads to"
              value={(beyond ?? OUT) as string}
              options={[
                { value: OUT, name: "Exit" },
                ...others.map(({ id, name }) => ({ value: id as string, name })),
              ]}
              onChange={(to) => {
                const next = others.find(({ id }) => id === to)?.id;
                set(door.id, { from: room.id, to: next, wall: undefined, offset: undefined });
              }}
            />
            {mine ? (
              <ChoiceField
                label="In its wall"
                value={(door.wall ?? FOUND) as string}
                options={[
                  { value: FOUND, name: "Not set" },
                  ...WALLS.map((wall) => ({ value: wall as string, name: WALL_NAMES[wall] })),
                ]}
                onChange={(wall) => set(door.id, { wall: WALLS.find((each) => each === wall) })}
              />
            ) : (
              <CheckBox
                label="Kept closed"
                checked={door.shut ?? false}
                onChange={(shut) => void set(door.id, { shut: shut || undefined })}
              />
            )}
            <button
              type="button"
              aria-label="Remove door"
              onClick={() => void remove(door.id)}
              className="grid size-12 place-items-center text-stop"
            >
              <Trash2 aria-hidden size={18} />
            </button>
            {mine && door.wall && (
              <QuantityField
                label="From its left or top end"
                value={door.offset}
                show={units.length}
                read={quantityReader("length", units.bare.length)}
                onChange={(offset) => set(door.id, { offset })}
                placeholder="found"
              />
            )}
            {mine && door.to && (
              <CheckBox
                label="Kept closed while drying"
                checked={door.shut ?? false}
                onChange={(shut) => void set(door.id, { shut: shut || undefined })}
              />
            )}
          </div>
        );
      })}
      <Button weight="quiet" className="justify-self-start" onClick={add}>
        <Plus aria-hidden size={18} /> Add door
      </Button>
    </fieldset>
  );
}
