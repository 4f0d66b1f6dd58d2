import { type DryingResult, roomMoment } from "@scutch/core/drying";
import { roomsAsSet } from "@scutch/core/plan";
import { memo, useMemo, useState } from "react";
import { hoursAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { AirBalance } from "./AirBalance.tsx";
import { AirChart } from "./AirChart.tsx";
import { ClimateChart } from "./ClimateChart.tsx";
import { FloorWet } from "./FloorWet.tsx";
import { HourSlider } from "./HourSlider.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly dried: DryingForecast;
  /** With the moves made, where there are any. */
  readonly moved: DryingResult | undefined;
  readonly roomId: string;
  readonly now: number;
  readonly onSelect: (roomId: string) => void;
}

const HOUR = 3_600_000;
/** A room that stays wet is followed so long, h. */
const LONG = 24;

/** From the first room’s finish until the last one is dry, ms since 1970. */
function spanOf({ work, result }: DryingForecast, start: number) {
  const ends = work.rooms.map(
    ({ finishedAtHours }, i) => start + (finishedAtHours + (result.rooms[i]?.dryHours ?? LONG)) * HOUR,
  );
  const from = start + Math.min(...work.rooms.map(({ finishedAtHours }) => finishedAtHours)) * HOUR;
  return { from, to: Math.max(from + HOUR, ...ends) };
}

/** The drying at one hour, pulled along it: how wet the floor is, the air’s path, and where its water and heat go. */
export const DryPictures = memo(function DryPictures({ desk, dried, moved, roomId, now, onSelect }: Props) {
  const { startMs, job, input } = desk;
  const span = spanOf(dried, startMs);
  const [picked, setPicked] = useState<number>();
  const looked = Math.min(span.to, Math.max(span.from, picked ?? now));
  const hours = hoursAt(startMs, looked);
  const rooms = useMemo(
    () => new Map(roomsAsSet(job.rooms, input.airChanges, hours).map((room) => [room.id as string, room])),
    [job.rooms, input.airChanges, hours],
  );
  const place = dried.work.rooms.findIndex(({ id }) => id === roomId);
  const name = dried.work.rooms[place]?.name ?? "";
  const building = dried.building ?? dried.work.building;
  const moment = useMemo(
    () => (place < 0 ? undefined : roomMoment(building, dried.result, place, hours)),
    [building, dried.result, place, hours],
  );
  const [from, until] = [hoursAt(startMs, span.from), hoursAt(startMs, span.to)];
  if (place < 0) return null;
  return (
    <>
      <h2 className="mt-4 border-rule border-t pt-3 font-semibold text-soft">How wet the floor is</h2>
      <FloorWet {...{ job, dried, hours, rooms, onSelect }} start={startMs} selected={place} />
      <HourSlider {...span} value={looked} now={now} onChange={setPicked} />
      <h2 className="mt-4 border-rule border-t pt-3 font-semibold text-soft">The air in {name}</h2>
      {moment && (
        <AirChart {...{ building, moment, place, name, hours, moved, until }} result={dried.result} />
      )}
      <ClimateChart
        {...{ building, place, name, hours, from, until }}
        result={dried.result}
        start={startMs}
      />
      {moment && <AirBalance moment={moment} />}
    </>
  );
});
