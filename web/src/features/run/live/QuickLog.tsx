import type { RoomId } from "@scutch/contract";
import { useState } from "react";
import { Link } from "react-router";
import type { JobDesk } from "../../../planning/desk.ts";
import { useLogging } from "../../../shared/logging/useLogging.ts";
import { roomChosen } from "../../../state/loggedSlice.ts";
import { useAppDispatch } from "../../../state/store.ts";
import { Button } from "../../../ui/Button.tsx";
import { SayDialog } from "./SayDialog.tsx";

const NOTES = [
  "Pad turned or changed",
  "Bag emptied outside",
  "Defoamer added",
  "Waste poured to the sanitary sewer",
];

interface Props {
  readonly desk: JobDesk;
  readonly roomId: string | undefined;
}

/** What is noted on the way: a line here, a reading, the tanks and a picture where they belong, with the room already chosen. */
export function QuickLog({ desk, roomId }: Props) {
  const dispatch = useAppDispatch();
  const [noting, setNoting] = useState(false);
  const log = useLogging(desk);
  const note = (text: string) => {
    log({ kind: "note", text, ...(roomId === undefined ? {} : { roomId: roomId as RoomId }) });
    setNoting(false);
  };
  const links = [
    { name: "Reading", to: "../log" },
    { name: "Tanks", to: "../mix" },
    { name: "Photo", to: roomId === undefined ? "../survey" : `../survey?room=${roomId}&part=photos` },
  ];
  return (
    <>
      {links.map(({ name, to }) => (
        <Link
          key={name}
          to={to}
          relative="path"
          className="grid min-h-12 place-items-center rounded-md border border-rule bg-paper px-2 font-semibold hover:border-accent"
          onClick={() =>
            roomId !== undefined && dispatch(roomChosen({ jobId: desk.job.id, roomId: roomId as RoomId }))
          }
        >
          {name}
        </Link>
      ))}
      <Button onClick={() => setNoting(true)}>Note</Button>
      {noting && (
        <SayDialog
          title="Note"
          usual={NOTES}
          other="Something else"
          take="Log it"
          maxLength={500}
          onSay={note}
          onClose={() => setNoting(false)}
        />
      )}
    </>
  );
}
