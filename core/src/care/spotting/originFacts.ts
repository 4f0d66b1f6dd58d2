import type { Agent } from "./agents.ts";
import type { Origin } from "./origins.ts";

export interface OriginFacts {
  /** What to do, gentle to strong. */
  readonly steps: readonly Agent[];
  /** Before the room is cleaned, or after what cleaning leaves. */
  readonly when: "before" | "after";
  readonly tell: string;
  readonly warn?: string;
}

/** Guides by origin (common practice). */
export const ORIGIN_FACTS: Readonly<Record<Origin, OriginFacts>> = {
  unknown: {
    steps: ["lift-off", "water", "neutral", "acid", "alkali", "spirit", "solvent"],
    when: "after",
    tell: "We don’t know the cause, so we try what moves it and may not get all of it.",
    warn: "Try each product on a corner of the spot. Continue with the one that colours the cloth.",
  },
  soil: {
    steps: ["lift-off", "water", "neutral"],
    when: "before",
    tell: "Usually comes out with cleaning.",
  },
  "coffee-tea": {
    steps: ["lift-off", "water", "neutral", "acid", "peroxide"],
    when: "after",
    tell: "It will lighten. Colour set by heat or milk may leave a shadow.",
    warn: "No alkali: it sets the brown.",
  },
  "wine-fruit": {
    steps: ["lift-off", "water", "neutral", "acid", "peroxide"],
    when: "after",
    tell: "Fresh wine comes out; old wine may leave a shadow.",
    warn: "No alkali, no heat: they set the colour.",
  },
  "red-drink": {
    steps: ["lift-off", "water", "neutral", "acid", "reducer", "heat-transfer"],
    when: "after",
    tell: "It has dyed the carpet. Removing dye is an extra charge and can take the carpet’s colour too.",
    warn: "No oxygen product: it can fix the red.",
  },
  "milk-egg": {
    steps: ["lift-off", "water", "neutral", "enzyme", "alkali"],
    when: "before",
    tell: "Comes out. The smell may need a second visit if it soaked through.",
    warn: "Cold water only: heat sets protein.",
  },
  blood: {
    steps: ["lift-off", "water", "neutral", "enzyme", "alkali", "peroxide"],
    when: "before",
    tell: "Fresh blood comes out; old blood may leave a brown shadow.",
    warn: "Cold water only. Wear gloves and goggles: treat it as infectious.",
  },
  vomit: {
    steps: ["lift-off", "water", "neutral", "enzyme", "peroxide"],
    when: "before",
    tell: "A stain may stay where acid took the colour. The smell needs the odour step.",
    warn: "Wear gloves, goggles and mask: treat it as infectious.",
  },
  urine: {
    steps: ["lift-off", "water", "acid", "enzyme", "peroxide"],
    when: "before",
    tell: "The smell goes as deep as the urine did and can return in damp weather. Old urine may have changed the colour permanently.",
    warn: "Find all of it with a UV lamp first. Lint and laundry powder glow too.",
  },
  "food-grease": {
    steps: ["lift-off", "neutral", "alkali", "solvent"],
    when: "before",
    tell: "Comes out. Polyester and olefin may keep a shadow.",
  },
  "oil-tar": {
    steps: ["lift-off", "spirit", "solvent", "neutral"],
    when: "before",
    tell: "It will lighten. Fibres that hold oil keep a shadow.",
    warn: "Dry solvent first: water drives it in.",
  },
  ink: {
    steps: ["lift-off", "spirit", "solvent", "neutral", "peroxide"],
    when: "after",
    tell: "It may spread before it comes out, and may not come out.",
    warn: "Use a cloth only, always a clean side: it runs.",
  },
  "make-up": {
    steps: ["lift-off", "neutral", "spirit", "solvent"],
    when: "after",
    tell: "Comes out in stages. Its dye may stay.",
  },
  "paint-glue": {
    steps: ["lift-off", "neutral", "spirit", "solvent"],
    when: "before",
    tell: "Dry paint comes off in crumbs or not at all.",
    warn: "Never acetone on acetate or foam backing.",
  },
  "gum-wax": {
    steps: ["lift-off", "freeze", "solvent", "neutral"],
    when: "before",
    tell: "Comes out. A candle’s colour may stay.",
  },
  rust: {
    steps: ["lift-off", "water", "acid", "rust-remover"],
    when: "after",
    tell: "Comes out; extra charge.",
    warn: "No alkali, no chlorine: they set it.",
  },
  "ice-melt": {
    steps: ["lift-off", "water", "acid"],
    when: "before",
    tell: "Comes out with cleaning. It returns while there’s salt outside.",
    warn: "Vacuum it dry first: wet salt turns to brine.",
  },
  soot: {
    steps: ["lift-off", "solvent", "neutral", "alkali"],
    when: "before",
    tell: "Vacuum first. Trodden-in soot may stay grey.",
    warn: "Vacuum without the brush. Never rub: it smears.",
  },
};
