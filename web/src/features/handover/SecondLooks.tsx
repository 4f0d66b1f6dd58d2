import type { RoomId } from "@scutch/contract";
import { dueSecondLooks, SECOND_LOOK_RESULTS, type SecondLookResult } from "@scutch/core/log";
import { useState } from "react";
import { SECOND_LOOK_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { useNow } from "../../ui/useNow.ts";

/** Rooms to look at again for what wicks up, and what was found; or what the customer called about later. */
export function SecondLooks({ desk }: { readonly desk: JobDesk }) {
  const log = useLogging(desk);
  const { about } = useTimes();
  const now = useNow();
  const due = dueSecondLooks(desk.log);
  const done = desk.work.rooms.filter(({ finishLogged, passage }) => finishLogged && !passage);
  if (done.length === 0) return null;
  const say = (roomId: string, result: SecondLookResult) =>
    log({ kind: "second-look", roomId: roomId as RoomId, result });
  return (
    <section aria-label="Second look" className="border-ink border-t-2 pt-3">
      <h2 className="font-semibold">Second look</h2>
      {due.length > 0 && <p className="text-soft">A treated spot can wick back up within about 2 hours.</p>}
      <ul>
        {due.map(({ roomId, at }) => (
          <li key={roomId} className="border-rule border-b py-2">
            <p className="flex justify-between gap-3">
              <strong>{nameById(desk.job.rooms, roomId, "A removed room")}</strong>
              <span className={at <= now ? "font-semibold text-caution-ink" : "text-soft"}>
                {at <= now ? "now" : `about ${about(at, now)}`}
              </span>
            </p>
            <div className="mt-1 flex flex-wrap gap-2">
              {SECOND_LOOK_RESULTS.map((result) => (
                <Button key={result} onClick={() => say(roomId, result)}>
                  {SECOND_LOOK_NAMES[result]}
                </Button>
              ))}
            </div>
          </li>
        ))}
      </ul>
      <CalledBack rooms={done} onSay={say} />
    </section>
  );
}

interface CalledBackProps {
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly onSay: (roomId: string, result: SecondLookResult) => void;
}

const CAME_BACK = SECOND_LOOK_RESULTS.filter((result) => result !== "fine");

/** Something the customer reports after the crew has left. */
function CalledBack({ rooms, onSay }: CalledBackProps) {
  const [open, setOpen] = useState(false);
  const [picked, setPicked] = useState<string>();
  const roomId = rooms.find(({ id }) => id === picked)?.id ?? rooms[0]?.id;
  if (roomId === undefined) return null;
  if (!open)
    return (
      <Button weight="quiet" onClick={() => setOpen(true)}>
        Something came back
      </Button>
    );
  return (
    <div className="grid gap-2 pt-2">
      <ChoiceField
        label="Room"
        value={roomId}
        options={rooms.map(({ id, name }) => ({ value: id, name }))}
        onChange={setPicked}
      />
      <div className="flex flex-wrap gap-2">
        {CAME_BACK.map((result) => (
          <Button
            key={result}
            onClick={() => {
              onSay(roomId, result);
              setOpen(false);
            }}
          >
            {SECOND_LOOK_NAMES[result]}
          </Button>
        ))}
      </div>
    </div>
  );
}
