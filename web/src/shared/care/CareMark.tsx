import { floorTest } from "@scutch/core/care";
import { DEFAULTS } from "@scutch/core/plan";
import type { JobDesk } from "../../planning/desk.ts";
import { careFor } from "./careFor.ts";

interface Props {
  readonly desk: JobDesk;
  readonly roomId: string;
}

const TO_DO = { fibre: "pick the fibre", "dye-test": "dye test", "tile-test": "test one tile" } as const;

const FAILED = { dye: "Stop: colour bled", tile: "Stop: a tile changed" } as const;
const coveringOf = ({ job }: JobDesk, roomId: string) =>
  job.rooms.find(({ id }) => id === roomId)?.covering ?? DEFAULTS.covering;

/** A real danger on a room in a word, or what is still to do, where rooms are listed; what it is stands in the room. */
export function CareMark({ desk, roomId }: Props) {
  const care = careFor(desk.input).rooms.find((room) => room.roomId === roomId);
  const test = floorTest(coveringOf(desk, roomId));
  if (care?.danger === "stop")
    return (
      <p className="mt-0.5 w-fit border-stop border-l-4 bg-stop-wash px-2 text-sm text-stop">
        {care.gate === "failed" && test ? FAILED[test] : "Stop: not safe on this floor"}
      </p>
    );
  // One thing after the other: which test is to be made hangs on the fibre.
  const next = care?.toDo[0];
  return next ? <p className="mt-0.5 text-sm">To do: {TO_DO[next]}</p> : null;
}
