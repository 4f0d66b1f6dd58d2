import { type Job, type Room, RoomId } from "@scutch/contract";
import { Plus } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { newId } from "../../device/newId.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { withoutRoom } from "../../planning/floorPlan.ts";
import { withRoom } from "../../planning/withRoom.ts";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { hasStairs, hubOf, levelSaid, withNewRoom } from "./addRoom.ts";
import { SizeField } from "./SizeField.tsx";
import { freeName, TEMPLATES, type Template } from "./templates.ts";

type RoomDesk = Pick<JobDesk, "job" | "edit">;

/** A template as a room of a job, of its usual size, upstairs where it is likely to be. */
function roomFrom({ name, shape, upstairs }: Template, job: Job): Room {
  const taken = job.rooms.map((room) => room.name);
  const guessed = hasStairs(job) && upstairs === true;
  const level = guessed && levelSaid(job) !== false ? 1 : 0;
  return {
    id: newId(RoomId),
    name: freeName(name, taken),
    shape,
    sizeAssumed: true,
    ...(guessed ? { level } : {}),
  };
}

/** Usual rooms, each added with a tap; the size of the last one can be typed over at once. */
export function TemplateChips({ desk }: { readonly desk: RoomDesk }) {
  const { job, edit } = desk;
  const [added, setAdded] = useState<{ readonly id: Room["id"]; readonly asksLevel: boolean }>();
  const [error, setError] = useState<string>();
  const frame = useRef<HTMLDivElement>(null);
  const room = job.rooms.find(({ id }) => id === added?.id);
  const add = (template: Template) => {
    // A size that can't be read is put right first: it would be lost with its field.
    const wrong = frame.current?.querySelector<HTMLInputElement>("[aria-invalid=true]");
    if (wrong) return wrong.focus();
    const next = roomFrom(template, job);
    const leads = template.hub ? "out" : hubOf(job, next.level);
    const refused = edit((before) => withNewRoom(before, next, leads));
    setError(refused);
    if (!refused)
      setAdded({ id: next.id, asksLevel: next.level !== undefined && levelSaid(job) === undefined });
  };
  const answerLevel = (up: boolean) => {
    if (!room) return;
    setAdded({ id: room.id, asksLevel: false });
    if (up) return;
    // What it opens to is another room, too.
    edit((before) => {
      const without = withoutRoom(before, room.id);
      return withNewRoom(without, { ...room, level: 0 }, hubOf(without, 0));
    });
  };
  return (
    <div className="mb-4">
      <div className="mb-2 flex flex-wrap gap-2">
        {TEMPLATES.map((each) => (
          <button
            key={each.name}
            type="button"
            aria-label={`Add ${each.name}`}
            onClick={() => add(each)}
            className="inline-flex min-h-12 items-center gap-1.5 rounded-md border border-rule bg-paper px-3 font-semibold hover:border-accent"
          >
            <Plus aria-hidden size={18} className="text-accent" /> {each.name}
          </button>
        ))}
      </div>
      <FieldError sentence={error} />
      {room && (
        <AddedRoom key={room.id} frame={frame} desk={desk} room={room}>
          {added?.asksLevel && (
            <Segmented<"up" | "here" | "">
              label={`Is ${room.name} upstairs?`}
              value=""
              options={[
                { value: "up", name: "Upstairs" },
                { value: "here", name: "On this level" },
              ]}
              onChange={(answer) => answerLevel(answer === "up")}
            />
          )}
        </AddedRoom>
      )}
    </div>
  );
}

interface AddedProps {
  readonly frame: React.RefObject<HTMLDivElement | null>;
  readonly desk: RoomDesk;
  readonly room: Room;
  readonly children: React.ReactNode;
}

/** The room added a moment ago: its size can be typed at once. Stairs have steps, which are counted in the room itself. */
function AddedRoom({ frame, desk: { job, edit }, room, children }: AddedProps) {
  useEffect(() => {
    frame.current?.querySelector("input")?.focus();
    // Above what covers the foot of a phone's screen.
    frame.current?.scrollIntoView?.({ block: "nearest" });
  }, [frame]);
  return (
    <div ref={frame} className="grid scroll-mb-32 gap-2 border-accent border-l-4 bg-wash px-3 py-2">
      {room.shape.kind === "stairs" ? (
        <p>{room.name} added, with typical steps.</p>
      ) : (
        <SizeField
          room={room}
          job={job}
          label={`Size of ${room.name}, any unit`}
          set={(change, showLimit) => edit((before) => withRoom(before, room.id, change), showLimit)}
        />
      )}
      {children}
    </div>
  );
}
