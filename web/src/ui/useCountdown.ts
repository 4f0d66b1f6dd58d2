import { useEffect, useState } from "react";

export interface Countdown {
  /** s left; undefined before it is started. */
  readonly left: number | undefined;
  /** s since it was started. */
  readonly passed: number;
  readonly start: () => void;
}

/** A clock that runs down `seconds`, by the device's clock: it stays right when the screen sleeps. */
export function useCountdown(seconds: number): Countdown {
  const [startedAt, setStartedAt] = useState<number>();
  const [now, setNow] = useState(0);
  const done = startedAt !== undefined && now - startedAt >= seconds * 1000;
  useEffect(() => {
    if (startedAt === undefined || done) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [startedAt, done]);
  const passed = startedAt === undefined ? 0 : Math.max(0, (now - startedAt) / 1000);
  return {
    left: startedAt === undefined ? undefined : Math.max(0, Math.ceil(seconds - passed)),
    passed,
    start: () => {
      const at = Date.now();
      setStartedAt(at);
      setNow(at);
    },
  };
}

/** 75 as 1:15. */
export const clockText = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.round(seconds) % 60).padStart(2, "0")}`;
