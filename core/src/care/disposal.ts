/** What goes where when the job is done (common practice; local code decides). */
export const DISPOSAL: readonly { readonly what: string; readonly where: string }[] = [
  {
    what: "Waste water",
    where:
      "Toilet, gully or drain to the sanitary sewer, with the owner’s leave. Never a storm drain, a ditch or the garden.",
  },
  {
    what: "Mix left in the sprayer",
    where:
      "Use it up within its pot life on this job, or pour it to the sewer with plenty of water where the label allows it. Never back into the bottle.",
  },
  {
    what: "Activated oxygen mix",
    where: "Never kept in a closed vessel: it gives off gas. Use it or pour it away as the label says.",
  },
  {
    what: "Solvent cloths",
    where: "Outdoors, spread out, until dry; then as the data sheet says. Heaped up they can catch fire.",
  },
  { what: "Lint and grit from filters", where: "Household waste, bagged." },
  { what: "Pads", where: "Rinse where waste water may go, then launder." },
  { what: "Anything with blood or faeces", where: "Double bag, and by the local rules for it." },
  { what: "Empty bottles", where: "Rinse three times, the rinse into the sewer; then as the label says." },
];
