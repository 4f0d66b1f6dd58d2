import type { Part, Room } from "@scutch/contract";
import { WALLS } from "@scutch/core/floor";
import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import type { ShowLimit } from "../../format/readers.ts";
import { quantityReader } from "../../format/readers.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";

interface Props {
  readonly room: Room;
  readonly set: (change: Partial<Room>, showLimit?: ShowLimit) => string | undefined;
}

const ROOM_PARTS = [
  { value: "alcove", name: "Alcove or bay" },
  { value: "fixed-unit", name: "Fixed unit" },
  { value: "hearth", name: "Hearth, chimney breast" },
] as const;
const STAIR_PARTS = [{ value: "landing", name: "Landing" }] as const;
const WALL_NAMES = { top: "Top", right: "Right", bottom: "Bottom", left: "Left" } as const;

/** Alcoves and landings add carpet; what is built in takes some away. */
export function PartFields({ room, set }: Props) {
  const units = useUnits();
  const [refused, setRefused] = useState<string>();
  const parts = room.parts ?? [];
  const stairs = room.shape.kind === "stairs";
  const kinds: readonly { readonly value: Part["kind"]; readonly name: string }[] = stairs
    ? STAIR_PARTS
    : ROOM_PARTS;
  const change = (next: readonly Part[]) => {
    const sentence = set({ parts: next.length > 0 ? [...next] : undefined }, units.length);
    setRefused(sentence);
    return sentence;
  };
  const setPart = (place: number, part: Part) => change(parts.with(place, part));
  const add = () =>
    change([
      ...parts,
      stairs ? { kind: "landing", width: 0.9, depth: 0.9 } : { kind: "fixed-unit", width: 0.6, depth: 0.4 },
    ]);
  return (
    <fieldset className="grid gap-2">
      <legend className="font-semibold">{stairs ? "Landings" : "Alcoves and fixed units"}</legend>
      {parts.map((part, place) => (
        <div key={place} className="grid grid-cols-[1fr_1fr_3rem] items-end gap-2 border-rule border-t pt-2">
          <ChoiceField
            label="Kind"
            value={part.kind}
            options={kinds}
            onChange={(kind) => void setPart(place, { ...part, kind })}
          />
          {!stairs && (
            <ChoiceField
              label="At its wall"
              value={part.wall ?? "top"}
              options={WALLS.map((wall) => ({ value: wall, name: WALL_NAMES[wall] }))}
              onChange={(wall) => void setPart(place, { ...part, wall })}
            />
          )}
          <button
            type="button"
            aria-label="Remove part"
            onClick={() => void change(parts.toSpliced(place, 1))}
            className="col-start-3 grid size-12 place-items-center text-stop"
          >
            <Trash2 aria-hidden size={18} />
          </button>
          <QuantityField
            label="Width"
            value={part.width}
            show={units.length}
            read={quantityReader("length", units.bare.length)}
            onChange={(width) => (width === undefined ? undefined : setPart(place, { ...part, width }))}
          />
          <QuantityField
            label="Depth"
            value={part.depth}
            show={units.length}
            read={quantityReader("length", units.bare.length)}
            onChange={(depth) => (depth === undefined ? undefined : setPart(place, { ...part, depth }))}
          />
        </div>
      ))}
      <FieldError sentence={refused} />
      <Button weight="quiet" className="justify-self-start" onClick={add}>
        <Plus aria-hidden size={18} /> {stairs ? "Add landing" : "Add alcove, fixed unit or hearth"}
      </Button>
    </fieldset>
  );
}
