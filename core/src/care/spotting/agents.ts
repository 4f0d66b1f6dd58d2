/** Something done to a spot, from the gentlest to the strongest; the order here is the order of strength. */
export const AGENTS = [
  "lift-off",
  "freeze",
  "water",
  "neutral",
  "acid",
  "enzyme",
  "alkali",
  "spirit",
  "solvent",
  "rust-remover",
  "peroxide",
  "reducer",
  "heat-transfer",
] as const;
export type Agent = (typeof AGENTS)[number];
