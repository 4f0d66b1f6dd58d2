import type { RoomMoment } from "@scutch/core/drying";
import { formatAmount } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";

const TERM_NAMES: Readonly<Record<string, string>> = {
  carpet: "From the carpet",
  "outdoor exchange": "Windows and cracks",
  "open doors": "Open doors",
  "air handling": "Ventilation",
  dehumidifiers: "Dehumidifiers",
  condensation: "Condensed on cold surfaces",
  warmth: "Heating, walls and fans",
};
/** Less than this is nothing, kg/h and W. */
const [NO_WATER, NO_HEAT] = [0.0005, 1];

/** What brings water and heat into a room’s air at one hour and what takes them away: the terms its curve is summed from. */
export function AirBalance({ moment }: { readonly moment: RoomMoment }) {
  const units = useUnits();
  const terms = moment.terms.filter(
    ({ vapour, heat }) => Math.abs(vapour) >= NO_WATER || Math.abs(heat) >= NO_HEAT,
  );
  const signed = (value: number, text: string) => `${value < 0 ? "−" : "+"}${text}`;
  const water = (kg: number) =>
    Math.abs(kg) < NO_WATER ? "" : signed(kg, formatAmount(units.volume(Math.abs(kg) / 1000)));
  const heat = (watts: number) =>
    Math.abs(watts) < NO_HEAT ? "" : signed(watts, `${Math.round(Math.abs(watts))} W`);
  const sum = (of: "vapour" | "heat") => terms.reduce((total, term) => total + term[of], 0);
  return (
    <details className="mt-3 print:hidden">
      <summary className="min-h-12 cursor-pointer py-3 font-semibold text-accent">
        Where the water and heat go at that hour
      </summary>
      <table className="w-full text-left [&_td]:pl-3 [&_td]:text-right">
        <thead className="text-sm text-soft">
          <tr>
            <th className="py-1 font-normal">The room’s air</th>
            <td>water an hour</td>
            <td>heat</td>
          </tr>
        </thead>
        <tbody className="font-mono">
          {terms.map((term) => (
            <tr key={term.name} className="border-rule border-t">
              <th className="py-1.5 font-normal font-sans">{TERM_NAMES[term.name] ?? term.name}</th>
              <td>{water(term.vapour)}</td>
              <td>{heat(term.heat)}</td>
            </tr>
          ))}
          <tr className="border-ink border-t-2">
            <th className="py-1.5 font-sans font-semibold">Together</th>
            <td>{water(sum("vapour"))}</td>
            <td>{heat(sum("heat"))}</td>
          </tr>
        </tbody>
      </table>
      <p className="mt-1 text-soft text-sm">A room kept at one temperature shows no heat.</p>
    </details>
  );
}
