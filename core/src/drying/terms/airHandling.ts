import { humidityRatioFromVapourPressure, saturationPressure } from "../../air/index.ts";
import { floatAt } from "../../itemAt.ts";
import { AIR_HEAT_CAPACITY } from "../../physical.ts";
import { accumulate, type TermOf } from "./term.ts";

/**
 * Draws air from every room, mixes it, dries it over the coil where there is one, and returns it:
 * W_supply = W_mix − run (1 − BF) max(0, W_mix − W_sat(ADP)); heat goes as S c_p (T_mix − T). A coil's own cold isn't
 * reckoned: it belongs to rooms whose temperature is held.
 */
export const airHandling: TermOf = ({ hvac }, { mass, pressure }) => {
  if (hvac === undefined) return undefined;
  const flow = mass.map((each) => (each * hvac.airChangesPerHour) / 3600);
  const total = flow.reduce((sum, each) => sum + each, 0);
  if (total === 0) return undefined;
  const { coil } = hvac;
  const onCoil = coil
    ? humidityRatioFromVapourPressure(saturationPressure(coil.apparatusDewPoint), pressure)
    : 0;
  const effect = coil ? coil.runFraction * (1 - coil.bypass) : 0;
  return {
    name: "air handling",
    leaves: true,
    add(air, { vapour, heat }) {
      let mixed = 0;
      let warmth = 0;
      for (let i = 0; i < flow.length; i++) {
        mixed += floatAt(flow, i) * floatAt(air.W, i);
        warmth += floatAt(flow, i) * floatAt(air.T, i);
      }
      mixed /= total;
      warmth /= total;
      const supply = mixed - effect * Math.max(0, mixed - onCoil);
      for (let i = 0; i < flow.length; i++) {
        const kg = floatAt(flow, i);
        accumulate(vapour, i, kg * (supply - floatAt(air.W, i)));
        accumulate(heat, i, kg * AIR_HEAT_CAPACITY * (warmth - floatAt(air.T, i)));
      }
    },
  };
};
