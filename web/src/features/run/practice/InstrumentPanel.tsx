import type { RoomId } from "@scutch/contract";
import { type Instruments, vesselLevels } from "@scutch/core/plan";
import { formatAmount, percent } from "../../../format/units.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { useLogging } from "../../../shared/logging/useLogging.ts";
import { useUnits } from "../../../state/useUnits.ts";
import { Button } from "../../../ui/Button.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly instruments: Instruments;
  readonly vesselName: (id: string) => string;
}
const TANK_NAMES = { solution: "Solution tank", recovery: "Recovery tank" } as const;

/** What the instruments show, as simulated: gauges, the air, and the meter on every room that is cleaned. */
export function InstrumentPanel({ desk, instruments, vesselName }: Props) {
  const units = useUnits();
  const log = useLogging(desk);
  const rooms = desk.work.rooms.filter(({ passage }) => !passage);
  const gauges = vesselLevels(desk.input, desk.work).length > 0 ? instruments.gauges() : [];
  return (
    <section aria-label="Instruments" className="grid gap-2">
      <h2 className="font-semibold">Instruments, simulated</h2>
      <table className="w-full text-sm">
        <tbody>
          {gauges.map(({ id, kind, volume }) => (
            <tr key={id} className="border-rule border-t">
              <th className="py-2 text-left font-normal">
                {kind === "sprayer" ? vesselName(id) : TANK_NAMES[kind]}
              </th>
              <td className="py-2 text-right font-mono" colSpan={2}>
                {formatAmount(units.volume(volume))}
              </td>
            </tr>
          ))}
          {rooms.map(({ id, name }) => {
            const { temperature, relativeHumidity } = instruments.thermoHygrometer(id);
            const moisture = instruments.moistureMeter(id, "carpet");
            return (
              <tr key={id} className="border-rule border-t">
                <th className="py-2 text-left font-normal">{name}</th>
                <td className="py-2 text-right font-mono">
                  {units.temperature(temperature)} {percent(relativeHumidity)}
                </td>
                <td className="py-2 text-right">
                  <Button
                    weight="quiet"
                    aria-label={`Log the meter in ${name}: ${percent(moisture)}`}
                    onClick={() => log({ kind: "reading", roomId: id as RoomId, place: "carpet", moisture })}
                  >
                    <span className="font-mono">{percent(moisture)}</span>
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="text-sm text-soft">
        Air in the room, and the meter reading on its carpet. Tap to log it (practice only).
      </p>
    </section>
  );
}
