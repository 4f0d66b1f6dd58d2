import { entriesOfRecord } from "@scutch/core";
import { useId } from "react";
import { FieldFrame, inputLook } from "./FieldFrame.tsx";

interface Props<T extends string | number> {
  readonly label: string;
  readonly value: T | undefined;
  readonly assumed?: T | undefined;
  readonly options: readonly { readonly value: T; readonly name: string }[];
  readonly onChange: (value: T) => void;
  readonly error?: string | undefined;
  readonly hint?: string | undefined;
}

/** One of several, by the device's own list: the easiest to hit on a phone. */
export function ChoiceField<T extends string | number>({
  label,
  value,
  assumed,
  options,
  onChange,
  error,
  hint,
}: Props<T>) {
  const id = useId();
  const isAssumed = value === undefined && assumed !== undefined;
  const standing = value ?? assumed;
  return (
    <FieldFrame
      id={id}
      label={label}
      error={error}
      hint={hint}
      onConfirm={isAssumed ? () => onChange(assumed) : undefined}
    >
      <select
        id={id}
        className={inputLook(error !== undefined, isAssumed)}
        value={standing === undefined ? "" : String(standing)}
        aria-invalid={error !== undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(event) => {
          const chosen = options.find((option) => String(option.value) === event.target.value);
          if (chosen) onChange(chosen.value);
        }}
      >
        {standing === undefined && <option value="">Choose</option>}
        {options.map((option) => (
          <option key={String(option.value)} value={String(option.value)}>
            {option.name}
          </option>
        ))}
      </select>
    </FieldFrame>
  );
}

/** Options from a table of names. */
export const optionsOf = <T extends string>(names: Readonly<Record<T, string>>) =>
  entriesOfRecord(names).map(([value, name]) => ({ value, name }));

interface TickProps {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

/** One thing that is so or isn't. */
export function CheckBox({ label, checked, onChange }: TickProps) {
  return (
    <label className="flex min-h-12 items-center gap-3">
      <input
        type="checkbox"
        className="size-6 shrink-0 accent-accent"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
