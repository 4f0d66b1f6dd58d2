import { useMemo } from "react";

/** A second tap so soon, ms, is the same one. */
const ONE_TAP = 700;

/** Lets an act through unless it is the same tap again; `since`: what was tapped just before, elsewhere, ms since 1970. */
export function useTapGuard() {
  return useMemo(() => {
    let last = 0;
    return {
      isAgain: (since = 0): boolean => {
        const now = Date.now();
        if (now - Math.max(last, since) < ONE_TAP && now >= since) return true;
        last = now;
        return false;
      },
      /** Somebody else's tap is no second one. */
      forget: (): void => {
        last = 0;
      },
    };
  }, []);
}
