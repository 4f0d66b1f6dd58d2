import type { Room } from "@scutch/contract";
import { FLIGHT_LIMITS } from "@scutch/core/floor";
import type { ShowLimit } from "../../format/readers.ts";
import { countReader, quantityReader } from "../../format/readers.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";

type Stairs = Extract<Room["shape"], { kind: "stairs" }>;

interface Props {
  readonly flight: Stairs;
  /** Its steps are typical ones, not measured. */
  readonly assumed: boolean;
  readonly onChange: (flight: Stairs, showLimit?: ShowLimit) => string | undefined;
}

/** A flight by its steps. Landings are added below, like alcoves. */
export function StairFields({ flight, assumed, onChange }: Props) {
  const units = useUnits();
  const small = units.system === "metric" ? ("cm" as const) : ("in" as const);
  const length = (field: "tread" | "riser" | "width", label: string) => (
    <QuantityField
      label={label}
      value={flight[field]}
      show={units.length}
      read={quantityReader("length", small)}
      onChange={(value) =>
        value === undefined ? undefined : onChange({ ...flight, [field]: value }, units.length)
      }
    />
  );
  return (
    <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
      {assumed && (
        <div className="col-span-full flex flex-wrap items-center gap-x-3 text-caution-ink">
          <p>Typical steps, not measured.</p>
          <Button onClick={() => void onChange(flight)}>Keep them</Button>
        </div>
      )}
      <QuantityField
        label="Steps"
        value={flight.steps}
        show={String}
        read={countReader(...FLIGHT_LIMITS.steps)}
        onChange={(steps) => (steps === undefined ? undefined : onChange({ ...flight, steps }))}
      />
      {length("tread", "Tread")}
      {length("riser", "Riser")}
      {length("width", "Width")}
      <QuantityField
        label="Turning steps"
        value={flight.winders}
        assumed={0}
        show={String}
        read={countReader(0, flight.steps)}
        onChange={(winders) => onChange({ ...flight, winders })}
      />
      <QuantityField
        label="Runner, if not full width"
        value={flight.runner}
        assumed={flight.width}
        show={units.length}
        read={quantityReader("length", small)}
        onChange={(runner) => onChange({ ...flight, runner }, units.length)}
      />
    </div>
  );
}
