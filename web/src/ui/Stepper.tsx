import { Minus, Plus } from "lucide-react";

interface Props {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
}

/** A small count with a button each way. */
export function Stepper({ label, value, most, onChange }: Props) {
  const step = (by: number, name: string, icon: React.ReactNode) => (
    <button
      type="button"
      aria-label={name}
      disabled={value + by < 0 || value + by > most}
      onClick={() => onChange(value + by)}
      className="grid size-12 place-items-center disabled:opacity-35"
    >
      {icon}
    </button>
  );
  return (
    <fieldset>
      <legend className="min-h-6 text-sm text-soft">{label}</legend>
      <div className="flex w-fit items-center rounded-md border border-rule">
        {step(-1, `One less: ${label}`, <Minus aria-hidden size={20} />)}
        <output className="w-10 text-center font-bold font-mono text-xl">{value}</output>
        {step(1, `One more: ${label}`, <Plus aria-hidden size={20} />)}
      </div>
    </fieldset>
  );
}
