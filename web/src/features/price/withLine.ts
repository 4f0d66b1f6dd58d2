import type { Job, PriceChange } from "@scutch/contract";
import { omitAbsent } from "@scutch/core";

/** A job with what is decided about one line of its price; a line about which nothing is left to say goes. */
export function withLine(job: Job, id: string, change: Partial<Omit<PriceChange, "id">>): Job {
  const lines = job.priceLines ?? [];
  const before = lines.find((line) => line.id === id);
  const next = omitAbsent({ ...before, ...change, id }) as PriceChange;
  const isSaid = Object.keys(next).length > 1;
  const others = lines.filter((line) => line.id !== id);
  const priceLines = !isSaid
    ? others
    : before
      ? lines.map((line) => (line.id === id ? next : line))
      : [...lines, next];
  return { ...job, priceLines };
}
