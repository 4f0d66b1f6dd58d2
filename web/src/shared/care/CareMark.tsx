import type { JobDesk } from "../../planning/desk.ts";
import { careFor } from "./careFor.ts";

interface Props {
  readonly desk: JobDesk;
  readonly roomId: string;
}

/** A stop on a room in a word, where rooms are listed; what it is stands in the room. */
export function CareMark({ desk, roomId }: Props) {
  const care = careFor(desk.input).rooms.find((room) => room.roomId === roomId);
  if (care?.verdict !== "stop") return null;
  const judgements = [care.method, care.rinse, care.product, ...care.added.map(({ judgement }) => judgement)];
  const rules = judgements.some((judgement) => judgement?.verdict === "stop");
  return (
    <p className="mt-0.5 w-fit border-stop border-l-4 bg-stop-wash px-2 text-sm text-stop">
      {rules ? "Stop: not this way on this floor" : "Stop: dye test to do"}
    </p>
  );
}
