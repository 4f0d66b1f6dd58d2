import { floatAt } from "../../itemAt.ts";
import { heating, heatingSlope } from "../climate.ts";
import { accumulate, type TermOf } from "./term.ts";

/** Through walls and windows UA (T_out − T), from the heating, and from the fans' electricity. */
export const envelopeAndHeating: TermOf = () => ({
  name: "warmth",
  leaves: true,
  add(air, { heat }) {
    for (let i = 0; i < air.count; i++) {
      const now = air.settings[i];
      if (!air.free[i] || now === undefined) continue;
      const T = floatAt(air.T, i);
      const through = floatAt(air.envelope, i) * (air.outdoor.temperature - T);
      accumulate(heat, i, through + heating(now.climate, T) + floatAt(air.fans, i));
    }
  },
  addSlopes(air, { heatByKelvin }) {
    for (let i = 0; i < air.count; i++) {
      const now = air.settings[i];
      if (!air.free[i] || now === undefined) continue;
      accumulate(heatByKelvin, i, heatingSlope(now.climate, floatAt(air.T, i)) - floatAt(air.envelope, i));
    }
  },
});
