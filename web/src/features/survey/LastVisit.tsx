import { countedFills, effectiveEntries, meterReadings, roomFinishTimes } from "@scutch/core/log";
import { madeStrength } from "@scutch/core/mix";
import { formatDuration } from "@scutch/core/quantity";
import { useState } from "react";
import { dayText } from "../../format/time.ts";
import { percent, strengthOf } from "../../format/units.ts";
import { METHOD_NAMES, ORIGIN_SHORT } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { spotsThatStayed, useLastVisit, type Visit, withRoomsOf } from "../../planning/lastVisit.ts";
import { nameById } from "../../planning/nameById.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";

/** What the crew knows of the place from its last visit: its rooms to start from, and how it went. */
export function LastVisit({ desk }: { readonly desk: JobDesk }) {
  const visit = useLastVisit(desk.job);
  const [error, setError] = useState<string>();
  const [open, setOpen] = useState(false);
  if (!visit) return null;
  const rooms = visit.job.rooms.length;
  const isNew = desk.job.rooms.length === 0;
  const isOpen = open || isNew;
  return (
    <section aria-label="Last visit" className="mb-4 border-accent border-t-4 bg-paper px-4 pt-2 pb-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="font-bold text-lg">Last visit, {dayText(visit.job.day)}</h2>
        {!isNew && (
          <Button weight="quiet" aria-expanded={isOpen} onClick={() => setOpen(!open)}>
            {open ? "Hide" : "Show"}
          </Button>
        )}
      </div>
      {isNew && (
        <Button
          weight="main"
          className="my-2 w-full"
          onClick={() => setError(desk.edit((before) => withRoomsOf(before, visit)))}
        >
          Use {rooms === 1 ? "its room" : `its ${rooms} rooms`}
        </Button>
      )}
      <FieldError sentence={error} />
      {isOpen && <Facts desk={desk} visit={visit} />}
    </section>
  );
}

/** Methods, products, readings and how long it took to dry, as the log of that visit has them. */
function Facts({ desk, visit }: { readonly desk: JobDesk; readonly visit: Visit }) {
  const units = useUnits();
  const { job, log } = visit;
  const cleaned = job.rooms.filter(({ passage }) => !passage);
  const methods = [...new Set(cleaned.flatMap(({ method }) => (method ? [METHOD_NAMES[method]] : [])))];
  const products = [
    ...new Set(
      countedFills(log).map(
        (fill) =>
          `${nameById(desk.shelf.products, fill.productId, "a removed product")} ${strengthOf(madeStrength(fill), fill.powder !== undefined, units)}`,
      ),
    ),
  ];
  const readings = cleaned.flatMap(({ id, name }) => {
    const last = meterReadings(log, id).carpet.at(-1);
    return last ? [`${name} ${percent(last.moisture)}`] : [];
  });
  const told = effectiveEntries(log).findLast((entry) => entry.kind === "handed-over");
  const finished = Math.max(0, ...roomFinishTimes(log).values());
  const took = told?.walkOnAt && finished > 0 ? (Date.parse(told.walkOnAt) - finished) / 1000 : undefined;
  const stayed = spotsThatStayed(visit).map(
    ({ origin, roomId }) => `${ORIGIN_SHORT[origin]}, ${nameById(job.rooms, roomId, "a room")}`,
  );
  const rows: readonly (readonly [string, string])[] = [
    ["Rooms", cleaned.map(({ name }) => name).join(", ")],
    ["Method", methods.join(", ")],
    ["Products", products.join(", ")],
    ["Last readings", readings.join(", ")],
    [
      "Touch-dry, as told",
      took !== undefined && took > 0 ? `${formatDuration(took)} after the last room` : "",
    ],
    ["Spots that stayed", stayed.join("; ")],
  ];
  return (
    <dl>
      {rows
        .filter(([, value]) => value !== "")
        .map(([label, value]) => (
          <div key={label} className="border-rule border-t py-1.5">
            <dt className="text-sm text-soft">{label}</dt>
            <dd>{value}</dd>
          </div>
        ))}
    </dl>
  );
}
