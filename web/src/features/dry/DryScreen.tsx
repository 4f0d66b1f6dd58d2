import {
  type Building,
  type DryingResult,
  type JointMoves,
  simulateDrying,
  withSwitched,
} from "@scutch/core/drying";
import { useCallback, useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
import { useDesk } from "../../planning/openDesk.ts";
import { readyOfRoom } from "../../planning/ready.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { WORK_AFTER } from "../../planning/workerClient.ts";
import { useGearElsewhere } from "../../shared/jobs/useGearElsewhere.ts";
import { NoRooms } from "../../shared/NoRooms.tsx";
import { PlannedAirList } from "../../shared/weather/PlannedAirList.tsx";
import { WeatherToCome } from "../../shared/weather/WeatherToCome.tsx";
import { Loading } from "../../ui/States.tsx";
import { useNow } from "../../ui/useNow.ts";
import { useSettled } from "../../ui/useSettled.ts";
import { CourseChart } from "./CourseChart.tsx";
import { DrierWorkPanel } from "./DrierWorkPanel.tsx";
import { DryPictures } from "./DryPictures.tsx";
import { MovesPanel } from "./MovesPanel.tsx";
import { ReadyHead } from "./ReadyHead.tsx";
import { RoomLevers } from "./RoomLevers.tsx";
import { TailChart } from "./TailChart.tsx";
import { useAim } from "./useAim.ts";
import { useMoves } from "./useMoves.ts";
import { WhatLimits } from "./WhatLimits.tsx";
import { DoubtfulReadings, WhatReadingsSay } from "./WhatReadingsSay.tsx";

/**
 * When each room is ready, and what to move to make it sooner. The charts show what was dried last and are drawn again
 * when the worker answers; the levers show the plan as it stands.
 */
export function DryScreen() {
  const desk = useDesk();
  const { work, dried } = desk;
  if (work.rooms.length === 0) return <NoRooms title="Nothing to dry yet." follows="its drying times" />;
  if (dried) return <DriedRooms desk={desk} dried={dried} />;
  return (
    <div className="px-4 sm:px-7">
      <Loading what="the drying" />
    </div>
  );
}

function DriedRooms({ desk, dried }: { readonly desk: JobDesk; readonly dried: DryingForecast }) {
  const now = useNow();
  const [search, setSearch] = useSearchParams();
  const { work, startMs, log } = desk;
  const select = useCallback(
    (roomId: string) => setSearch({ room: roomId }, { replace: true, preventScrollReset: true }),
    [setSearch],
  );
  const { rooms } = dried.work;
  const last = () => lastToDry(rooms.map((_, i) => readyOfRoom(dried, i, startMs, "dry").likely));
  // The room looked at first stays in sight, whichever dries last after a change.
  const [first] = useState(() => rooms[last()]?.id);
  const wanted = search.get("room") ?? first;
  const found = rooms.findIndex((room) => room.id === wanted);
  const place = found >= 0 ? found : last();
  const lever = work.rooms.findIndex((room) => room.id === rooms[place]?.id);
  const building = dried.building ?? dried.work.building;
  const aim = useAim(place, desk);
  const elsewhere = useGearElsewhere(desk.job, desk.shelf, now);
  const moves = useMoves(desk, dried, { aim: aim.aim, elsewhere, now });
  const moved = useMoved(building, moves?.own);
  // The hours and the levers follow a change at once, the pictures a moment later.
  const later = useSettled(
    useMemo(() => ({ desk, dried, moved }), [desk, dried, moved]),
    WORK_AFTER,
  );
  const name = rooms[place]?.name ?? "";
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-6 px-4 pt-5 sm:px-7 lg:grid-cols-[1fr_24rem]">
      <section aria-label="All rooms" className="min-w-0 max-lg:order-2">
        <TailChart dried={dried} start={startMs} now={now} selected={place} onSelect={select} />
        <h2 className="mt-4 border-rule border-t pt-3 font-semibold text-soft">Free water in {name}</h2>
        <CourseChart dried={dried} log={log} start={startMs} place={place} now={now} />
        <DryPictures {...later} roomId={rooms[place]?.id ?? ""} now={now} onSelect={select} />
      </section>
      <section aria-label={name} className="min-w-0">
        <ReadyHead dried={dried} start={startMs} place={place} now={now} onSelect={select} />
        <WhatReadingsSay desk={desk} dried={dried} place={place} now={now} />
        <WhatLimits desk={desk} dried={dried} place={place} now={now} />
        <MovesPanel {...{ desk, dried, now, aim, elsewhere }} found={moves} />
        <DrierWorkPanel desk={desk} dried={dried} now={now} />
        <DoubtfulReadings desk={desk} dried={dried} />
        {lever >= 0 && <RoomLevers desk={desk} place={lever} now={now} />}
        <div className="mt-6 grid gap-6 border-ink border-t-2 pt-3">
          <WeatherToCome desk={desk} />
          <PlannedAirList desk={desk} />
        </div>
      </section>
    </div>
  );
}

/** How the building dries with the moves made; undefined where there are none. */
function useMoved(building: Building, moves: JointMoves | undefined): DryingResult | undefined {
  return useMemo(() => {
    if (!moves || moves.moves.length === 0) return undefined;
    return simulateDrying(withSwitched(building, moves.switched), { keepCourse: true });
  }, [building, moves]);
}

/** The room to look at first: the one ready last; one that never is comes before all. */
function lastToDry(times: readonly (number | null)[]): number {
  const rank = (time: number | null | undefined) => time ?? Number.POSITIVE_INFINITY;
  return times.reduce<number>((last, time, i) => (rank(time) > rank(times[last]) ? i : last), 0);
}
