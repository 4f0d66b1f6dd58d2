import { itemAt } from "@scutch/core";
/** One line of the table; `beside` is the ratio to something measured in the same run, since machines differ threefold. */
export function row(what: string, value: string, budget: string, beside = ""): void {
  console.log(`${what.padEnd(62)} ${value.padStart(10)}   ${budget.padEnd(12)} ${beside}`);
}

/** Median of many runs after a warm-up, ms. */
export async function median(runs: number, once: () => unknown): Promise<number> {
  for (let i = 0; i < Math.min(50, runs); i++) await once();
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    await once();
    times.push(performance.now() - start);
  }
  return percentile(times, 0.5);
}

export const percentile = (times: readonly number[], share: number): number =>
  itemAt(
    times.toSorted((a, b) => a - b),
    Math.min(times.length - 1, Math.floor(share * times.length)),
  );

/** A fixed loop that tells how fast the machine is just now, ms; run here and in the page, so it uses nothing from outside. */
export const fixedLoopOnce = (): number => {
  const start = performance.now();
  let x = 0.5;
  for (let i = 0; i < 300_000; i++) x = Math.sin(x) + 1.0001;
  return performance.now() - start + (x > 9 ? 1 : 0);
};

export const fixedLoop = (): number => percentile(Array.from({ length: 9 }, fixedLoopOnce), 0.5);

export const times = (value: number, base: number, of: string) => `${(value / base).toPrecision(2)} × ${of}`;
