import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { useTimes } from "../../state/useTimes.ts";
import type { Axis } from "./useAxis.ts";

interface Props {
  readonly axis: Axis;
  readonly height: number;
  /** ms since 1970, and the hours it moves between. */
  readonly time: number;
  readonly first: number;
  readonly last: number;
  readonly isNow: boolean;
  readonly onMove: (time: number) => void;
}

const MINUTE = 60_000;
const BY_KEY: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageDown: -15,
  PageUp: 15,
};

/** The hour looked at: dragged anywhere along the hours, or moved by key. */
export function Marker({ axis, height, time, first, last, isNow, onMove }: Props) {
  const { clock } = useTimes();
  const band = useRef<HTMLDivElement>(null);
  const move = (event: PointerEvent) => {
    const box = band.current?.getBoundingClientRect();
    if (box) onMove(axis.timeAt(event.clientX - box.left));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const minutes = BY_KEY[event.key];
    const to =
      minutes !== undefined
        ? time + minutes * MINUTE
        : event.key === "Home"
          ? first
          : event.key === "End"
            ? last
            : undefined;
    if (to === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onMove(Math.min(last, Math.max(first, to)));
  };
  const px = Math.min(axis.right + 20, Math.max(axis.left, axis.x(time)));
  return (
    <div
      ref={band}
      className="absolute inset-x-0 top-0 h-12 cursor-ew-resize touch-none print:hidden"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        move(event);
      }}
      onPointerMove={(event) => event.currentTarget.hasPointerCapture(event.pointerId) && move(event)}
    >
      <div
        className="pointer-events-none absolute top-0 w-0.5 bg-ink"
        style={{ height, transform: `translateX(${px}px)` }}
      />
      <div
        role="slider"
        tabIndex={0}
        aria-label="Time shown"
        aria-valuemin={first}
        aria-valuemax={last}
        aria-valuenow={time}
        aria-valuetext={clock(time)}
        onKeyDown={onKeyDown}
        className="absolute top-0 grid h-8 min-w-12 place-items-center rounded-full bg-ink px-2 font-bold font-mono text-ground text-sm"
        style={{ transform: `translateX(max(-0.5rem, calc(${px}px - 50%)))` }}
      >
        {isNow ? `now ${clock(time)}` : clock(time)}
      </div>
    </div>
  );
}
