import { faultsOf, type Job, Room, RoomId } from "@scutch/contract";
import { Plus } from "lucide-react";
import { useEffect, useId, useRef, useState } from "react";
import { newId } from "../../device/newId.ts";
import { sizeLimit, sizeReader, sizeText } from "../../format/readers.ts";
import { contractFault } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { FieldFrame, inputLook } from "../../ui/FieldFrame.tsx";
import { Readings } from "../../ui/Readings.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { useShortcut } from "../../ui/useShortcut.ts";
import { hasStairs, hubOf, levelSaid, type OpensTo, withNewRoom } from "./addRoom.ts";
import { oddSize } from "./oddSize.ts";
import { oddSizeText } from "./oddSizeText.ts";
import { TemplateChips } from "./TemplateChips.tsx";

/** Names of rooms that are upstairs where there is an upstairs. */
const UPSTAIRS_BY_NAME = /landing|bedroom|nursery|attic|loft|upstairs/i;

type RoomDesk = Pick<JobDesk, "job" | "edit">;

/** The room being typed: its fields, what follows from them, and adding it. */
function useNewRoom({ job, edit }: RoomDesk, isFirst: boolean) {
  const units = useUnits();
  const nameField = useRef<HTMLInputElement>(null);
  const sizeField = useRef<HTMLInputElement>(null);
  const [name, setName] = useState("");
  const [size, setSize] = useState("");
  const [opensTo, setOpensTo] = useState<OpensTo>();
  const [error, setError] = useState<string>();
  const [readings, setReadings] = useState<readonly Room["shape"][]>([]);
  const [odd, setOdd] = useState<Room["shape"]>();
  useShortcut("a", () => nameField.current?.focus());
  useEffect(() => {
    if (isFirst) nameField.current?.focus();
  }, [isFirst]);
  const known = opensTo === "out" || opensTo === "not-said" || job.rooms.some(({ id }) => id === opensTo);
  const guessed = hasStairs(job) && UPSTAIRS_BY_NAME.test(name);
  const [above, setAbove] = useState<boolean>();
  // A level said of any room is an answer: it isn’t asked again on the next visit.
  const asked = above ?? levelSaid(job);
  const level = guessed && asked !== false ? 1 : 0;
  const leads = known && opensTo !== undefined ? opensTo : hubOf(job, level);

  const add = (meant?: Room["shape"], sure = false) => {
    setReadings([]);
    setOdd(undefined);
    const read = meant ? { value: meant } : sizeReader(units)(size);
    if ("error" in read) {
      setReadings(read.readings ?? []);
      return setError(read.error);
    }
    const room = Room.safeParse({
      id: newId(RoomId),
      name: name.trim() || `Room ${job.rooms.length + 1}`,
      shape: read.value,
      ...(guessed ? { level } : {}),
    });
    if (!room.success) {
      const [fault] = faultsOf(room.error);
      return setError(fault && contractFault(fault, (limit) => sizeLimit(units)(limit, fault.path.at(-1))));
    }
    if (!sure && oddSize(read.value, job.rooms)) return setOdd(read.value);
    const refused = edit((before) => withNewRoom(before, room.data, leads));
    if (refused) return setError(refused);
    setName("");
    setSize("");
    setOpensTo(undefined);
    setError(undefined);
    nameField.current?.focus();
  };
  const forget = () => {
    setError(undefined);
    setReadings([]);
    setOdd(undefined);
  };
  /** Nobody has said whether the first rooms after the stairs are upstairs: asked once. */
  const askAbove = asked === undefined && guessed;
  return {
    nameField,
    sizeField,
    name,
    size,
    leads,
    error,
    readings,
    odd,
    askAbove,
    add,
    forget,
    type: (typed: { readonly name?: string; readonly size?: string }) => {
      if (typed.name !== undefined) setName(typed.name);
      if (typed.size !== undefined) setSize(typed.size);
      forget();
    },
    lead: setOpensTo,
    answerAbove: setAbove,
    changeSize: () => {
      setOdd(undefined);
      sizeField.current?.select();
    },
  };
}
type NewRoom = ReturnType<typeof useNewRoom>;

