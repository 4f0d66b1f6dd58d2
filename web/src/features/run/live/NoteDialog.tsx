import type { RoomId } from "@scutch/contract";
import { useId, useState } from "react";
import type { JobDesk } from "../../../planning/desk.ts";
import { useLogging } from "../../../shared/logging/useLogging.ts";
import { Button } from "../../../ui/Button.tsx";
import { Dialog } from "../../../ui/Dialog.tsx";
import { inputLook } from "../../../ui/FieldFrame.tsx";

const USUAL = [
  "Pad turned or changed",
  "Bag emptied outside",
  "Defoamer added",
  "Waste poured to the sanitary sewer",
];

/** What happens on the way and is worth a line: one tap for the usual, or in words. */
export function NoteDialog({
  desk,
  roomId,
  onClose,
}: {
  readonly desk: JobDesk;
  readonly roomId: string | undefined;
  readonly onClose: () => void;
}) {
  const id = useId();
  const log = useLogging(desk);
  const [text, setText] = useState("");
  const note = (said: string) => {
    log({ kind: "note", text: said, ...(roomId === undefined ? {} : { roomId: roomId as RoomId }) });
    onClose();
  };
  return (
    <Dialog open title="Note" onClose={onClose}>
      <div className="mt-3 grid gap-2">
        {USUAL.map((each) => (
          <Button key={each} onClick={() => note(each)}>
            {each}
          </Button>
        ))}
      </div>
      <form
        className="mt-3 grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim()) note(text.trim());
        }}
      >
        <label htmlFor={id} className="text-sm text-soft">
          Something else
        </label>
        <input
          id={id}
          className={inputLook(false)}
          value={text}
          maxLength={500}
          onChange={({ target }) => setText(target.value)}
        />
        <Button type="submit" disabled={text.trim() === ""}>
          Log it
        </Button>
      </form>
    </Dialog>
  );
}
