import type { KnownFibre } from "./fibres.ts";

/** What the customer does until any carpet is dry and after (common practice). */
export const AFTERCARE_ALL: readonly string[] = [
  "Walk on it in clean socks until it’s dry. Shoes bring soil into damp pile.",
  "Leave tabs and blocks under furniture until it’s dry: damp wood stains and metal rusts.",
  "Vacuum once it’s dry, then every week where people walk most.",
  "Blot a spill at once with a white cloth and plain water, from its edge to its centre. Don’t rub.",
];

/** What each fibre needs beside it (common practice). */
export const AFTERCARE: Readonly<Record<KnownFibre, readonly string[]>> = {
  nylon: ["Blot juice and red drinks at once: nylon takes their dye."],
  polyester: ["Polyester holds oil: use mats at the doors and vacuum the walkways often."],
  olefin: [
    "Blot cooking oil and grease at once: olefin holds oil.",
    "Lift furniture, don’t drag it: rubbing can melt olefin.",
  ],
  acrylic: ["Don’t scrub: acrylic fuzzes."],
  wool: ["Use only cleaners labelled for wool. No bleach and no oxygen powder."],
  silk: ["Don’t put water on silk: blot a spill dry and call us."],
  cotton: ["Dry a spill fast, with a fan on it: cotton browns when it stays damp."],
  viscose: ["Don’t put water on viscose: blot a spill dry and call us."],
  plant: ["Keep water off: blot a spill dry and call us. Plant fibre shrinks and browns."],
};
