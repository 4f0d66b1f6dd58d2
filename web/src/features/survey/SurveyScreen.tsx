import { lazy, Suspense, useMemo, useState } from "react";
import { useLocation, useNavigate, useSearchParams } from "react-router";
import { floorOf } from "../../planning/floorPlan.ts";
import { useDesk } from "../../planning/openDesk.ts";
import { Segmented } from "../../ui/Segmented.tsx";
import { Empty, Loading } from "../../ui/States.tsx";
import { useNow } from "../../ui/useNow.ts";
import { AddRoom } from "./AddRoom.tsx";
import { AllRooms } from "./AllRooms.tsx";
import { FloorView } from "./FloorView.tsx";
import { JobFacts } from "./JobFacts.tsx";
import { LastVisit } from "./LastVisit.tsx";
import { levelName } from "./levels.ts";
import { PlanAdvice } from "./PlanAdvice.tsx";
import { RoomList } from "./RoomList.tsx";

// The list and the plan stand at once; what is behind a room and the questions comes after.
const RoomEditor = lazy(async () => ({ default: (await import("./RoomEditor.tsx")).RoomEditor }));
const InterviewFields = lazy(async () => ({
  default: (await import("./InterviewFields.tsx")).InterviewFields,
}));

/** What is there: the floor and its rooms in walk-out order, what the customer said, the air, and one room opened beside them. */
export function SurveyScreen() {
  const desk = useDesk();
  const now = useNow();
  const [search, setSearch] = useSearchParams();
  const selected = search.get("room") ?? undefined;
  const navigate = useNavigate();
  const { state } = useLocation();
  const isCreated = (state as { created?: true } | null)?.created === true;
  // Opened from the list a room is a step of its own, so that the phone's Back closes it; from room to room it isn't.
  const select = (roomId: string | undefined) => {
    const part = search.get("part");
    if (roomId === undefined && (state as { fromList?: true } | null)?.fromList)
      // A dialog still open is a step on top of the room.
      return void navigate((history.state as { dialog?: number } | null)?.dialog ? -2 : -1);
    setSearch(roomId ? { room: roomId, ...(part ? { part } : {}) } : {}, {
      replace: selected !== undefined || roomId === undefined,
      preventScrollReset: true,
      state: selected === undefined && roomId !== undefined ? { fromList: true } : state,
    });
  };
  const place = desk.job.rooms.findIndex((room) => room.id === selected);
  const room = desk.job.rooms[place];
  const plan = desk.work.rooms[place];
  const { rooms, doors } = desk.job;
  const floor = useMemo(() => floorOf({ rooms, ...(doors ? { doors } : {}) }), [rooms, doors]);
  const levels = [...new Set(rooms.map(({ level = 0 }) => level))].sort((a, b) => b - a);
  const [chosenLevel, setLevel] = useState<number>();
  const level = room?.level ?? (levels.includes(chosenLevel ?? 0) ? (chosenLevel ?? 0) : (levels[0] ?? 0));
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-6 px-4 pt-5 sm:px-7 lg:grid-cols-[1fr_23rem]">
      <div className={`min-w-0 ${room ? "max-lg:hidden" : ""}`}>
        {rooms.length > 0 && (
          <div className="mb-4 grid gap-2">
            {levels.length > 1 && (
              <Segmented
                label="Level of the floor"
                labelHidden
                value={level}
                options={levels.map((each) => ({ value: each, name: levelName(each) }))}
                onChange={(value) => {
                  setLevel(value);
                  select(undefined);
                }}
              />
            )}
            <FloorView desk={desk} floor={floor} level={level} selected={selected} onSelect={select} />
            <PlanAdvice desk={desk} floor={floor} />
          </div>
        )}
        <LastVisit desk={desk} />
        {rooms.length === 0 ? (
          <Empty title="Add the first room.">
            Tap a usual one, or enter a size. Fills, times and drying use typical values, marked “assumed”.
          </Empty>
        ) : (
          <>
            <h2 className="mb-3 font-semibold text-soft">
              {desk.work.walkOut?.best.outcome === "ordered"
                ? "Walk-out order: furthest room from the exit first"
                : "Cleaning order"}
            </h2>
            <RoomList desk={desk} selected={selected} onSelect={select} now={now} />
          </>
        )}
        <div className="mt-5">
          <AddRoom desk={desk} isFirst={isCreated && rooms.length === 0} />
        </div>
        <div className="mt-6">
          <AllRooms desk={desk} />
        </div>
      </div>
      {room && plan ? (
        <Suspense fallback={<Loading what="the room" />}>
          <RoomEditor
            key={room.id}
            desk={desk}
            room={room}
            plan={plan}
            onClose={() => select(undefined)}
            onSelect={select}
          />
        </Suspense>
      ) : (
        <div className="grid content-start gap-6">
          <Suspense fallback={<Loading what="the questions" />}>
            <InterviewFields desk={desk} />
          </Suspense>
          <JobFacts desk={desk} />
        </div>
      )}
    </div>
  );
}
