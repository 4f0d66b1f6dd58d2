import { useEffect, useState } from "react";
import { pauseOf, useClock } from "./useClock.ts";

const HALF_A_MINUTE = 30_000;

/** The time, to the half minute. */
export function useNow(): number {
  const clock = useClock();
  const [now, setNow] = useState(clock.now);
  useEffect(() => {
    setNow(clock.now());
    const timer = setInterval(() => setNow(clock.now()), pauseOf(clock, HALF_A_MINUTE));
    return () => clearInterval(timer);
  }, [clock]);
  return now;
}
