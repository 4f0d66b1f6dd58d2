import { type RefObject, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";

/** Lines drawn at first, and with each look at the end. */
const AT_ONCE = 80;
/** The end is near when it is this close to what is seen, px. */
const NEAR = 800;

/**
 * How much of a long list is drawn: its beginning, more as its end comes near, and all of it in print. `end` goes on an element behind
 * what is drawn. Begins again when `of` changes.
 */
export function useInSight(of: string): {
  readonly drawn: number;
  readonly end: RefObject<HTMLDivElement | null>;
} {
  const end = useRef<HTMLDivElement>(null);
  const [state, setState] = useState({ of, drawn: AT_ONCE });
  const drawn = state.of === of ? state.drawn : AT_ONCE;
  useEffect(() => {
    // At once: the page is printed as it is when this returns.
    const all = () => flushSync(() => setState({ of, drawn: Number.POSITIVE_INFINITY }));
    addEventListener("beforeprint", all);
    const element = end.current;
    const observer =
      element && "IntersectionObserver" in globalThis
        ? new IntersectionObserver(
            (seen) => {
              if (seen.some(({ isIntersecting }) => isIntersecting)) setState({ of, drawn: drawn + AT_ONCE });
            },
            { rootMargin: `${NEAR}px` },
          )
        : undefined;
    if (element) observer?.observe(element);
    return () => {
      removeEventListener("beforeprint", all);
      observer?.disconnect();
    };
  }, [of, drawn]);
  return { drawn, end };
}
