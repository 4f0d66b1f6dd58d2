import { createContext, useContext } from "react";

/** The time as a screen goes by it, ms since 1970, and how many times as fast as the device's it runs. */
export interface Clock {
  readonly now: () => number;
  readonly rate: number;
}

/** The device's own clock, unless a screen is given another: practice has one that runs faster. */
export const ClockContext = createContext<Clock>({ now: () => Date.now(), rate: 1 });
export const useClock = (): Clock => useContext(ClockContext);

/** Pause between two looks at a clock, ms, so that nothing is drawn more often than it can be seen. */
export const pauseOf = ({ rate }: Clock, usual: number): number =>
  Math.max(250, usual / Math.max(rate, 0.001));
