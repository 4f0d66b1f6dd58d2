import type { Job } from "@scutch/contract";
import { humidityReader, quantityReader } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";
import { QuantityField } from "../../ui/QuantityField.tsx";

type Air = NonNullable<Job["indoor"]>;

interface Props {
  readonly title: string;
  readonly air: Air | undefined;
  readonly assumed: Air;
  readonly onChange: (air: Air | undefined) => string | undefined;
}

/** A thermometer's and a hygrometer's reading of one place. */
export function AirFields({ title, air, assumed, onChange }: Props) {
  const units = useUnits();
  const set = (change: Partial<Air>) => onChange({ ...(air ?? assumed), ...change });
  return (
    <fieldset>
      <legend className="font-semibold">{title}</legend>
      <div className="grid grid-cols-2 gap-3">
        <QuantityField
          label="Temperature"
          value={air?.temperature}
          assumed={assumed.temperature}
          show={units.temperature}
          read={quantityReader("temperature", units.bare.temperature)}
          onChange={(temperature) => (temperature === undefined ? onChange(undefined) : set({ temperature }))}
        />
        <QuantityField
          label="Humidity"
          value={air?.relativeHumidity}
          assumed={assumed.relativeHumidity}
          show={percent}
          read={humidityReader}
          onChange={(relativeHumidity) =>
            relativeHumidity === undefined ? onChange(undefined) : set({ relativeHumidity })
          }
        />
      </div>
    </fieldset>
  );
}
