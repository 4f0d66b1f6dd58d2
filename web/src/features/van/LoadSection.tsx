import type { Job, Shelf } from "@scutch/contract";
import { useMemo } from "react";
import { LOADED, useChecklist } from "../../device/checklists.ts";
import { longDay } from "../../format/time.ts";
import { useUnits } from "../../state/useUnits.ts";
import { loadList } from "./loadList.ts";

interface Props {
  readonly shelf: Shelf;
  readonly day: string;
  /** Those of the day. */
  readonly jobs: readonly Job[];
}

/** What goes into the van for a day: all its jobs need, ticked off as it is put in; the ticks stay on this device. */
export function LoadSection({ shelf, day, jobs }: Props) {
  const units = useUnits();
  const items = useMemo(() => loadList(jobs, shelf, units), [jobs, shelf, units]);
  const { isOn: isIn, tick } = useChecklist(LOADED, day);
  const left = items.filter(({ key }) => !isIn(key)).length;
  return (
    <section aria-label="To load for tomorrow">
      <div className="flex flex-wrap items-end justify-between gap-x-4 border-ink border-b-2 pb-2">
        <h2 className="font-bold text-lg">To load for tomorrow, {longDay(day)}</h2>
        {items.length > 0 && (
          <span className="font-mono text-soft">{left === 0 ? "loaded" : `${left} to go`}</span>
        )}
      </div>
      {items.length === 0 ? (
        <p className="py-2 text-soft">No jobs tomorrow.</p>
      ) : (
        <ul>
          {items.map(({ key, what, how }) => {
            const on = isIn(key);
            return (
              <li key={key} className="border-rule border-b">
                <label className="flex min-h-12 items-center gap-3">
                  <input
                    type="checkbox"
                    className="size-6 shrink-0 accent-accent"
                    checked={on}
                    onChange={(event) => tick(key, event.target.checked)}
                  />
                  <span className={`min-w-0 flex-1 ${on ? "text-soft line-through" : ""}`}>{what}</span>
                  {how && <span className="min-w-0 text-right text-soft text-sm">{how}</span>}
                </label>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
