import { floatAt } from "../../itemAt.ts";
import { AIR_HEAT_CAPACITY } from "../../physical.ts";
import { accumulate, type TermOf } from "./term.ts";

/** Through windows, doors and cracks: mass of air exchanged × (W_out − W), and × c_p (T_out − T). */
export const outdoorExchange: TermOf = () => ({
  name: "outdoor exchange",
  leaves: true,
  add(air, { vapour, heat }) {
    const { humidityRatio, temperature } = air.outdoor;
    for (let i = 0; i < air.count; i++) {
      const kg = floatAt(air.exchange, i);
      accumulate(vapour, i, kg * (humidityRatio - floatAt(air.W, i)));
      if (air.free[i]) accumulate(heat, i, kg * AIR_HEAT_CAPACITY * (temperature - floatAt(air.T, i)));
    }
  },
  addSlopes(air, { vapourByRatio, heatByKelvin }) {
    for (let i = 0; i < air.count; i++) {
      const kg = floatAt(air.exchange, i);
      accumulate(vapourByRatio, i, -kg);
      accumulate(heatByKelvin, i, -kg * AIR_HEAT_CAPACITY);
    }
  },
});
