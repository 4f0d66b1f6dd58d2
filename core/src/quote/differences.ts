import type { JobPrice } from "./priceJob.ts";

/** The discount’s id among the lines of a difference. */
export const DISCOUNT = "discount";

/** A line whose amount isn’t what was agreed, in smallest units; `was` or `now` absent: it wasn’t there or isn’t any more. */
export interface PriceDifference {
  readonly id: string;
  readonly was?: number;
  readonly now?: number;
}

interface Agreed {
  readonly lines: readonly { readonly id: string; readonly amount: number }[];
  readonly discount?: number;
}

/** Where a price differs from one agreed, line by line: the agreed order first, then lines that came since. */
export function priceDifferences(agreed: Agreed, price: JobPrice): PriceDifference[] {
  const now = new Map(
    price.lines.flatMap(({ id, amount, struck }) => (struck ? [] : [[id, amount] as const])),
  );
  const was = new Map(agreed.lines.map(({ id, amount }) => [id, amount]));
  was.set(DISCOUNT, -(agreed.discount ?? 0));
  now.set(DISCOUNT, -price.discount);
  return [...new Set([...was.keys(), ...now.keys()])].flatMap((id): PriceDifference[] => {
    const [before, after] = [was.get(id), now.get(id)];
    if (was.has(id) && now.has(id) && (before || 0) === (after || 0) && after !== undefined) return [];
    return [
      {
        id,
        ...(was.has(id) && before !== undefined ? { was: before } : {}),
        ...(now.has(id) && after !== undefined ? { now: after } : {}),
      },
    ];
  });
}
