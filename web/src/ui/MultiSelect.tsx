import { entriesOfRecord } from "@scutch/core";

interface Props<T extends string> {
  readonly label: string;
  readonly hint?: string;
  readonly names: Readonly<Record<T, string>>;
  readonly chosen: readonly T[];
  readonly onChange: (chosen: T[]) => void;
}

/** Any number of several, each pressed or not. */
export function MultiSelect<T extends string>({ label, hint, names, chosen, onChange }: Props<T>) {
  return (
    <fieldset>
      <legend className="min-h-6 text-sm text-soft">{label}</legend>
      <div className="flex flex-wrap gap-1.5">
        {entriesOfRecord(names).map(([value, name]) => {
          const on = chosen.includes(value);
          return (
            <button
              key={value}
              type="button"
              aria-pressed={on}
              onClick={() => onChange(on ? chosen.filter((each) => each !== value) : [...chosen, value])}
              className={`min-h-12 rounded-md border px-3 text-sm ${on ? "border-ink bg-ink text-ground" : "border-rule"}`}
            >
              {name}
            </button>
          );
        })}
      </div>
      {hint && <p className="mt-1 text-sm text-soft">{hint}</p>}
    </fieldset>
  );
}
