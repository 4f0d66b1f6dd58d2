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
    tell: "We don’t know what it was, so we go by what moves it, and may not get all of it.",
    warn: "Try each on a corner of the spot: what colours the cloth is the way to go on with.",
  },
  soil: {
    steps: ["lift-off", "water", "neutral"],
    when: "before",
    tell: "Mostly comes with the cleaning.",
  },
  "coffee-tea": {
    steps: ["lift-off", "water", "neutral", "acid", "peroxide"],
    when: "after",
    tell: "Comes lighter; what heat or milk has set may stay as a shadow.",
    warn: "No alkali: it sets the brown.",
  },
  "wine-fruit": {
    steps: ["lift-off", "water", "neutral", "acid", "peroxide"],
    when: "after",
    tell: "Fresh it comes out; old wine may stay as a shadow.",
    warn: "No alkali, no heat: they set the colour.",
  },
  "red-drink": {
    steps: ["lift-off", "water", "neutral", "acid", "reducer", "heat-transfer"],
    when: "after",
    tell: "It has dyed the carpet: taking the dye out is priced apart and can take the carpet’s colour too.",
    warn: "No oxygen product: it can fix the red.",
  },
  "milk-egg": {
    steps: ["lift-off", "water", "neutral", "enzyme", "alkali"],
    when: "before",
    tell: "Comes out; the smell may need a second visit if it went through.",
    warn: "Cold water only: heat sets protein.",
  },
  blood: {
    steps: ["lift-off", "water", "neutral", "enzyme", "alkali", "peroxide"],
    when: "before",
    tell: "Fresh it comes out; old blood may leave a brown shadow.",
    warn: "Cold water only. Gloves and goggles: treat it as infectious.",
  },
  vomit: {
    steps: ["lift-off", "water", "neutral", "enzyme", "peroxide"],
    when: "before",
    tell: "The stain may stay where acid has taken colour; the smell needs the odour step.",
    warn: "Gloves, goggles, mask: treat it as infectious.",
  },
  urine: {
    steps: ["lift-off", "water", "acid", "enzyme", "peroxide"],
    when: "before",
    tell: "The smell goes as far down as the urine went, and can come back in damp weather; old urine has changed the colour for good.",
    warn: "Find all of it with the lamp first; lint and laundry powder glow too.",
  },
  "food-grease": {
    steps: ["lift-off", "neutral", "alkali", "solvent"],
    when: "before",
    tell: "Comes out; polyester and olefin may keep a shadow.",
  },
  "oil-tar": {
    steps: ["lift-off", "spirit", "solvent", "neutral"],
    when: "before",
    tell: "Comes lighter; oil-loving fibres keep a shadow.",
    warn: "Dry solvent first: water drives it in.",
  },
  ink: {
    steps: ["lift-off", "spirit", "solvent", "neutral", "peroxide"],
    when: "after",
    tell: "It may spread before it comes out, and may not come out.",
    warn: "Cloth only, always a clean side: it runs.",
  },
  "make-up": {
    steps: ["lift-off", "neutral", "spirit", "solvent"],
    when: "after",
    tell: "Comes out in turns; the dye in it may stay.",
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
    tell: "Comes out; the colour of a candle may stay.",
  },
  rust: {
    steps: ["lift-off", "water", "acid", "rust-remover"],
    when: "after",
    tell: "Comes out, priced apart.",
    warn: "No alkali, no chlorine: they set it.",
  },
  "ice-melt": {
    steps: ["lift-off", "water", "acid"],
    when: "before",
    tell: "Comes with the cleaning; it comes back as long as there is salt outside.",
    warn: "Vacuum it dry first: wet salt is brine.",
  },
  soot: {
    steps: ["lift-off", "solvent", "neutral", "alkali"],
    when: "before",
    tell: "Vacuum first; what was trodden in may stay grey.",
    warn: "Vacuum without the brush, never rub: it smears.",
  },
};
