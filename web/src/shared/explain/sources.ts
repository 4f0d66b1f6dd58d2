/** Where a working comes from, in a sentence; the keys are those of docs/sources.md. */
export const SOURCE_NAMES: Readonly<Record<string, string>> = {
  survey: "Measured in the survey.",
  "application-rates": "Rates by method, soil and pile: common practice. The product’s label comes first.",
  "pile-balance":
    "Water balance of the pile, fitted to one wet and two dry strokes. A measured residual is more accurate.",
  pads: "Area per pad side by soil: common practice. Turn a pad when it smears.",
  dilution: "Parts by volume, as on the label.",
  drying:
    "Heat and vapour at a wet surface, a receding drying front and the room’s air, solved over time. Accurate to a few tens of percent, so a range is shown.",
  "air-movers":
    "Air mover thrust against drag of the room’s surfaces. A reading at the floor is more accurate.",
  scheduling:
    "Each step with the crew, tools and circuits you have, as on the run sheet. Paces are your crew’s where set, else common practice.",
};
