/** What steps come to, run to their end without a pause. */
export function toEnd<R>(steps: Generator<unknown, R, void>): R {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
