import type { RoomCare } from "@scutch/core/plan";

/** Why a fill isn't made yet: a danger, or what is to do first. */
export function FillBlocked({
  rooms,
  nameOf,
}: {
  readonly rooms: readonly RoomCare[];
  readonly nameOf: (roomId: string) => string;
}) {
  const names = (which: (room: RoomCare) => boolean) =>
    rooms
      .filter(which)
      .map(({ roomId }) => nameOf(roomId))
      .join(", ");
  const stops = names(({ danger }) => danger === "stop");
  const fibre = names(({ toDo }) => toDo.includes("fibre"));
  const dye = names(({ toDo }) => toDo.length === 1 && toDo[0] === "dye-test");
  const tile = names(({ toDo }) => toDo.includes("tile-test"));
  const first = [
    ...(dye ? [`do the dye test in ${dye}`] : []),
    ...(tile ? [`test one tile in ${tile}`] : []),
  ].join(", and ");
  if (stops)
    return (
      <p className="mt-4 border-stop border-l-4 bg-stop-wash px-4 py-3 font-semibold">
        Don’t mix yet: a stop applies to {stops}.
      </p>
    );
  return (
    <p className="mt-4 border-caution border-l-4 bg-caution-wash px-4 py-3 font-semibold">
      {fibre ? `First pick the fibre for ${fibre}.` : `First ${first}.`} Then mix this fill.
    </p>
  );
}
