/** What a spot came from, as a customer would say it. */
export const ORIGINS = [
  "unknown",
  "soil",
  "coffee-tea",
  "wine-fruit",
  "red-drink",
  "milk-egg",
  "blood",
  "vomit",
  "urine",
  "food-grease",
  "oil-tar",
  "ink",
  "make-up",
  "paint-glue",
  "gum-wax",
  "rust",
  "ice-melt",
  "soot",
] as const;
export type Origin = (typeof ORIGINS)[number];
