import type { RoomId } from "@scutch/contract";
import { Link } from "react-router";
import { roomChosen } from "../../../state/loggedSlice.ts";
import { useAppDispatch } from "../../../state/store.ts";

interface Props {
  readonly jobId: string;
  readonly roomId: string | undefined;
  readonly wide?: boolean;
}

/** What is noted on the way, each in its own place: a reading, the tanks, a picture. */
export function QuickLog({ jobId, roomId, wide }: Props) {
  const dispatch = useAppDispatch();
  const look =
    "grid min-h-12 place-items-center rounded-md border border-rule bg-paper px-2 font-semibold hover:border-accent";
  const links = [
    { name: "Reading", to: "../log" },
    { name: "Tanks", to: "../mix" },
    { name: "Photo", to: roomId === undefined ? "../survey" : `../survey?room=${roomId}&part=photos` },
  ];
  return (
    <div className={wide ? "grid grid-cols-3 gap-2" : "contents"}>
      {links.map(({ name, to }) => (
        <Link
          key={name}
          to={to}
          relative="path"
          className={look}
          onClick={() => roomId !== undefined && dispatch(roomChosen({ jobId, roomId: roomId as RoomId }))}
        >
          {name}
        </Link>
      ))}
    </div>
  );
}
