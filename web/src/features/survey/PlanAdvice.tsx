import type { Job } from "@scutch/contract";
import type { Floor } from "@scutch/core/floor";
import { shortestPush } from "@scutch/core/floor";
import type { JobDesk } from "../../planning/desk.ts";
import { withRoom } from "../../planning/withRoom.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { inWalkOutOrder } from "./addRoom.ts";

/** What is wrong with the plan of the floor or the order on it, and the way out of it. Nothing where all is well. */
export function PlanAdvice({ desk, floor }: { readonly desk: JobDesk; readonly floor: Floor }) {
  const units = useUnits();
  const { job, work, edit } = desk;
  const nameOf = (id: string) => job.rooms.find((room) => room.id === id)?.name ?? "a removed room";
  const list = (ids: readonly string[]) => ids.map(nameOf).join(", ");
  const { walkOut } = work;
  const [conflict] = walkOut?.conflicts ?? [];
  const better = walkOut?.best.outcome === "ordered" ? inWalkOutOrder(job) : undefined;
  return (
    <div className="grid gap-2">
      {floor.overlaps.map(({ rooms: [a, b], area }) => (
        <Callout
          key={`${a} ${b}`}
          tone="caution"
          title={`${nameOf(a)} and ${nameOf(b)} lie over each other by ${units.area(area)}.`}
        >
          Their doors can’t both be there with these sizes. Check the sizes, or push one aside.
          <PushApart desk={desk} floor={floor} stays={a} goes={b} />
        </Callout>
      ))}
      {walkOut?.best.outcome === "impossible" && (
        <Callout
          tone="caution"
          title={
            walkOut.best.fault.code === "no-exit"
              ? "No door leads out yet."
              : `No way out of ${list(walkOut.best.fault.rooms)}.`
          }
        >
          {walkOut.best.fault.code === "no-exit"
            ? "Say in which room the way out is, and the walk-out order follows."
            : "Open the room and add the door it is left by: until then nobody can tell when it can be finished."}
        </Callout>
      )}
      {conflict && better && (
        <Callout
          tone="stop"
          title={`${nameOf(conflict.room)} can only be left over ${nameOf(conflict.over)}, which is finished before it.`}
        >
          <p>
            The way out of it goes through {doorText(job, conflict.door, nameOf)}. Do {nameOf(conflict.over)}{" "}
            after {nameOf(conflict.room)}.
          </p>
          <Button className="mt-2" onClick={() => void edit(() => better)}>
            Put all rooms in walk-out order
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
      Push {room.name} {units.length(Math.abs(by.x + by.y))} {towards}, off the {WALL_WORDS[towards]} wall of{" "}
      {other.name}
    </Button>
  );
}

function doorText(job: Job, doorId: string, nameOf: (id: string) => string): string {
  const door = job.doors?.find(({ id }) => id === doorId);
  if (!door) return "a door";
  return door.to === undefined
    ? `the way out of ${nameOf(door.from)}`
    : `the door between ${nameOf(door.from)} and ${nameOf(door.to)}`;
}
