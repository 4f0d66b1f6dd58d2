/** Soil 1 (dusty) … 5 (caked); see docs/job-format.md. */
export const SOIL_LEVELS = [1, 2, 3, 4, 5] as const;
export type Soil = (typeof SOIL_LEVELS)[number];

/** What each level of soil looks like, so that two people say the same (common practice). */
export const SOIL_ANCHORS: Readonly<Record<Soil, string>> = {
  1: "Dust: white socks stay white. Vacuuming would nearly do.",
  2: "A little grey where people turn. Colours clear everywhere.",
  3: "Traffic lanes show against the edges. A few spots.",
  4: "Traffic lanes dark and stiff, pile flat, edges grey.",
  5: "Caked: pattern gone in the lanes, shiny or sticky underfoot.",
};

/** Dry grit, or held on by oil: what is greasy is mixed a step stronger. */
export const SOIL_NATURES = ["dry", "greasy"] as const;
export type SoilNature = (typeof SOIL_NATURES)[number];

/** Fibre worn or crushed looks dark and isn’t dirt: it stays when the soil is gone. */
export const WEAR = ["none", "shading", "worn"] as const;
export type Wear = (typeof WEAR)[number];

/** Tells wear from soil (common practice). */
export const WEAR_TEST =
  "Look along the lane from both ends. Dark from one side and pale from the other means flat pile. Rub with a damp white cloth: if it stays clean, it’s not soil.";

/** Soil 1…5 as the mix sees it: greasy counts one step heavier, never past 5 (common practice). */
export function soilForMix(soil: Soil, nature: SoilNature | undefined): Soil {
  return nature === "greasy" ? (SOIL_LEVELS.find((level) => level > soil) ?? 5) : soil;
}
