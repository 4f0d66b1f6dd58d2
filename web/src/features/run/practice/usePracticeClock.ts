import { useMemo, useState } from "react";
import type { Clock } from "../../../ui/useClock.ts";

interface Setting {
  /** The device's time and the practice's at which it was set, ms since 1970. */
  readonly real: number;
  readonly shown: number;
  readonly rate: number;
}

const at = ({ real, shown, rate }: Setting) => shown + (Date.now() - real) * rate;

/** A clock that begins at `start` and runs so many times as fast as the device's; 0 stands still. */
export function usePracticeClock(start: number): {
  readonly clock: Clock;
  readonly run: (rate: number) => void;
  readonly again: () => void;
  /** On to a time, ms since 1970; never back. */
  readonly jump: (to: number) => void;
} {
  const [setting, set] = useState<Setting>(() => ({ real: Date.now(), shown: start, rate: 1 }));
  const clock = useMemo((): Clock => ({ now: () => at(setting), rate: setting.rate }), [setting]);
  return {
    clock,
    run: (rate) => set((before) => ({ real: Date.now(), shown: at(before), rate })),
    jump: (to) => set((before) => ({ real: Date.now(), shown: Math.max(at(before), to), rate: before.rate })),
    again: () => set(({ rate }) => ({ real: Date.now(), shown: start, rate })),
  };
}
