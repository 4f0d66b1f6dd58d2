import type { RoomId } from "@scutch/contract";
import { type ReactNode, useState } from "react";
import { doseField, reads } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { UseCare } from "../../shared/care/UseCare.tsx";
import { type EntryBody, useLogging } from "../../shared/logging/useLogging.ts";
import { WhenField } from "../../shared/logging/WhenField.tsx";
import { roomChosen, selectRoomChosen } from "../../state/loggedSlice.ts";
import { useAppDispatch, useAppSelector } from "../../state/store.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";

type Kind = "reading" | "product-used" | "room-finished" | "note";

/** The next entry. Kept on this device the moment it is pressed; the room last chosen stays for the next. */
export function EntryForm({ desk }: { readonly desk: JobDesk }) {
  const log = useLogging(desk);
  const [kind, setKind] = useState<Kind>("reading");
  const [round, setRound] = useState(0);
  const dispatch = useAppDispatch();
  const jobId = desk.job.id;
  const chosen = useAppSelector((state) => selectRoomChosen(state, jobId));
  const setRoom = (roomId: RoomId | undefined) => dispatch(roomChosen({ jobId, roomId }));
  const [when, setWhen] = useState<number>();
  const add = (body: EntryBody) => {
    log(body, when);
    setRound(round + 1);
    setWhen(undefined);
  };
  const roomId = desk.job.rooms.some(({ id }) => id === chosen) ? chosen : undefined;
  const Form = {
    reading: ReadingForm,
    "product-used": ProductForm,
    "room-finished": FinishForm,
    note: NoteForm,
  }[kind];
  return (
    <section
      aria-label="New entry"
      className="grid content-start gap-3 self-start border-accent border-t-4 bg-paper px-4 pt-3 pb-5"
    >
      <Segmented
        label="New entry"
        value={kind}
        options={[
          { value: "reading", name: "Reading" },
          { value: "product-used", name: "Product" },
          { value: "room-finished", name: "Finished" },
          { value: "note", name: "Note" },
        ]}
        onChange={setKind}
      />
      <Form key={`${kind} ${round}`} desk={desk} add={add} room={roomId} onRoom={setRoom}>
        <WhenField value={when} onChange={setWhen} />
      </Form>
    </section>
  );
}

interface FormProps {
  readonly desk: JobDesk;
  readonly add: (body: EntryBody) => void;
  /** The room chosen last; undefined: none yet. */
  readonly room: RoomId | undefined;
  readonly onRoom: (roomId: RoomId | undefined) => void;
  /** When it happened. */
  readonly children: ReactNode;
}

function Frame({ onAdd, children }: { readonly onAdd: () => void; readonly children: ReactNode }) {
  return (
    <form
      className="grid gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        // A field is read when it is left: Enter inside one must leave it first.
        (document.activeElement as HTMLElement | null)?.blur();
        setTimeout(onAdd);
      }}
    >
      {children}
      <Button weight="main" type="submit">
        Log it
      </Button>
    </form>
  );
}

const roomsOf = (desk: JobDesk) => desk.job.rooms.map(({ id, name }) => ({ value: id, name }));

/** The room an entry belongs to where it must belong to one: the one chosen last, or the first. */
function ownRoom({ desk, room }: Pick<FormProps, "desk" | "room">): RoomId | undefined {
  return room ?? desk.job.rooms[0]?.id;
}
/** A run is under way, logged step by step, and no step of this room is begun. */
const notBegun = ({ input: { logged, finished = {} } }: JobDesk, roomId: string): boolean =>
  logged !== undefined &&
  finished[roomId] === undefined &&
  !Object.keys(logged).some((id) => id.includes(roomId));
const NO_ROOM = <p className="text-soft">Add a room first: this belongs to one.</p>;

