import type { RoomId } from "@scutch/contract";
import { useState } from "react";
import { doseField } from "../../format/readers.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { UseCare } from "../../shared/care/UseCare.tsx";
import {
  type EntryFormProps,
  EntryFrame,
  NO_ROOM,
  ownRoom,
  roomOptions,
} from "../../shared/logging/EntryFrame.tsx";
import { ReadingForm } from "../../shared/logging/ReadingForm.tsx";
import { type EntryBody, useLogging } from "../../shared/logging/useLogging.ts";
import { WhenField } from "../../shared/logging/WhenField.tsx";
import { roomChosen, selectRoomChosen } from "../../state/loggedSlice.ts";
import { useAppDispatch, useAppSelector } from "../../state/store.ts";
import { useUnits } from "../../state/useUnits.ts";
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

function ProductForm({ desk, add, room, onRoom, children }: EntryFormProps) {
  const units = useUnits();
  const products = desk.shelf.products.map(({ id, name }) => ({ value: id, name }));
  const [productId, setProduct] = useState(desk.job.batches[0]?.productId ?? products[0]?.value);
  const rooms = roomOptions(desk);
  const [amount, setAmount] = useState<number>();
  const [error, setError] = useState<string>();
  const scoop = desk.shelf.products.find(({ id }) => id === productId)?.scoop;
  const powder = scoop !== undefined;
  if (productId === undefined)
    return <p className="text-soft">No products on the shelf yet. Add one in Mix.</p>;
  const submit = () =>
    amount === undefined || amount <= 0
      ? setError(
          `Enter how much you used, like ${powder ? "60 g or 2 scoops" : units.system === "metric" ? "250 ml" : "8 fl oz"}.`,
        )
      : add({
          kind: "product-used",
          productId,
          ...(powder ? { powder: amount } : { amount }),
          ...(room ? { roomId: room } : {}),
        });
  return (
    <EntryFrame onAdd={submit}>
      <ChoiceField
        label="Product"
        value={productId}
        options={products}
        onChange={(next) => {
          setProduct(next);
          setAmount(undefined); // Millilitres of one are not grams of another.
        }}
      />
      <ChoiceField<string>
        label="Room"
        value={room ?? ""}
        options={[{ value: "", name: "Whole job" }, ...rooms.map(({ value, name }) => ({ value, name }))]}
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
    </EntryFrame>
  );
}

function FinishForm({ desk, add, room, onRoom, children }: EntryFormProps) {
  const roomId = ownRoom({ desk, room });
  if (roomId === undefined) return NO_ROOM;
  return (
    <EntryFrame onAdd={() => add({ kind: "room-finished", roomId })}>
      <ChoiceField label="Room" value={roomId} options={roomOptions(desk)} onChange={onRoom} />
      {children}
      <p className="text-sm text-soft">Drying is timed from then.</p>
    </EntryFrame>
  );
}

function NoteForm({ add, children }: EntryFormProps) {
  const [text, setText] = useState("");
  const [error, setError] = useState<string>();
  const submit = () =>
    text.trim() === "" ? setError("Enter a note.") : add({ kind: "note", text: text.trim() });
  return (
    <EntryFrame onAdd={submit}>
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
    </EntryFrame>
  );
}
