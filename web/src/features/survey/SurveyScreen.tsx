import { useSearchParams } from "react-router";
import { Empty } from "../../ui/States.tsx";
import { useDesk } from "../job/JobScreen.tsx";
import { useNow } from "../job/useNow.ts";
import { AddRoom } from "./AddRoom.tsx";
import { JobFacts } from "./JobFacts.tsx";
import { RoomEditor } from "./RoomEditor.tsx";
import { RoomList } from "./RoomList.tsx";

/** What is there: rooms in walk-out order, the air, and one room opened beside them. */
export function SurveyScreen() {
  const desk = useDesk();
  const now = useNow();
  const [search, setSearch] = useSearchParams();
  const selected = search.get("room") ?? undefined;
  const select = (roomId: string | undefined) =>
    setSearch(roomId ? { room: roomId } : {}, { replace: true, preventScrollReset: true });
  const place = desk.job.rooms.findIndex((room) => room.id === selected);
  const room = desk.job.rooms[place];
  const plan = desk.work.rooms[place];
  const add = (added: (typeof desk.job.rooms)[number]) =>
    desk.edit((job) => ({ ...job, rooms: [...job.rooms, added] }));
  return (
    <div className="grid gap-x-8 gap-y-6 px-4 pt-5 sm:px-7 lg:grid-cols-[1fr_23rem]">
      <div className={room ? "max-lg:hidden" : ""}>
        <h2 className="mb-3 font-semibold text-soft">
          Rooms in walk-out order: the furthest from the way out first
        </h2>
        <RoomList desk={desk} selected={selected} onSelect={select} now={now} />
        {desk.job.rooms.length === 0 && (
          <Empty title="Type the first room.">
            Its size is enough: fills, times and drying follow at once from usual values, marked as assumed.
          </Empty>
        )}
        <div className="mt-5">
          <AddRoom count={desk.job.rooms.length} onAdd={add} />
        </div>
      </div>
      {room && plan ? (
        <RoomEditor
          key={room.id}
          desk={desk}
          room={room}
          plan={plan}
          onClose={() => select(undefined)}
          onSelect={select}
        />
      ) : (
        <JobFacts desk={desk} />
      )}
    </div>
  );
}
