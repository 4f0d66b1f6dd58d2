import type { Room, RoomId } from "@scutch/contract";
import { useState } from "react";
import type { JobDesk } from "../../../planning/desk.ts";
import { roomOptions } from "../../../shared/logging/EntryFrame.tsx";
import { ReadingForm } from "../../../shared/logging/ReadingForm.tsx";
import { rinsedRooms, TanksForm } from "../../../shared/logging/TanksForm.tsx";
import { type EntryBody, useLogging } from "../../../shared/logging/useLogging.ts";
import { PhotoStrip } from "../../../shared/photos/PhotoStrip.tsx";
import { SpotSection } from "../../../shared/spots/SpotSection.tsx";
import { Button } from "../../../ui/Button.tsx";
import { ChoiceField } from "../../../ui/ChoiceField.tsx";
import { Dialog } from "../../../ui/Dialog.tsx";
import { NoteDialog } from "./SayDialog.tsx";

const NOTES = ["Pad turned or changed", "Bag emptied outside", "Defoamer added", "Waste poured to the sewer"];

interface Props {
  readonly desk: JobDesk;
  /** The room of the step in sight. */
  readonly roomId: string | undefined;
  readonly practice: boolean;
}

type Thing = "Reading" | "Tanks" | "Photo" | "Spots" | "Note";

/** What is noted on the way, over the card and gone again: the meter, the tanks, a picture, a spot, a line. */
export function QuickLog({ desk, roomId, practice }: Props) {
  const [open, setOpen] = useState<Thing>();
  const close = () => setOpen(undefined);
  const log = useLogging(desk);
  const add = (body: EntryBody) => {
    log(body);
    close();
  };
  const things: readonly Thing[] = [
    "Reading",
    ...(rinsedRooms(desk).length > 0 ? (["Tanks"] as const) : []),
    // A picture and where a spot lies belong to the job itself, which practice leaves alone.
    ...(practice ? [] : (["Photo", "Spots"] as const)),
    "Note",
  ];
  return (
    <>
      {things.map((thing) => (
        <Button key={thing} className="px-1" onClick={() => setOpen(thing)}>
          {thing}
        </Button>
      ))}
      {open === "Tanks" && (
        <Dialog open title="Tanks" onClose={close}>
          <p className="mt-1 mb-3 text-soft">Your readings replace the estimate.</p>
          <TanksForm desk={desk} onLogged={close} />
        </Dialog>
      )}
      {open === "Note" && (
        <NoteDialog
          title="Note"
          usual={NOTES}
          other="Other"
          take="Log entry"
          maxLength={500}
          onSay={(text) => add({ kind: "note", text, ...(roomId ? { roomId: roomId as RoomId } : {}) })}
          onClose={close}
        />
      )}
      {(open === "Reading" || open === "Photo" || open === "Spots") && (
        <InRoom desk={desk} roomId={roomId} thing={open} add={add} onClose={close} />
      )}
    </>
  );
}

interface InRoomProps {
  readonly desk: JobDesk;
  readonly roomId: string | undefined;
  readonly thing: "Reading" | "Photo" | "Spots";
  readonly add: (body: EntryBody) => void;
  readonly onClose: () => void;
}

/** What belongs to a room: the one being worked in, or another one that is said. */
function InRoom({ desk, roomId, thing, add, onClose }: InRoomProps) {
  const [chosen, setChosen] = useState(roomId as RoomId | undefined);
  const room: Room | undefined = desk.job.rooms.find(({ id }) => id === chosen) ?? desk.job.rooms[0];
  return (
    <Dialog open title={thing} onClose={onClose}>
      <div className="mt-3 grid gap-3">
        {thing === "Reading" ? (
          <ReadingForm desk={desk} add={add} room={room?.id} onRoom={setChosen} />
        ) : (
          room && (
            <>
              <ChoiceField label="Room" value={room.id} options={roomOptions(desk)} onChange={setChosen} />
              {thing === "Photo" ? (
                <PhotoStrip desk={desk} roomId={room.id} />
              ) : (
                <SpotSection desk={desk} room={room} />
              )}
            </>
          )
        )}
      </div>
    </Dialog>
  );
}
