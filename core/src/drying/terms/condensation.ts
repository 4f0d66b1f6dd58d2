import { floatAt } from "../../itemAt.ts";
import { HEAT_OF_EVAPORATION } from "../../physical.ts";
import { STILL_ROOM_SPEED, surfaceArea } from "../airSpeed.ts";
import { convection, massTransfer } from "../surface.ts";
import { accumulate, type TermOf } from "./term.ts";

/**
 * Above 100 % the rest condenses on the room's surfaces: S h_m0 (ρ_v,air − ρ_v,sat(T)), S floor, ceiling and walls,
 * h_m0 that of still air; its heat to the room.
 */
export const condensation: TermOf = (_, { rooms }) => {
  const speed = massTransfer(convection(STILL_ROOM_SPEED));
  const conductance = Float64Array.from(rooms, ({ area, height }) => surfaceArea(area, height) * speed);
  return {
    name: "condensation",
    leaves: true,
    add(air, { vapour, heat }) {
      for (let i = 0; i < air.count; i++) {
        const excess = floatAt(air.vapour, i) - floatAt(air.saturated, i);
        if (!(excess > 0)) continue;
        const condensed = floatAt(conductance, i) * excess;
        accumulate(vapour, i, -condensed);
        accumulate(heat, i, condensed * HEAT_OF_EVAPORATION);
      }
    },
    addSlopes(air, { vapourByRatio, vapourByKelvin, heatByRatio, heatByKelvin }) {
      for (let i = 0; i < air.count; i++) {
        if (!(floatAt(air.humidity, i) > 1)) continue;
        const each = floatAt(conductance, i);
        const byRatio = each * air.vapourPerRatio(i);
        const byKelvin = each * (air.vapourPerKelvin(i) - floatAt(air.saturatedSlope, i));
        accumulate(vapourByRatio, i, -byRatio);
        accumulate(vapourByKelvin, i, -byKelvin);
        accumulate(heatByRatio, i, byRatio * HEAT_OF_EVAPORATION);
        accumulate(heatByKelvin, i, byKelvin * HEAT_OF_EVAPORATION);
      }
    },
  };
};
