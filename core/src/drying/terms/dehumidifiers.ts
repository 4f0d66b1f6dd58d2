import { HEAT_OF_EVAPORATION } from "../../physical.ts";
import { dehumidifierCapacity } from "../dehumidifier.ts";
import { accumulate, type TermOf } from "./term.ts";

/** Condensed and drained by dehumidifiers standing in the rooms, its heat and their electricity given to the room. */
export const dehumidifiers: TermOf = () => ({
  name: "dehumidifiers",
  leaves: true,
  add(air, { vapour, heat }) {
    for (let i = 0; i < air.count; i++) {
      const rate = air.dehumidifierRate[i] as number;
      accumulate(heat, i, air.dehumidifierPower[i] as number);
      if (rate === 0) continue;
      const condensed =
        rate * dehumidifierCapacity(air.T[i] as number, Math.min(1, air.humidity[i] as number));
      accumulate(vapour, i, -condensed);
      accumulate(heat, i, condensed * HEAT_OF_EVAPORATION);
    }
  },
});
