/** What goes where when the job is done (common practice; local code decides). */
export const DISPOSAL: readonly { readonly what: string; readonly where: string }[] = [
  {
    what: "Waste water",
    where:
      "Toilet, gully or drain to the sewer (foul drain), with the customer’s permission. Never a storm drain, a ditch or the garden.",
  },
  {
    what: "Mix left in the sprayer",
    where:
      "Use it up on this job before its use-by time, or pour it to the sewer with plenty of water if the label allows. Never back into the bottle.",
  },
  {
    what: "Activated oxygen mix",
    where: "Never keep it in a closed container: it gives off gas. Use it or pour it away as the label says.",
  },
  {
    what: "Solvent cloths",
    where: "Spread them out outdoors until dry, then follow the data sheet. In a heap they can catch fire.",
  },
  { what: "Lint and grit from filters", where: "Household waste, bagged." },
  { what: "Pads", where: "Rinse where waste water may go, then launder." },
  { what: "Anything with blood or faeces", where: "Double-bag it and follow the local rules." },
  { what: "Empty bottles", where: "Rinse three times into the sewer, then follow the label." },
];
