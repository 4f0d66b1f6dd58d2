import { useId, useState } from "react";
import type { FieldResult } from "../format/readers.ts";
import { FieldFrame, inputLook } from "./FieldFrame.tsx";
import { Readings } from "./Readings.tsx";

interface Props<T> {
  readonly label: string;
  /** undefined: not said. */
  readonly value: T | undefined;
  /** Stands in while nothing is said. */
  readonly assumed?: T | undefined;
  readonly show: (value: T) => string;
  readonly read: (text: string) => FieldResult<T>;
  /** Takes a good value; a returned sentence refuses it, and what was typed stays. */
  readonly onChange: (value: T | undefined) => string | undefined | undefined;
  readonly hint?: string | undefined;
  /** What a whole it is part of found wrong with it, until it is typed again. */
  readonly fault?: string | undefined;
  readonly placeholder?: string;
  /** Words rather than figures. */
  readonly words?: boolean;
  /** A figure without a unit is the usual: a phone shows its digits. */
  readonly digits?: boolean;
}

/**
 * One field that takes any sensible way to say a quantity. It is read when left or on Enter; what can't be read or isn't
 * allowed stays as typed with the reason under it, and the value before it stands. Emptied, it is not said any more.
 */
export function QuantityField<T>({
  label,
  value,
  assumed,
  show,
  read,
  onChange,
  hint,
  fault,
  placeholder,
  words = false,
  digits = false,
}: Props<T>) {
  const id = useId();
  const [typed, setTyped] = useState<string>();
  const [refused, setError] = useState<string>();
  const [readings, setReadings] = useState<readonly T[]>([]);
  const error = refused ?? fault;
  const isAssumed = value === undefined && assumed !== undefined;
  const standing = value ?? assumed;
  const shown = typed ?? (standing === undefined ? "" : show(standing));

  const take = (meant: T) => {
    const sentence = onChange(meant);
    setError(sentence || undefined);
    setReadings([]);
    if (!sentence) setTyped(undefined);
  };
  const finish = () => {
    if (typed === undefined) return;
    if (typed.trim() === "") {
      setTyped(undefined);
      setError(undefined);
      if (value !== undefined) onChange(undefined);
      return;
    }
    const result = read(typed);
    setReadings("error" in result ? (result.readings ?? []) : []);
    if ("error" in result) setError(result.error);
    else take(result.value);
  };

  return (
    <FieldFrame
      id={id}
      label={label}
      hint={hint}
      error={error}
      onConfirm={isAssumed ? () => void onChange(assumed) : undefined}
      below={error && <Readings readings={readings} show={show} onTake={take} />}
    >
      <input
        id={id}
        className={`${inputLook(error !== undefined, isAssumed && typed === undefined)} ${words ? "" : "font-mono"}`}
        value={shown}
        placeholder={placeholder}
        autoComplete="off"
        enterKeyHint="done"
        inputMode={digits ? "decimal" : undefined}
        aria-invalid={error !== undefined}
        aria-describedby={error ? `${id}-error` : hint ? `${id}-hint` : undefined}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          setError(undefined);
          setReadings([]);
        }}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === "Enter") finish();
          if (event.key === "Escape" && typed !== undefined) {
            event.stopPropagation();
            setTyped(undefined);
            setError(undefined);
            setReadings([]);
          }
        }}
      />
    </FieldFrame>
  );
}
