import type { Job } from "@scutch/contract";
import type { Floor } from "@scutch/core/floor";
import { shortestPush } from "@scutch/core/floor";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { withRoom } from "../../planning/withRoom.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { inWalkOutOrder } from "./addRoom.ts";

/** Rooms measured by hand lie this much over each other, m²: the thickness of a wall along its length. */
const OVERLAP = 0.5;

/** What is wrong with the plan of the floor or the order on it, and the way out of it. Nothing where all is well. */
export function PlanAdvice({ desk, floor }: { readonly desk: JobDesk; readonly floor: Floor }) {
  const units = useUnits();
  const { job, work, edit } = desk;
  const nameOf = (id: string) => nameById(job.rooms, id, "a removed room");
  const list = (ids: readonly string[]) => ids.map(nameOf).join(", ");
  const { walkOut } = work;
  const [conflict] = walkOut?.conflicts ?? [];
  const better = walkOut?.best.outcome === "ordered" ? inWalkOutOrder(job) : undefined;
  return (
    <div className="grid gap-2">
      {floor.overlaps
        .filter(({ area }) => area >= OVERLAP)
        .map(({ rooms: [a, b], area }) => (
          <Callout
            key={`${a} ${b}`}
            tone="caution"
            title={`${nameOf(a)} and ${nameOf(b)} overlap by ${units.area(area)}.`}
          >
            Their doors don’t fit these sizes. Check the sizes, or move one room.
            <PushApart desk={desk} floor={floor} stays={a} goes={b} />
          </Callout>
        ))}
      {walkOut?.best.outcome === "impossible" && (
        <Callout
          tone="caution"
          title={
            walkOut.best.fault.code === "no-exit"
              ? "No exit door yet."
              : `No exit from ${list(walkOut.best.fault.rooms)}.`
          }
        >
          {walkOut.best.fault.code === "no-exit"
            ? "Add the exit door to get the walk-out order."
            : "Open the room and add the door you leave by. Without it the order can’t be checked."}
        </Callout>
      )}
      {conflict && better && (
        <Callout
          tone="stop"
          title={`You can only leave ${nameOf(conflict.room)} across ${nameOf(conflict.over)}, which is cleaned first.`}
        >
          <p>
            Its exit goes through {doorText(job, conflict.door, nameOf)}. Clean {nameOf(conflict.over)} after{" "}
            {nameOf(conflict.room)}.
          </p>
          <Button className="mt-2" onClick={() => void edit(() => better)}>
            Put rooms in walk-out order
          </Button>
        </Callout>
      )}
    </div>
  );
}

const WALL_WORDS = { left: "left", right: "right", up: "upper", down: "lower" } as const;

/** The shortest push that puts one room outside the other, and the wall it is pushed off. */
function PushApart({
  desk: { job, edit },
  floor,
  stays,
  goes,
}: {
  readonly desk: JobDesk;
  readonly floor: Floor;
  readonly stays: string;
  readonly goes: string;
}) {
  const units = useUnits();
  const push = shortestPush(floor, stays, goes);
  const room = job.rooms.find(({ id }) => id === goes);
  const other = job.rooms.find(({ id }) => id === stays);
  if (!push || !room || !other) return null;
  const { towards, by } = push;
  return (
    <Button
      className="mt-2 block"
      onClick={() =>
        void edit((before) =>
          withRoom(before, room.id, {
            nudge: { x: (room.nudge?.x ?? 0) + by.x, y: (room.nudge?.y ?? 0) + by.y },
          }),
        )
      }
    >
      Move {room.name} {units.length(Math.abs(by.x + by.y))} {towards}, off the {WALL_WORDS[towards]} wall of{" "}
      {other.name}
    </Button>
  );
}

function doorText(job: Job, doorId: string, nameOf: (id: string) => string): string {
  const door = job.doors?.find(({ id }) => id === doorId);
  if (!door) return "a door";
  return door.to === undefined
    ? `the exit from ${nameOf(door.from)}`
    : `the door between ${nameOf(door.from)} and ${nameOf(door.to)}`;
}
