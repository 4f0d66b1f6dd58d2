import type { RoomId } from "@scutch/contract";
import { type ReactNode, useState } from "react";
import { doseField, reads } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { UseCare } from "../../shared/care/UseCare.tsx";
import { type EntryBody, useLogging } from "../../shared/logging/useLogging.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";

type Kind = "reading" | "product-used" | "note";
/** The next entry: a reading, a product used, or a note. Kept on this device the moment it is pressed. */
export function EntryForm({ desk }: { readonly desk: JobDesk }) {
  const log = useLogging(desk.job.id);
  const [kind, setKind] = useState<Kind>("reading");
  const [round, setRound] = useState(0);
  const add = (body: EntryBody) => {
    log(body);
    setRound(round + 1);
  };
  const Form = { reading: ReadingForm, "product-used": ProductForm, note: NoteForm }[kind];
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
          { value: "product-used", name: "Product used" },
          { value: "note", name: "Note" },
        ]}
        onChange={setKind}
      />
      <Form key={`${kind} ${round}`} desk={desk} add={add} />
    </section>
  );
}

interface FormProps {
  readonly desk: JobDesk;
  readonly add: (body: EntryBody) => void;
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

const useRooms = (desk: JobDesk) => desk.job.rooms.map(({ id, name }) => ({ value: id, name }));

function ReadingForm({ desk, add }: FormProps) {
  const rooms = useRooms(desk);
  const [roomId, setRoom] = useState(rooms[0]?.value);
  const [place, setPlace] = useState<"carpet" | "dry-standard">("carpet");
  const [moisture, setMoisture] = useState<number>();
  const [error, setError] = useState<string>();
  if (roomId === undefined) return <p className="text-soft">Add a room first: a reading belongs to one.</p>;
  const submit = () =>
    moisture === undefined
      ? setError("Type what the meter shows, like 19 %.")
      : add({ kind: "reading", roomId, place, moisture });
  return (
    <Frame onAdd={submit}>
      <ChoiceField label="Room" value={roomId} options={rooms} onChange={setRoom} />
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
    </Frame>
  );
}

function ProductForm({ desk, add }: FormProps) {
  const units = useUnits();
  const products = desk.shelf.products.map(({ id, name }) => ({ value: id, name }));
  const [productId, setProduct] = useState(desk.job.batches[0]?.productId ?? products[0]?.value);
  const rooms = useRooms(desk);
  const [roomId, setRoom] = useState<RoomId>();
  const [amount, setAmount] = useState<number>();
  const [error, setError] = useState<string>();
  const powder = desk.shelf.products.find(({ id }) => id === productId)?.scoop !== undefined;
  if (productId === undefined)
    return <p className="text-soft">No products on the shelf yet. Add one in Mix.</p>;
  const submit = () =>
    amount === undefined || amount <= 0
      ? setError(`Type how much was used, like ${powder ? "60 g" : "250 ml"}.`)
      : add({
          kind: "product-used",
          productId,
          ...(powder ? { powder: amount } : { amount }),
          ...(roomId ? { roomId } : {}),
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
        value={(roomId ?? "") as string}
        options={[
          { value: "", name: "No room in particular" },
          ...rooms.map(({ value, name }) => ({ value: value as string, name })),
        ]}
        onChange={(value) => setRoom(rooms.find((room) => room.value === value)?.value)}
      />
      {roomId && <UseCare desk={desk} roomId={roomId} productId={productId} />}
      <QuantityField
        label="Amount used"
        value={amount}
        {...doseField(powder, units)}
        onChange={(value) => {
          setAmount(value);
          setError(undefined);
        }}
        fault={error}
      />
    </Frame>
  );
}

function NoteForm({ add }: FormProps) {
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
    </Frame>
  );
}
