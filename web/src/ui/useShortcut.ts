import { useEffect, useRef } from "react";

const TYPES = new Set(["INPUT", "TEXTAREA", "SELECT"]);

/** Calls `act` when `key` is pressed outside a field and without a dialog open. */
export function useShortcut(key: string, act: () => void): void {
  const latest = useRef(act);
  latest.current = act;
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.key !== key || event.ctrlKey || event.metaKey || event.altKey) return;
      if (TYPES.has(target.tagName) || document.querySelector('[role="dialog"]')) return;
      event.preventDefault();
      if (event.repeat) return;
      // Held down, the key repeats into whatever field it led to.
      const swallow = (again: KeyboardEvent) => {
        if (again.key === key && again.repeat) again.preventDefault();
      };
      addEventListener("keydown", swallow, true);
      addEventListener("keyup", () => removeEventListener("keydown", swallow, true), { once: true });
      latest.current();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [key]);
}
