import { type MinorDigits, shareOf, toMinor } from "./money.ts";

const HOUR = 3600;

/** What goes off a price before it is earned; in the currency, for the whole job. */
export interface JobCosts {
  readonly product: number;
  readonly pads: number;
  readonly travel: number;
  /** For an hour of one person. */
  readonly wage: number;
}

/** What a job earns; in smallest units of the currency. */
export interface Earnings {
  readonly net: number;
  readonly product: number;
  readonly pads: number;
  readonly travel: number;
  readonly wages: number;
  readonly left: number;
  /** Hours of the crew together. */
  readonly crewHours: number;
  /** What is left for each of them; undefined where there is none. */
  readonly perHour: number | undefined;
}

/**
 * What a job leaves for an hour of each of the crew, after product, pads, travel and wages.
 *
 * @param net price without tax, in smallest units.
 * @param seconds on the job, s.
 */
export function earningsOf(
  net: number,
  costs: JobCosts,
  { seconds, people }: { readonly seconds: number; readonly people: number },
  digits: MinorDigits,
): Earnings {
  const crewHours = (seconds * people) / HOUR;
  const minor = (cost: number) => toMinor(cost, digits);
  const [product, pads, travel] = [minor(costs.product), minor(costs.pads), minor(costs.travel)];
  const wages = shareOf(minor(costs.wage), crewHours);
  const left = net - product - pads - travel - wages;
  return {
    net,
    product,
    pads,
    travel,
    wages,
    left,
    crewHours,
    perHour: crewHours > 0 ? Math.round(left / crewHours) : undefined,
  };
}
