import { AIR_HEAT_CAPACITY } from "../../physical.ts";
import { accumulate, type TermOf } from "./term.ts";

/** Through windows, doors and cracks: mass of air exchanged × (W_out − W), and × c_p (T_out − T). */
export const outdoorExchange: TermOf = () => ({
  name: "outdoor exchange",
  leaves: true,
  add(air, { vapour, heat }) {
    const { humidityRatio, temperature } = air.outdoor;
    for (let i = 0; i < air.count; i++) {
      const kg = air.exchange[i] as number;
      accumulate(vapour, i, kg * (humidityRatio - (air.W[i] as number)));
      if (air.free[i]) accumulate(heat, i, kg * AIR_HEAT_CAPACITY * (temperature - (air.T[i] as number)));
    }
  },
  addSlopes(air, { vapourByRatio, heatByKelvin }) {
    for (let i = 0; i < air.count; i++) {
      const kg = air.exchange[i] as number;
      accumulate(vapourByRatio, i, -kg);
      accumulate(heatByKelvin, i, -kg * AIR_HEAT_CAPACITY);
    }
  },
});
