/** A second tap so soon, ms, is the same one. */
const ONE_TAP = 700;

/** When a tap was last let through, ms by the page's own clock: the device's can be set back, and every tap would be too soon. */
let last = Number.NEGATIVE_INFINITY;

/** Tells a second tap on the run's buttons from the same one again, whichever of them it meets. */
export const tapGuard = {
  isAgain(): boolean {
    const now = performance.now();
    if (now - last < ONE_TAP) return true;
    last = now;
    return false;
  },
  /** Another person's tap is no second one. */
  forget(): void {
    last = Number.NEGATIVE_INFINITY;
  },
};
