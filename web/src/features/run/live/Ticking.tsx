import { type ReactNode, useEffect, useState } from "react";

/** A leaf that is drawn anew each second, and nothing else with it: `children` is given the time. */
export function Ticking({ children }: { readonly children: (now: number) => ReactNode }) {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
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
