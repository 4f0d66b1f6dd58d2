import { type Room, RoomId } from "@scutch/contract";
import { ArrowDown, ArrowUp, Copy, Trash2 } from "lucide-react";
import { useState } from "react";
import { newId } from "../../device/newId.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { withoutRoom } from "../../planning/floorPlan.ts";
import { moveItem } from "../../planning/moveItem.ts";
import { idsIn } from "../../shared/logging/useLogging.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { doorLike } from "./addRoom.ts";

interface Props {
  readonly desk: Pick<JobDesk, "job" | "edit" | "log">;
  readonly room: Room;
  readonly onClose: () => void;
  readonly onSelect: (roomId: string) => void;
}

/** What can be done with a room as a whole. One the log speaks of is asked about before it goes. */
export function RoomActions({ desk: { job, edit, log }, room, onClose, onSelect }: Props) {
  const [asking, setAsking] = useState(false);
  const place = job.rooms.findIndex((each) => each.id === room.id);
  const move = (by: number) => edit((before) => ({ ...before, rooms: moveItem(before.rooms, place, by) }));
  const copy = () => {
    const { nudge: _, ...rest } = room;
    const twin: Room = { ...rest, id: newId(RoomId), name: `${room.name}, copy`.slice(0, 120) };
    const door = doorLike(job, room.id, twin.id);
    const refused = edit((before) => ({
      ...before,
      rooms: before.rooms.toSpliced(place + 1, 0, twin),
      ...(door ? { doors: [...(before.doors ?? []), door] } : {}),
    }));
    if (!refused) onSelect(twin.id);
  };
  const logged = log.filter((entry) => idsIn(entry).includes(room.id)).length;
  const remove = () => {
    edit((before) => withoutRoom(before, room.id, logged > 0));
    onClose();
  };
  return (
    <>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button disabled={place === 0} onClick={() => move(-1)} aria-label="Earlier in walk-out order">
          <ArrowUp aria-hidden size={18} /> Earlier
        </Button>
        <Button
          disabled={place === job.rooms.length - 1}
          onClick={() => move(1)}
          aria-label="Later in walk-out order"
        >
          <ArrowDown aria-hidden size={18} /> Later
        </Button>
        <Button onClick={copy}>
          <Copy aria-hidden size={18} /> Copy
        </Button>
        <Button onClick={() => (logged > 0 ? setAsking(true) : remove())} className="text-stop">
          <Trash2 aria-hidden size={18} /> Remove
        </Button>
      </div>
      {asking && (
        <Dialog open title={`Remove ${room.name} from the job?`} onClose={() => setAsking(false)}>
          <p className="mt-2">
            Logged for this room: {logged === 1 ? "one entry" : `${logged} entries`}. The log stays; fills,
            spots and drying are removed.
          </p>
          <div className="mt-4 flex flex-wrap gap-2">
            <Button weight="main" onClick={() => setAsking(false)}>
              Keep room
            </Button>
            <Button className="min-h-14 text-stop" onClick={remove}>
              Remove room
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
