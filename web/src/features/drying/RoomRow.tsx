import { Link } from "react-router";
import { hoursAndMinutes } from "../../format/time.ts";
import { gearWords } from "../../planning/gearWords.ts";
import { useTimes } from "../../state/useTimes.ts";
import type { BoardRow, NextCheck, Slip } from "./boardRows.ts";

const NEXT_NAMES: Readonly<Record<NextCheck, string>> = {
  "second-look": "second look",
  "first-reading": "measure it",
  "walk-on": "check it’s touch-dry",
  dry: "check it’s dry",
  stuck: "look again",
};
const SLIP_NAMES: Readonly<Record<Slip["against"], string>> = {
  promise: "than promised",
  told: "than the customer was told",
  plan: "than planned",
};

/** A room that still dries: when it can be walked on, how late that is, what to do next, and what stands in it. */
export function RoomRow({
  row,
  place,
  now,
}: {
  readonly row: BoardRow;
  readonly place: string;
  readonly now: number;
}) {
  const { about } = useTimes();
  const { walkOn, dry, isNever, next, slip, gear } = row;
  const isWalkedOn = walkOn !== null && walkOn <= now;
  const late = slip && hoursAndMinutes(Math.round(slip.by / 300_000) / 12);
  return (
    <li className={slip ? "border-caution border-t-4 bg-paper" : "border-rule border-t"}>
      <Link
        to={`/jobs/${row.jobId}/dry?room=${row.roomId}`}
        className="grid grid-cols-[1fr_auto] gap-x-4 px-4 py-3 hover:bg-wash sm:grid-cols-[14rem_9rem_1fr_1fr] sm:items-baseline"
      >
        <span className="min-w-0">
          <strong className="block font-semibold">{row.room}</strong>
          <span className="block truncate text-sm text-soft">{place}</span>
        </span>
        <span className="text-right sm:text-left">
          {isNever ? (
            <strong className="text-stop">won’t dry</strong>
          ) : isWalkedOn ? (
            <>
              <strong className="block font-semibold">touch-dry</strong>
              <span className="text-sm text-soft">
                dry <span className="font-mono">{dry === null ? "in over 4 days" : about(dry, now)}</span>
              </span>
            </>
          ) : (
            <>
              <strong className="block font-mono text-lg">
                {walkOn === null ? "over 4 days" : about(walkOn, now)}
              </strong>
              <span className="text-sm text-soft">touch-dry</span>
            </>
          )}
        </span>
        <span className="col-span-2 sm:col-span-1">
          {late && slip && (
            <span className="block font-semibold text-caution-ink">
              {walkOn === null ? "Never" : `${late} later`} {SLIP_NAMES[slip.against]}
              {walkOn === null && ", it would be dry"}
            </span>
          )}
          <span className="text-soft">Next: </span>
          {NEXT_NAMES[next.what]}{" "}
          <span className="font-mono">{next.at <= now ? "now" : about(next.at, now)}</span>
        </span>
        <span className="col-span-2 text-soft sm:col-span-1">{gear ? gearWords(gear) : ""}</span>
      </Link>
    </li>
  );
}
