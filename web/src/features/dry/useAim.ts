import type { Aim } from "@scutch/core/drying";
import { useMemo, useState } from "react";
import { hoursAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useTimes } from "../../state/useTimes.ts";

export const AIMS = [
  { value: "all", name: "All rooms soonest" },
  { value: "room", name: "This room soonest" },
  { value: "by", name: "This room by an hour" },
  { value: "fewest", name: "Fewest machines" },
  { value: "power", name: "Least power" },
] as const;
type AimKind = Aim["kind"];

/** What the moves are for, as chosen. */
export interface ChosenAim {
  readonly kind: AimKind;
  readonly aim: Aim;
  readonly pick: (kind: AimKind) => void;
  /** HH:MM by which the room is to be walked on. */
  readonly by: string;
  readonly pickBy: (clock: string) => void;
}

const HOUR = 3_600_000;
/** Asked for where nothing was promised, h after the room’s finish. */
const USUAL_BY = 4;

/** What the moves are for; `place`: the room in sight. The hour is the promised one until another is chosen. */
export function useAim(place: number, { job, work, startMs }: JobDesk): ChosenAim {
  const [kind, pick] = useState<AimKind>("all");
  const [chosen, pickBy] = useState<string>();
  const { clock24, dayOf, momentAt } = useTimes();
  const room = work.rooms[place];
  const finished = startMs + (room?.finishedAtHours ?? 0) * HOUR;
  const promised = job.rooms.find(({ id }) => id === room?.id)?.walkOnBy;
  const by = chosen ?? promised ?? clock24(Math.ceil(finished / HOUR + USUAL_BY) * HOUR);
  const onDay = momentAt(dayOf(finished), by);
  // An hour that is past by the finish is meant on the next day.
  const hours = hoursAt(startMs, onDay > finished ? onDay : onDay + 24 * HOUR);
  const aim = useMemo((): Aim => {
    if (kind === "by") return { kind, room: place, hours };
    return kind === "room" ? { kind, room: place } : { kind };
  }, [kind, place, hours]);
  return { kind, aim, pick, by, pickBy };
}
