/** Where a working comes from, in a sentence; the keys are those of docs/sources.md. */
export const SOURCE_NAMES: Readonly<Record<string, string>> = {
  survey: "Measured on the survey.",
  "application-rates": "Rates by method, soil and pile: common practice. The product’s label comes first.",
  "pile-balance":
    "Water balance of the pile, fitted to one wet and two dry strokes. A measured residual is better.",
  pads: "What a side does by soil: common practice. Look at it: a side that smears is done.",
  dilution: "Parts by volume, as the label gives them.",
  drying:
    "Heat and vapour at a wet surface, a receding drying front and the room’s air, worked through in time. Good to some tens of percent: hence the range.",
  "air-movers":
    "Momentum the fans put in against the drag of the room’s surfaces. A reading at the floor is better.",
  scheduling:
    "Every step with the hands, tools and circuits there are, as the run sheet has it; paces and overhead are the crew’s where it has set them, else common practice.",
};
