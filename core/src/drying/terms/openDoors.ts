import { floatAt, itemAt } from "../../itemAt.ts";
import { AIR_DENSITY, AIR_HEAT_CAPACITY } from "../../physical.ts";
import { accumulate, type TermOf } from "./term.ts";

/** Through open doors: what one room gains of vapour and heat the other loses. */
export const openDoors: TermOf = ({ links = [] }) =>
  links.length === 0
    ? undefined
    : {
        name: "open doors",
        leaves: false,
        add(air, { vapour, heat }) {
          for (let k = 0; k < links.length; k++) {
            const { a, b } = itemAt(links, k);
            const flow = floatAt(air.doorFlow, k);
            const moved = AIR_DENSITY * flow * (floatAt(air.W, b) - floatAt(air.W, a));
            accumulate(vapour, a, moved);
            accumulate(vapour, b, -moved);
            const warmth = AIR_DENSITY * flow * AIR_HEAT_CAPACITY * (floatAt(air.T, b) - floatAt(air.T, a));
            accumulate(heat, a, warmth);
            accumulate(heat, b, -warmth);
          }
        },
      };
