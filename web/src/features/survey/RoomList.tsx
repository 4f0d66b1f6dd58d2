import { isHardFloor } from "@scutch/core/care";
import { explainArea } from "@scutch/core/floor";
import type { AssumedField, KnownRoom } from "@scutch/core/plan";
import { explainFinish } from "@scutch/core/run";
import { lazy, Suspense } from "react";
import { sizeText } from "../../format/readers.ts";
import { dayText, timeAt } from "../../format/time.ts";
import { ASSUMED_NAMES, COVERING_NAMES, FIBRE_NAMES, METHOD_NAMES, SOIL_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { ExplainedFigure } from "../../shared/explain/ExplainedFigure.tsx";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";

const CareMark = lazy(async () => ({ default: (await import("../../shared/care/CareMark.tsx")).CareMark }));

interface Props {
  readonly desk: JobDesk;
  readonly selected: string | undefined;
  readonly onSelect: (roomId: string) => void;
  readonly now: number;
}

/** The rooms in walk-out order, a line or two each. */
export function RoomList({ desk, selected, onSelect, now }: Props) {
  const { about } = useTimes();
  const { job, work, startMs } = desk;
  const units = useUnits();
  const order = work.rooms.filter(({ passage }) => !passage).map(({ id }) => id);
  return (
    <ol className="border-rule border-b">
      {job.rooms.map((room, i) => {
        const known = work.rooms[i];
        if (!known) return null;
        return (
          <li
            key={room.id}
            className={`relative flex items-start gap-3 border-rule border-t py-3 pr-2 pl-3 ${selected === room.id ? "bg-wash" : ""}`}
          >
            <span className="w-6 font-mono text-soft">
              {known.passage ? "–" : order.indexOf(room.id) + 1}
            </span>
            <div className="min-w-0 flex-1">
              <div className="flex flex-wrap items-start justify-between gap-x-3">
                <div className="min-w-0 flex-1 basis-24">
                  <button
                    type="button"
                    aria-pressed={selected === room.id}
                    onClick={() => onSelect(room.id)}
                    className="text-left font-bold before:absolute before:inset-0"
                  >
                    {room.name}
                  </button>
                  <p className="text-sm text-soft">
                    <span className="font-mono">{sizeText(room.shape, units)}</span>
                  </p>
                </div>
                <div className="relative z-10 ml-auto text-right">
                  <ExplainedFigure
                    label={`Area of ${room.name}`}
                    working={() => explainArea(room.shape, room.parts)}
                    className="font-bold font-mono text-lg leading-6 before:bottom-0"
                  >
                    {units.area(known.area)}
                  </ExplainedFigure>
                  <p className={`text-sm text-soft ${known.passage ? "hidden" : ""}`}>
                    {known.finishLogged ? "finished " : "done about "}
                    <ExplainedFigure
                      label={`Finish of ${room.name}`}
                      working={() => explainFinish(known)}
                      className="font-mono before:top-0"
                    >
                      {about(timeAt(startMs, known.finishedAtHours), now)}
                    </ExplainedFigure>
                  </p>
                </div>
              </div>
              <p className="text-sm">{known.passage ? "Walk-through only, not cleaned" : roomText(known)}</p>
              <Suspense fallback={null}>
                <CareMark desk={desk} roomId={room.id} />
              </Suspense>
              {room.fromVisit && (
                <p className="text-caution-ink text-sm">From the visit of {dayText(room.fromVisit)}</p>
              )}
              {known.assumed.length > 0 && (
                <p className="truncate text-caution-ink text-sm">Assumed: {assumedText(known.assumed)}</p>
              )}
            </div>
          </li>
        );
      })}
    </ol>
  );
}

/** The assumed values that change the plan most, as many as fit a phone's line, and how many more there are. */
const NAMED = 3;
const FIRST_ASKED: readonly AssumedField[] = ["size", "covering", "fibre", "soil", "method", "windows"];
function assumedText(assumed: readonly AssumedField[]): string {
  const named = FIRST_ASKED.filter((field) => assumed.includes(field));
  const shown = (named.length > 0 ? named : assumed).slice(0, NAMED);
  const more = assumed.length - shown.length;
  return `${shown.map((field) => ASSUMED_NAMES[field]).join(", ")}${more > 0 ? `, ${more} more` : ""}`;
}

function roomText({ covering, fibre, soil, method, padAfter }: KnownRoom): string {
  const floor = isHardFloor(covering)
    ? COVERING_NAMES[covering]
    : `${COVERING_NAMES[covering]}, ${FIBRE_NAMES[fibre].toLowerCase()}`;
  const pad = padAfter ? " and pad" : "";
  return `${floor} · ${SOIL_NAMES[soil].toLowerCase()} soil · ${METHOD_NAMES[method].toLowerCase()}${pad}`;
}
