import { type ReactNode, useEffect, useState } from "react";
import { pauseOf, useClock } from "../../../ui/useClock.ts";

/** A leaf that is drawn anew each second, and nothing else with it: `children` is given the time. */
export function TickingClock({ children }: { readonly children: (now: number) => ReactNode }) {
  const clock = useClock();
  const [now, setNow] = useState(clock.now);
  useEffect(() => {
    setNow(clock.now());
    const timer = setInterval(() => setNow(clock.now()), pauseOf(clock, 1000));
    return () => clearInterval(timer);
  }, [clock]);
  return children(now);
}

/** 75 s as 1:15, 3700 s as 1:01:40. */
export function clockOf(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const two = (value: number) => String(value).padStart(2, "0");
  const minutes = Math.floor(whole / 60);
  return minutes < 60
    ? `${minutes}:${two(whole % 60)}`
    : `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(whole % 60)}`;
}
