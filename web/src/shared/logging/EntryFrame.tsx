import type { RoomId } from "@scutch/contract";
import type { ReactNode } from "react";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import type { EntryBody } from "./useLogging.ts";

/** What the form of an entry is given. */
export interface EntryFormProps {
  readonly desk: JobDesk;
  readonly add: (body: EntryBody) => void;
  /** The room chosen last; undefined: none yet. */
  readonly room: RoomId | undefined;
  readonly onRoom: (roomId: RoomId | undefined) => void;
  /** When it happened. */
  readonly children?: ReactNode;
}

export const roomOptions = ({ job }: JobDesk) => job.rooms.map(({ id, name }) => ({ value: id, name }));

/** The room an entry belongs to where it must belong to one: the one chosen last, or the first. */
export function ownRoom({ desk, room }: Pick<EntryFormProps, "desk" | "room">): RoomId | undefined {
  return room ?? desk.job.rooms[0]?.id;
}
export const NO_ROOM = <p className="text-soft">Add a room first.</p>;

/** The fields of an entry and what logs it. */
export function EntryFrame({
  onAdd,
  children,
}: {
  readonly onAdd: () => void;
  readonly children: ReactNode;
}) {
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
        Log entry
      </Button>
    </form>
  );
}
