import { dueSecondLooks } from "@scutch/core/log";
import { roomsSetNow } from "@scutch/core/plan";
import { useState } from "react";
import { hoursAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { readyOfRoom } from "../../planning/ready.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useNow } from "../../ui/useNow.ts";

/** Why the crew would come back, and when; ms since 1970. */
export interface Return {
  readonly kind: "air-movers" | "second-look";
  readonly at: number;
  readonly why: string;
}

/** Reasons to come back, by the log and the forecast: air movers to fetch once their rooms are dry, rooms to look at again. */
function returnsOf({ job, log, dried, startMs, input }: JobDesk, now: number): readonly Return[] {
  const withMovers = roomsSetNow(job.rooms, input.airChanges, hoursAt(startMs, now)).filter(
    ({ airMovers }) => (airMovers?.length ?? 0) > 0,
  );
  const dryTimes = dried
    ? dried.work.rooms.flatMap(({ id }, index) =>
        withMovers.some((room) => room.id === id) ? [readyOfRoom(dried, index, startMs, "dry").likely] : [],
      )
    : [];
  const known = dryTimes.flatMap((time) => time ?? []);
  const count = withMovers.reduce((sum, { airMovers = [] }) => sum + airMovers.length, 0);
  const looks = dueSecondLooks(log);
  const names = [...new Set(looks.map(({ roomId }) => nameById(job.rooms, roomId, "a room")))];
  return [
    ...(known.length > 0 && known.length === dryTimes.length
      ? [
          {
            kind: "air-movers" as const,
            at: Math.max(...known),
            why: `to fetch ${count === 1 ? "the air mover" : `${count} air movers`}`,
          },
        ]
      : []),
    ...(looks.length > 0
      ? [
          {
            kind: "second-look" as const,
            at: Math.max(...looks.map(({ at }) => at)),
            why: `to look at ${names.join(", ")} again`,
          },
        ]
      : []),
  ];
}

/** Hours a crew knocks at a door by itself; at another it is asked. */
const FIRST_HOUR = "08:00";
const LAST_HOUR = "19:30";

/** What the crew tells the customer about coming back: the first reason by day, until another or none is chosen. */
export function useReturnChoice(desk: JobDesk) {
  const [picked, setPicked] = useState<Return["kind"] | "none">();
  const { clock24 } = useTimes();
  const now = useNow();
  const returns = returnsOf(desk, now).filter(({ at }) => at > now);
  const byDay = returns.find(({ at }) => clock24(at) >= FIRST_HOUR && clock24(at) <= LAST_HOUR);
  const chosen = picked === "none" ? undefined : (returns.find(({ kind }) => kind === picked) ?? byDay);
  return { returns, chosen, onPick: setPicked };
}
