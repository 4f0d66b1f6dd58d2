import { explainReady, patchReady, type RoomDrying } from "@scutch/core/drying";
import { memo } from "react";
import { timeAt } from "../../format/time.ts";
import { percent } from "../../format/units.ts";
import { readyOfRoom } from "../../planning/ready.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { ExplainedFigure } from "../../shared/explain/ExplainedFigure.tsx";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Callout } from "../../ui/Callout.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";

interface Props {
  readonly start: number;
  readonly dried: DryingForecast;
  readonly place: number;
  readonly now: number;
  readonly onSelect: (roomId: string) => void;
}

const MUSTY_AFTER = 24;

function BigHour({ time, now }: { readonly time: number; readonly now: number }) {
  const { aboutParts } = useTimes();
  const { day, hour } = aboutParts(time, now);
  return (
    <span className="font-bold font-mono text-[min(3.75rem,18vw)] leading-none">
      {day && <span className="mr-3 text-[min(1.875rem,9vw)]">{day}</span>}
      {hour}
    </span>
  );
}

/** A room without a time: dry some day, or not in the air it has, and what that air is. */
function NotDry({ drying }: { readonly drying: RoomDrying | undefined }) {
  const units = useUnits();
  const last = drying?.course.at(-1);
  if (drying?.outcome !== "cannot" || !last)
    return <p className="my-2 font-bold text-3xl text-caution-ink">Longer than 4 days</p>;
  return (
    <>
      <p className="my-2 font-bold text-3xl text-stop">Won’t dry in this air</p>
      <p>
        The room’s air settles at {percent(last.relativeHumidity)} and {units.temperature(last.temperature)},
        too damp to dry the carpet further.
      </p>
    </>
  );
}

/** When the patch of a room that was soaked against odour is ready; undefined where none was. */
function patchOf({ work, result, building = work.building }: DryingForecast, place: number) {
  const [room, dries, course] = [work.rooms[place], building.rooms[place], result.rooms[place]?.course];
  return room && dries && course && room.odourArea > 0
    ? patchReady(dries, room.patchResidual, course, work.building.pressure)
    : undefined;
}

/** The one big number: when this room can be walked on; then when its furniture goes back. */
export const ReadyHead = memo(function ReadyHead({ dried, start, place, now, onSelect }: Props) {
  const { about, between, clock } = useTimes();
  const units = useUnits();
  const { work } = dried;
  const room = work.rooms[place];
  if (!room) return null;
  const dry = readyOfRoom(dried, place, start, "dry");
  const touch = readyOfRoom(dried, place, start, "touchDry");
  const hours = dried.result.rooms[place]?.dryHours;
  const patch = patchOf(dried, place);
  const explained = { ...work, building: dried.building ?? work.building };
  return (
    <div className="border-accent border-t-4 bg-paper px-4 pt-2 pb-4">
      <div className="lg:hidden">
        <ChoiceField
          label="Room"
          value={room.id}
          options={work.rooms.map(({ id, name }) => ({ value: id, name }))}
          onChange={onSelect}
        />
      </div>
      <h2 className="hidden font-bold text-xl lg:block">{room.name}</h2>
      <p className="text-soft">
        {room.finishLogged ? "finished " : "finish planned about "}
        <span className="font-mono">
          {room.finishLogged
            ? clock(timeAt(start, room.finishedAtHours))
            : about(timeAt(start, room.finishedAtHours), now)}
        </span>
      </p>
      {touch.likely !== null && (
        <>
          <p className="mt-2 text-soft">Touch-dry (OK in socks) about</p>
          <ExplainedFigure label="Touch-dry" working={() => explainReady(explained, place, "touchDryHours")}>
            <BigHour time={touch.likely} now={now} />
          </ExplainedFigure>
          <p className="mt-2 font-mono text-soft">
            {touch.early === null ? "\u00a0" : between(touch.early, touch.late, now)}
          </p>
        </>
      )}
      {dry.likely === null ? (
        <NotDry drying={dried.result.rooms[place]} />
      ) : (
        <p className="mt-1">
          Dry, furniture back, by about{" "}
          <ExplainedFigure
            label="Dry by"
            working={() => explainReady(explained, place, "dryHours")}
            className="whitespace-nowrap font-bold font-mono text-lg"
          >
            {about(dry.likely, now)}
          </ExplainedFigure>{" "}
          {dry.early !== null && (
            <span className="whitespace-nowrap font-mono text-soft">{between(dry.early, dry.late, now)}</span>
          )}
        </p>
      )}
      {patch && (
        <p className="mt-1">
          The area in {units.area(room.odourArea)} soaked for odour{" "}
          {patch.dryHours === null ? (
            "won’t be dry in 4 days"
          ) : (
            <>
              will be dry about{" "}
              <span className="font-bold font-mono">
                {about(timeAt(start, room.finishedAtHours + patch.dryHours), now)}
              </span>
            </>
          )}
          : keep off it until then.
        </p>
      )}
      {(hours == null || hours > MUSTY_AFTER) && (
        <div className="mt-3">
          <Callout tone="caution" title="Wet for more than a day.">
            It can turn musty. Bring in drier air or dehumidify, then check again.
          </Callout>
        </div>
      )}
    </div>
  );
});
