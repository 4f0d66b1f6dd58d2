import type { LogEntryOf } from "@scutch/contract";
import type { Fill } from "@scutch/core/mix";
import { Check } from "lucide-react";
import { formatAmount } from "../../format/units.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";

interface Props {
  readonly fills: readonly Fill[];
  readonly made: ReadonlyMap<number, LogEntryOf<"fill-made">>;
  readonly current: number;
  readonly onOpen: (place: number) => void;
}

/** The fills in the order they are made, each a tab of the sheet below. */
export function FillList({ fills, made, current, onOpen }: Props) {
  const { clock } = useTimes();
  const units = useUnits();
  if (fills.length < 2) return null;
  return (
    <ol className="flex overflow-x-auto">
      {fills.map((fill, i) => {
        const entry = made.get(i + 1);
        return (
          <li key={i} className="min-w-28 flex-1">
            <button
              type="button"
              aria-current={current === i}
              onClick={() => onOpen(i)}
              className={`min-h-14 w-full border-t-4 px-3 py-1 text-left ${current === i ? "border-accent bg-paper" : "border-transparent text-soft"}`}
            >
              <span className="flex items-center gap-1 font-semibold">
                Fill {i + 1} {entry && <Check aria-label="made" size={16} />}
              </span>
              <span className="font-mono text-sm">
                {entry ? clock(Date.parse(entry.at)) : formatAmount(units.volume(fill.volume))}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
