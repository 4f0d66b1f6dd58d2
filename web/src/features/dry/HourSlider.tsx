import { useId } from "react";
import { useTimes } from "../../state/useTimes.ts";

interface Props {
  /** ms since 1970. */
  readonly from: number;
  readonly to: number;
  readonly value: number;
  readonly now: number;
  readonly onChange: (time: number) => void;
}

const STEP = 5 * 60_000;

/** The hour looked at, pulled along the drying. */
export function HourSlider({ from, to, value, now, onChange }: Props) {
  const id = useId();
  const { about } = useTimes();
  const isNow = Math.abs(value - now) < STEP;
  return (
    <div className="print:hidden">
      <label htmlFor={id} className="flex justify-between">
        <span className="text-soft text-sm">Hour looked at</span>
        <span className="font-bold font-mono">{isNow ? `now ${about(value, now)}` : about(value, now)}</span>
      </label>
      <input
        id={id}
        type="range"
        className="h-12 w-full accent-accent"
        min={from}
        max={to}
        step={STEP}
        value={value}
        aria-valuetext={about(value, now)}
        onChange={({ target }) => onChange(Number(target.value))}
      />
    </div>
  );
}
