/** One line of the table. */
export function row(what: string, value: string, budget: string): void {
  console.log(`${what.padEnd(58)} ${value.padStart(12)}   ${budget}`);
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
  times.sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] as number;
}
