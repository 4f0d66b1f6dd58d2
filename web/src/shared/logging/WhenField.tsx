import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { MomentField } from "../../ui/MomentField.tsx";
import { useClock } from "../../ui/useClock.ts";

interface Props {
  /** ms since 1970; undefined: as it is logged. */
  readonly value: number | undefined;
  readonly onChange: (at: number | undefined) => void;
}

/** When something happened: now, unless it is written down later than it was done. */
export function WhenField({ value, onChange }: Props) {
  const { now } = useClock();
  const { clock24, dayOf, momentAt } = useTimes();
  if (value === undefined)
    return (
      <Button weight="quiet" className="justify-self-start" onClick={() => onChange(now())}>
        Set an earlier time
      </Button>
    );
  const set = (day: string, time: string) => {
    const at = momentAt(day, time);
    // What hasn’t happened yet isn’t logged.
    if (Number.isFinite(at)) onChange(Math.min(at, now()));
  };
  return (
    <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
      <MomentField
        label="Day"
        type="date"
        max={dayOf(now())}
        value={dayOf(value)}
        onChange={(day) => set(day, clock24(value))}
      />
      <MomentField
        label="Time"
        type="time"
        value={clock24(value)}
        onChange={(time) => set(dayOf(value), time)}
      />
      <Button onClick={() => onChange(undefined)}>Now</Button>
    </div>
  );
}
