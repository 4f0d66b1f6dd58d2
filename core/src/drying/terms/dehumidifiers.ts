import { floatAt } from "../../itemAt.ts";
import { HEAT_OF_EVAPORATION } from "../../physical.ts";
import { dehumidifierCapacity } from "../dehumidifier.ts";
import { accumulate, type TermOf } from "./term.ts";

/** Condensed and drained by dehumidifiers standing in the rooms, its heat and their electricity given to the room. */
export const dehumidifiers: TermOf = () => ({
  name: "dehumidifiers",
  leaves: true,
  add(air, { vapour, heat }) {
    for (let i = 0; i < air.count; i++) {
      const rate = floatAt(air.dehumidifierRate, i);
      accumulate(heat, i, floatAt(air.dehumidifierPower, i));
      if (rate === 0) continue;
      const condensed = rate * dehumidifierCapacity(floatAt(air.T, i), Math.min(1, floatAt(air.humidity, i)));
      accumulate(vapour, i, -condensed);
      accumulate(heat, i, condensed * HEAT_OF_EVAPORATION);
    }
  },
});
