import { workingOfArea, workingOfFinish } from "@scutch/core/plan";
import { useUnits } from "../../app/store.ts";
import { about, at } from "../../format/time.ts";
import { ASSUMED_NAMES, COVERING_NAMES, FIBRE_NAMES, METHOD_NAMES, SOIL_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../job/useJobDesk.ts";
import { Worked } from "../working/Worked.tsx";
import { sizeText } from "./readers.ts";

interface Props {
  readonly desk: JobDesk;
  readonly selected: string | undefined;
  readonly onSelect: (roomId: string) => void;
  readonly now: number;
}

/** The rooms in walk-out order, a line or two each. */
export function RoomList({ desk: { job, work, start }, selected, onSelect, now }: Props) {
  const units = useUnits();
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
            <span className="w-6 font-mono text-soft">{i + 1}</span>
            <div className="min-w-0 flex-1">
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
              <p className="text-sm">
                {COVERING_NAMES[known.covering]}, {FIBRE_NAMES[known.fibre].toLowerCase()} ·{" "}
                {SOIL_NAMES[known.soil].toLowerCase()} soil · {METHOD_NAMES[known.method].toLowerCase()}
                {known.padAfter && " and pad"}
              </p>
              {known.assumed.length > 0 && (
                <p className="text-caution-ink text-sm">
                  Assumed: {known.assumed.map((field) => ASSUMED_NAMES[field]).join(", ")}
                </p>
              )}
            </div>
            <div className="relative z-10 shrink-0 text-right">
              <Worked
                label={`Area of ${room.name}`}
                working={() => workingOfArea(room.shape)}
                className="font-bold font-mono text-lg"
              >
                {units.area(known.area)}
              </Worked>
              <p className="text-sm text-soft">
                {known.finishLogged ? "finished " : "done about "}
                <Worked
                  label={`Finish of ${room.name}`}
                  working={() => workingOfFinish(known)}
                  className="font-mono"
                >
                  {about(at(start, known.finishedAt), now)}
                </Worked>
              </p>
            </div>
          </li>
        );
      })}
    </ol>
  );
}