function ReadingForm({ desk, add, room, onRoom, children }: FormProps) {
  const [place, setPlace] = useState<"carpet" | "dry-standard">("carpet");
  const [moisture, setMoisture] = useState<number>();
  const [error, setError] = useState<string>();
  const roomId = ownRoom({ desk, room });
  if (roomId === undefined) return NO_ROOM;
  const submit = () =>
    moisture === undefined
      ? setError("Type what the meter shows, like 19 %.")
      : add({ kind: "reading", roomId, place, moisture });
  return (
    <Frame onAdd={submit}>
      <ChoiceField label="Room" value={roomId} options={roomsOf(desk)} onChange={onRoom} />
      {place === "carpet" && notBegun(desk, roomId) && (
        <p className="text-caution-ink text-sm">Nothing was done in this room yet. Is it the right one?</p>
      )}
      <Segmented
        label="Where"
        value={place}
        options={[
          { value: "carpet", name: "Cleaned carpet" },
          { value: "dry-standard", name: "Untouched place" },
        ]}
        onChange={setPlace}
      />
      <QuantityField
        label="The meter shows"
        value={moisture}
        show={percent}
        read={(text) => {
          const read = reads("share", "percent")(text);
          if ("error" in read || (read.value >= 0 && read.value <= 1)) return read;
          return { error: "A meter shows 0 to 100 %. Read it again." };
        }}
        onChange={(value) => {
          setMoisture(value);
          setError(undefined);
        }}
        fault={error}
      />
      {children}
    </Frame>
  );
}

function ProductForm({ desk, add, room, onRoom, children }: FormProps) {
  const units = useUnits();
  const products = desk.shelf.products.map(({ id, name }) => ({ value: id, name }));
  const [productId, setProduct] = useState(desk.job.batches[0]?.productId ?? products[0]?.value);
  const rooms = roomsOf(desk);
  const [amount, setAmount] = useState<number>();
  const [error, setError] = useState<string>();
  const scoop = desk.shelf.products.find(({ id }) => id === productId)?.scoop;
  const powder = scoop !== undefined;
  if (productId === undefined)
    return <p className="text-soft">No products on the shelf yet. Add one in Mix.</p>;
  const submit = () =>
    amount === undefined || amount <= 0
      ? setError(
          `Type how much was used, like ${powder ? "60 g or 2 scoops" : units.system === "metric" ? "250 ml" : "8 fl oz"}.`,
        )
      : add({
          kind: "product-used",
          productId,
          ...(powder ? { powder: amount } : { amount }),
          ...(room ? { roomId: room } : {}),
        });
  return (
    <Frame onAdd={submit}>
      <ChoiceField
        label="Product"
        value={productId}
        options={products}
        onChange={(next) => {
          setProduct(next);
          setAmount(undefined); // Millilitres of one are not grams of another.
        }}
      />
      <ChoiceField
        label="Room"
        value={(room ?? "") as string}
        options={[
          { value: "", name: "No room in particular" },
          ...rooms.map(({ value, name }) => ({ value: value as string, name })),
        ]}
        onChange={(value) => onRoom(rooms.find((each) => each.value === value)?.value)}
      />
      {room && <UseCare desk={desk} roomId={room} productId={productId} />}
      <QuantityField
        label="Amount used"
        value={amount}
        {...doseField(powder, units, scoop)}
        onChange={(value) => {
          setAmount(value);
          setError(undefined);
        }}
        fault={error}
      />
      {children}
    </Frame>
  );
}

function FinishForm({ desk, add, room, onRoom, children }: FormProps) {
  const roomId = ownRoom({ desk, room });
  if (roomId === undefined) return NO_ROOM;
  return (
    <Frame onAdd={() => add({ kind: "room-finished", roomId })}>
      <ChoiceField label="Room" value={roomId} options={roomsOf(desk)} onChange={onRoom} />
      {children}
      <p className="text-sm text-soft">Its drying is told from then on.</p>
    </Frame>
  );
}

function NoteForm({ add, children }: FormProps) {
  const [text, setText] = useState("");
  const [error, setError] = useState<string>();
  const submit = () =>
    text.trim() === "" ? setError("Type the note first.") : add({ kind: "note", text: text.trim() });
  return (
    <Frame onAdd={submit}>
      <label className="text-sm text-soft">
        Note
        <textarea
          rows={4}
          maxLength={2000}
          className={`${inputLook(error !== undefined)} py-2 text-base`}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setError(undefined);
          }}
        />
      </label>
      <FieldError sentence={error} />
      {children}
    </Frame>
  );
}
