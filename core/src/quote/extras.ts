/** What is charged apart from the cleaning of a room (common practice). */
export const EXTRAS = ["extra-rinse", "odour", "stain", "spot", "stairs", "edges", "matting"] as const;
export type Extra = (typeof EXTRAS)[number];

/** What an extra is counted in: m², m, or pieces. */
export const EXTRA_UNIT: Readonly<Record<Extra, "area" | "length" | "piece">> = {
  "extra-rinse": "area",
  odour: "area",
  stain: "piece",
  spot: "piece",
  stairs: "piece",
  edges: "length",
  matting: "area",
};

/** One line of the bill. The price is absent until the crew has said what it takes for one. */
export interface ExtraLine {
  readonly extra: Extra;
  /** m², m or pieces. */
  readonly quantity: number;
  readonly price?: number;
}

/** Lines for what there is some of, priced where the crew has set a price for one m², m or piece. */
export function extraLines(
  quantities: Readonly<Partial<Record<Extra, number>>>,
  prices: Readonly<Partial<Record<Extra, number>>> = {},
): ExtraLine[] {
  return EXTRAS.flatMap((extra) => {
    const quantity = quantities[extra] ?? 0;
    const each = prices[extra];
    return quantity > 0
      ? [{ extra, quantity, ...(each === undefined ? {} : { price: each * quantity }) }]
      : [];
  });
}
