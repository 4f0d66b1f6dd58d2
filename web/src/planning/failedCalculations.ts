/** Calculations in a worker that broke off, apart from the worker: the strip at the top follows them from the first load on. */
let count = 0;
let askAgain: () => void = () => undefined;
const listeners = new Set<() => void>();

/** How many broke off and weren't tried again. */
export const failedCalculations = (): number => count;

/** Says how many broke off by now; `again` asks for them anew. */
export function noteFailedCalculations(now: number, again: () => void): void {
  askAgain = again;
  if (now === count) return;
  count = now;
  for (const each of listeners) each();
}

/** Tries again whatever broke off. */
export const retryCalculations = (): void => askAgain();

export function onCalculationFailed(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
