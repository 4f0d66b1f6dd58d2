/** Money is counted in whole smallest units of its currency, pence or cents; prices and quantities have at most this many decimals. */
const PRICE_DECIMALS = 4;
const QUANTITY_DECIMALS = 3;
const RATE_DECIMALS = 6;

/** Smallest units of a currency in one of it, as a power of ten: 2 for pence and cents, 0 for yen. */
export type MinorDigits = 0 | 2 | 3;

/** A decimal as a whole number of its last place: 4.35 with 4 decimals is 43,500. */
const scaled = (value: number, decimals: number): bigint => BigInt(Math.round(value * 10 ** decimals));

/** a ÷ b to a whole number, halves away from zero; b is above 0. */
function divideRounded(a: bigint, b: bigint): number {
  const [size, sign] = a < 0n ? [-a, -1n] : [a, 1n];
  return Number(sign * ((2n * size + b) / (2n * b)));
}

/**
 * What a quantity costs, in smallest units, rounded once.
 *
 * @param quantity in the unit the price is for, to 3 decimals.
 * @param price in the currency for one, to 4 decimals.
 */
export const costOf = (quantity: number, price: number, digits: MinorDigits): number =>
  divideRounded(
    scaled(quantity, QUANTITY_DECIMALS) * scaled(price, PRICE_DECIMALS) * 10n ** BigInt(digits),
    10n ** BigInt(QUANTITY_DECIMALS + PRICE_DECIMALS),
  );

/** An amount of the currency in smallest units. */
export const toMinor = (amount: number, digits: MinorDigits): number => costOf(1, amount, digits);

/** Smallest units as an amount of the currency: to show, not to go on computing with. */
export const fromMinor = (minor: number, digits: MinorDigits): number => minor / 10 ** digits;

/** A share of an amount in smallest units, rounded once; the share to 6 decimals. */
export const shareOf = (minor: number, share: number): number =>
  divideRounded(BigInt(minor) * scaled(share, RATE_DECIMALS), 10n ** BigInt(RATE_DECIMALS));

/** The tax in an amount that includes it, in smallest units, rounded once; the rate to 6 decimals. */
export function taxWithin(minor: number, rate: number): number {
  const taxed = scaled(rate, RATE_DECIMALS);
  return divideRounded(BigInt(minor) * taxed, 10n ** BigInt(RATE_DECIMALS) + taxed);
}