/** One line for a room: its name if it has one, its size, and its door. Everything else is assumed until it is set. */
export function AddRoom({
  desk,
  isFirst = false,
}: {
  readonly desk: RoomDesk;
  /** Of a job made just now: its first room is typed at once. */
  readonly isFirst?: boolean;
}) {
  const { job } = desk;
  const units = useUnits();
  const ids = useId();
  const room = useNewRoom(desk, isFirst);
  const { nameField, sizeField, name, size, error, add, forget } = room;
  const addOnEnter = (event: React.KeyboardEvent) => {
    if (event.key === "Enter") add();
  };
  const example = units.system === "metric" ? "3.8 x 4.2" : "12'6 x 10";
  return (
    <section
      aria-label="Add room"
      onBlur={(event) => {
        // What was wrong with a field is said while one is at it.
        if (!event.currentTarget.contains(event.relatedTarget)) forget();
      }}
    >
      <TemplateChips desk={desk} />
      <div className="grid grid-cols-[1fr_1fr] gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]">
        <FieldFrame id={`${ids}name`} label="Room">
          <input
            id={`${ids}name`}
            ref={nameField}
            className={inputLook(false)}
            maxLength={120}
            value={name}
            placeholder={`Room ${job.rooms.length + 1}`}
            autoComplete="off"
            onChange={(event) => room.type({ name: event.target.value })}
            onKeyDown={addOnEnter}
          />
        </FieldFrame>
        <FieldFrame
          id={`${ids}size`}
          label="Size, any unit"
          error={error}
          below={<Readings readings={room.readings} show={(shape) => sizeText(shape, units)} onTake={add} />}
        >
          <input
            id={`${ids}size`}
            ref={sizeField}
            className={`${inputLook(error !== undefined)} font-mono`}
            maxLength={80}
            value={size}
            placeholder={example}
            autoComplete="off"
            enterKeyHint="done"
            onFocus={(event) => event.target.select()}
            aria-invalid={error !== undefined}
            aria-describedby={error ? `${ids}size-error` : undefined}
            onChange={(event) => room.type({ size: event.target.value })}
            onKeyDown={addOnEnter}
          />
        </FieldFrame>
        <div className="col-span-2 sm:col-span-1">
          <ChoiceField<OpensTo>
            label="Door to"
            value={room.leads}
            options={[
              { value: "not-said", name: "Not set" },
              { value: "out", name: "Exit" },
              ...job.rooms.map((each) => ({ value: each.id, name: each.name })),
            ]}
            onChange={(value) => room.lead(value)}
          />
        </div>
        <Button className="col-span-2 self-start sm:col-span-1 sm:mt-6" onClick={() => add()}>
          <Plus aria-hidden size={20} /> Add room
        </Button>
      </div>
      <OddSize room={room} job={job} />
      {room.askAbove && (
        <Segmented<"up" | "here" | "">
          label={`Is ${name || "it"} upstairs?`}
          value=""
          options={[
            { value: "up", name: "Upstairs" },
            { value: "here", name: "On this level" },
          ]}
          onChange={(answer) => room.answerAbove(answer === "up")}
        />
      )}
    </section>
  );
}

/** A size many times the other rooms is asked about before it is added. */
function OddSize({ room: { odd, add, changeSize }, job }: { readonly room: NewRoom; readonly job: Job }) {
  const units = useUnits();
  if (!odd) return null;
  return (
    <Callout tone="caution" title={oddSizeText(odd, oddSize(odd, job.rooms), units)}>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => add(odd, true)}>Yes, that’s right</Button>
        <Button onClick={changeSize}>Change size</Button>
      </div>
    </Callout>
  );
}
