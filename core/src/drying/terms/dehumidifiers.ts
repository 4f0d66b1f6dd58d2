import { HEAT_OF_EVAPORATION } from "../../physical.ts";
import { dehumidifierCapacity } from "../dehumidifier.ts";
import { gain, type TermOf } from "./term.ts";

/** A rating in litres a day as kg/s. */
const PER_SECOND = 1 / 86400;

/** Condensed and drained by dehumidifiers standing in the rooms, its heat and their electricity given to the room. */
export const dehumidifiers: TermOf = () => ({
  name: "dehumidifiers",
  leaves: true,
  add(air, { vapour, heat }) {
    for (let i = 0; i < air.count; i++) {
      const { dehumidifierLitresPerDay = 0, dehumidifierPower = 0 } = air.settings[i] ?? {};
      gain(heat, i, dehumidifierPower);
      if (dehumidifierLitresPerDay === 0) continue;
      const share = dehumidifierCapacity(air.T[i] as number, Math.min(1, air.humidity[i] as number));
      const condensed = dehumidifierLitresPerDay * PER_SECOND * share;
      gain(vapour, i, -condensed);
      gain(heat, i, condensed * HEAT_OF_EVAPORATION);
    }
  },
});
