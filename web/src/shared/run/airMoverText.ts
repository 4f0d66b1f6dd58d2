import type { RoomPlan } from "@scutch/core/plan";
import type { Step } from "@scutch/core/run";
import { timeAt } from "../../format/time.ts";

type Blown = Pick<RoomPlan, "id" | "name" | "airMoversFromHours">;

/** Rooms whose air movers wait for a free circuit, with the hour after the job’s start at which there is one. */
export const airMoverWaits = (rooms: readonly Blown[]) =>
  rooms.flatMap(({ id, name, airMoversFromHours: from }) => (from === undefined ? [] : [{ id, name, from }]));

/** What to do about plugs at a step: not yet, or the rooms whose air movers find a free circuit as it starts. */
export function airMoverText(
  step: Step,
  { rooms, steps }: { readonly rooms: readonly Blown[]; readonly steps: readonly Step[] },
  clock: (time: number) => string,
  startMs: number,
): string {
  const waiting = airMoverWaits(rooms);
  const own = waiting.find(({ id }) => step.kind === "fans" && id === step.roomId);
  const ready = waiting.filter(
    ({ from }) => steps.find(({ start }) => start >= Math.floor(from * 3600))?.id === step.id,
  );
  return [
    ...(own
      ? [`Don’t plug in yet. Motors take every circuit until ${clock(timeAt(startMs, own.from))}.`]
      : []),
    ...(ready.length > 0
      ? [`First plug in the air movers: ${ready.map(({ name }) => name).join(", ")}. A circuit is free now.`]
      : []),
  ].join(" ");
}
