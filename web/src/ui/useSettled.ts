import { useEffect, useState } from "react";

/** A value once it hasn’t changed for so long, ms; until then what it was before. For what may follow a little later. */
export function useSettled<T>(value: T, pause: number): T {
  const [settled, setSettled] = useState(() => value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(() => value), pause);
    return () => clearTimeout(timer);
  }, [value, pause]);
  return settled;
}
