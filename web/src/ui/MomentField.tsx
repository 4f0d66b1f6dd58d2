import { useId } from "react";
import { inputLook } from "./FieldFrame.tsx";

interface Props {
  readonly label: string;
  readonly type: "date" | "time";
  /** YYYY-MM-DD or HH:MM. */
  readonly value: string;
  readonly max?: string;
  readonly onChange: (value: string) => void;
}

/** A day or an hour, by the browser's own field. Emptied it stays what it was: neither can be nothing. */
export function MomentField({ label, type, value, max, onChange }: Props) {
  const id = useId();
  return (
    <label htmlFor={id} className="text-sm text-soft">
      {label}
      <input
        id={id}
        type={type}
        className={inputLook(false)}
        max={max}
        value={value}
        onChange={({ target }) => target.value && onChange(target.value)}
      />
    </label>
  );
}
