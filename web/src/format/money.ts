import { fromMinor, type MinorDigits } from "@scutch/core/quote";

/** How a crew's money is written. */
export interface MoneyFormat {
  /** Smallest units in one of the currency, as a power of ten. */
  readonly digits: MinorDigits;
  /** An amount of the currency: £12.50, CHF 12.50. */
  readonly show: (amount: number) => string;
  /** The same, from smallest units. */
  readonly showMinor: (minor: number) => string;
}

/** An ISO code is written as its language does; any other sign stands before the figure, and none leaves the figure alone. */
export function moneyFormat(currency: string | undefined, locale?: string): MoneyFormat {
  const format =
    currency !== undefined && /^[A-Z]{3}$/.test(currency) ? isoFormat(currency, locale) : undefined;
  const places = format?.resolvedOptions().maximumFractionDigits ?? 2;
  const digits: MinorDigits = places === 0 || places === 3 ? places : 2;
  const show = (amount: number) => {
    if (format) return format.format(amount);
    const figure = `${amount < 0 ? "−" : ""}${currency ?? ""}${/\p{L}$/u.test(currency ?? "") ? "\u00a0" : ""}`;
    return `${figure}${Math.abs(amount).toFixed(digits)}`;
  };
  return { digits, show, showMinor: (minor) => show(fromMinor(minor, digits)) };
}

/** A code the browser doesn't know has no format of its own. */
function isoFormat(currency: string, locale: string | undefined): Intl.NumberFormat | undefined {
  try {
    return new Intl.NumberFormat(locale, { style: "currency", currency });
  } catch {
    return undefined;
  }
}

/** A tax or discount rate to its last decimal: 8.25%. */
export const rateText = (share: number): string => `${Number((100 * share).toFixed(4))}%`;
