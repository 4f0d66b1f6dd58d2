import { useId } from "react";
import { clock24, dayOf } from "../../format/time.ts";
import { Button } from "../../ui/Button.tsx";
import { inputLook } from "../../ui/FieldFrame.tsx";

interface Props {
  /** ms since 1970; undefined: as it is logged. */
  readonly value: number | undefined;
  readonly onChange: (at: number | undefined) => void;
}

/** When something happened: now, unless it is written down later than it was done. */
export function WhenField({ value, onChange }: Props) {
  const id = useId();
  if (value === undefined)
    return (
      <Button weight="quiet" className="justify-self-start" onClick={() => onChange(Date.now())}>
        It was earlier: say when
      </Button>
    );
  const set = (day: string, time: string) => {
    const at = new Date(`${day}T${time}`).getTime();
    // What hasn’t happened yet isn’t logged.
    if (Number.isFinite(at)) onChange(Math.min(at, Date.now()));
  };
  return (
    <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
      <label htmlFor={`${id}day`} className="text-sm text-soft">
        Day
        <input
          id={`${id}day`}
          type="date"
          className={inputLook(false)}
          max={dayOf(Date.now())}
          value={dayOf(value)}
          onChange={(event) => set(event.target.value, clock24(value))}
        />
      </label>
      <label htmlFor={`${id}time`} className="text-sm text-soft">
        Time
        <input
          id={`${id}time`}
          type="time"
          className={inputLook(false)}
          value={clock24(value)}
          onChange={(event) => set(dayOf(value), event.target.value)}
        />
      </label>
      <Button onClick={() => onChange(undefined)}>Now</Button>
    </div>
  );
}
