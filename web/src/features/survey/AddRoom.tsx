import { faultsOf, type Room, RoomId, RoomShape } from "@scutch/contract";
import { Plus } from "lucide-react";
import { useId, useRef, useState } from "react";
import { useUnits } from "../../app/store.ts";
import { useKey } from "../../app/useKey.ts";
import { contractFault } from "../../format/words.ts";
import { newId } from "../../offline/newId.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldFrame, inputLook } from "../../ui/FieldFrame.tsx";
import { readsSize, sizeLimit } from "./readers.ts";

interface Props {
  readonly count: number;
  /** A returned sentence refuses the room. */
  readonly onAdd: (room: Room) => string | undefined;
}

/** One line for a room: its name if it has one, and its size. Everything else is assumed until said. */
export function AddRoom({ count, onAdd }: Props) {
  const units = useUnits();
  const ids = useId();
  const nameField = useRef<HTMLInputElement>(null);
  const [name, setName] = useState("");
  const [size, setSize] = useState("");
  const [error, setError] = useState<string>();
  useKey("a", () => nameField.current?.focus());

  const add = () => {
    const read = readsSize(units)(size);
    if ("error" in read) return setError(read.error);
    const shape = RoomShape.safeParse(read.value);
    if (!shape.success) {
      const [fault] = faultsOf(shape.error);
      return setError(fault && contractFault(fault, (limit) => sizeLimit(units)(limit, fault.path.at(-1))));
    }
    const refused = onAdd({ id: newId(RoomId), name: name.trim() || `Room ${count + 1}`, shape: shape.data });
    if (refused) return setError(refused);
    setName("");
    setSize("");
    setError(undefined);
    nameField.current?.focus();
  };
  const addOnEnter = (event: React.KeyboardEvent) => {
    if (event.key === "Enter") add();
  };
  const example = units.system === "metric" ? "3.8 x 4.2" : "12'6 x 10";
  return (
    <div className="grid grid-cols-[1fr_1fr] gap-3 sm:grid-cols-[1fr_1fr_auto]">
      <FieldFrame id={`${ids}name`} label="Room">
        <input
          id={`${ids}name`}
          ref={nameField}
          className={inputLook(false)}
          maxLength={120}
          value={name}
          placeholder={`Room ${count + 1}`}
          autoComplete="off"
          onChange={(event) => setName(event.target.value)}
          onKeyDown={addOnEnter}
        />
      </FieldFrame>
      <FieldFrame id={`${ids}size`} label="Size, any unit" error={error}>
        <input
          id={`${ids}size`}
          className={`${inputLook(error !== undefined)} font-mono`}
          maxLength={80}
          value={size}
          placeholder={example}
          autoComplete="off"
          enterKeyHint="done"
          aria-invalid={error !== undefined}
          aria-describedby={error ? `${ids}size-error` : undefined}
          onChange={(event) => {
            setSize(event.target.value);
            setError(undefined);
          }}
          onKeyDown={addOnEnter}
        />
      </FieldFrame>
      <Button className="col-span-2 self-start sm:col-span-1 sm:mt-6" onClick={add}>
        <Plus aria-hidden size={20} /> Add room
      </Button>
    </div>
  );
}
