import type { Signature } from "@scutch/contract";
import { useEffect, useRef, useState } from "react";
import Pad, { type PointGroup } from "signature_pad";
import { Button } from "../../ui/Button.tsx";

/** Longest path the contract takes; a very long scribble is kept coarser. */
const MAX_PATH = 30_000;

/** The strokes of a pad as one path in whole pixels; undefined: nothing drawn. */
export function signatureOf(
  groups: readonly PointGroup[],
  width: number,
  height: number,
): Signature | undefined {
  const size = { width: Math.max(1, Math.round(width)), height: Math.max(1, Math.round(height)) };
  const inside = (value: number, most: number) => Math.min(most, Math.max(0, Math.round(value)));
  const pathOf = (every: number) =>
    groups
      .map(({ points }) =>
        points
          .filter((_, i) => i % every === 0 || i === points.length - 1)
          .map(({ x, y }) => `${inside(x, size.width)} ${inside(y, size.height)}`)
          // A dot is a stroke to where it started.
          .map((point, i, all) => `${i === 0 ? "M" : "L"}${point}${all.length === 1 ? `L${point}` : ""}`)
          .join(""),
      )
      .join("");
  for (let every = 1; every < 1000; every *= 2) {
    const path = pathOf(every);
    if (path === "") return undefined;
    if (path.length <= MAX_PATH) return { path, ...size };
  }
  return undefined;
}

interface Props {
  readonly label: string;
  readonly onChange: (signature: Signature | undefined) => void;
}

/** A field to sign in with a finger, a pen or a mouse. */
export function SignaturePad({ label, onChange }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<Pad>(undefined);
  const changed = useRef(onChange);
  const [isSigned, setSigned] = useState(false);
  useEffect(() => {
    changed.current = onChange;
  });
  useEffect(() => {
    const field = canvas.current;
    if (!field) return;
    const ink = getComputedStyle(field).color;
    const made = new Pad(field, { penColor: ink, minWidth: 1, maxWidth: 2.5 });
    pad.current = made;
    const say = () => {
      const signature = signatureOf(made.toData(), field.clientWidth, field.clientHeight);
      setSigned(signature !== undefined);
      changed.current(signature);
    };
    made.addEventListener("endStroke", say);
    // A phone turned round keeps what was drawn.
    const fit = () => {
      const drawn = made.toData();
      const ratio = Math.max(1, devicePixelRatio);
      field.width = field.clientWidth * ratio;
      field.height = field.clientHeight * ratio;
      field.getContext("2d")?.scale(ratio, ratio);
      made.clear();
      made.fromData(drawn);
    };
    const observer = new ResizeObserver(fit);
    observer.observe(field);
    return () => {
      observer.disconnect();
      made.removeEventListener("endStroke", say);
      made.off();
    };
  }, []);
  const clear = () => {
    pad.current?.clear();
    setSigned(false);
    onChange(undefined);
  };
  return (
    <div>
      <div className="flex items-end justify-between gap-3">
        <span className="text-sm text-soft">{label}</span>
        {isSigned && (
          <Button weight="quiet" onClick={clear}>
            Clear
          </Button>
        )}
      </div>
      <canvas
        ref={canvas}
        role="img"
        aria-label={label}
        className="h-40 w-full touch-none border border-soft border-dashed bg-paper text-ink"
      />
    </div>
  );
}
