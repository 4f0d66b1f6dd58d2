import { lastOf } from "@scutch/core";
import { scaleTime, select, type ZoomTransform, zoom, zoomIdentity } from "d3";
import { type RefObject, useEffect, useMemo, useRef, useState } from "react";
import { useTimes } from "../../state/useTimes.ts";

/** Share of the width that the working hours get; the drying after them is told more coarsely. */
const WORK_SHARE = 0.68;
const MAX_ZOOM = 12;
const BY_KEY = 1.5;

export interface Axis {
  readonly x: (time: number) => number;
  /** The time at a place; held inside the job. */
  readonly timeAt: (px: number) => number;
  readonly ticks: readonly number[];
  readonly left: number;
  readonly right: number;
  /** Where the picture ends. */
  readonly edge: number;
}

/** Ticks no closer than this, px. */
const TICK = 54;
const MINUTE = 60_000;
const STEPS = [5, 10, 15, 30, 60, 120, 240, 480, 1440].map((minutes) => minutes * MINUTE);

/**
 * One time axis for work and drying: the working hours get more room, and it is pinched or wheeled wider about any place.
 * Times are ms since 1970.
 */
export function useAxis(
  svg: RefObject<SVGSVGElement | null>,
  times: { readonly start: number; readonly finish: number; readonly end: number },
  place: { readonly left: number; readonly right: number; readonly edge: number },
) {
  const { utcOffset } = useTimes();
  const [transform, setTransform] = useState<ZoomTransform>(zoomIdentity);
  const behaviour = useRef<ReturnType<typeof zoom<SVGSVGElement, unknown>>>(undefined);
  const { left, right, edge } = place;
  useEffect(() => {
    const element = svg.current;
    if (!element || right <= left) return;
    const own = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, MAX_ZOOM])
      .translateExtent([
        [left, 0],
        [right, 1],
      ])
      .extent([
        [left, 0],
        [right, 1],
      ])
      // A finger alone scrolls the page, the wheel alone too: two fingers, or the wheel with Ctrl, make it wider.
      .filter((event: Event) =>
        event instanceof WheelEvent
          ? event.ctrlKey || event.metaKey
          : "touches" in event && event.touches instanceof TouchList && event.touches.length > 1,
      )
      .on("zoom", (event: { transform: ZoomTransform }) => setTransform(event.transform));
    behaviour.current = own;
    select(element).call(own);
    return () => void select(element).on(".zoom", null);
  }, [svg, left, right]);
  const axis = useMemo((): Axis => {
    const middle = left + WORK_SHARE * (right - left);
    const { start, finish, end } = times;
    const plain = scaleTime([start, finish, Math.max(end, finish + MINUTE)], [left, middle, right]);
    const x = (time: number) => transform.applyX(plain(time));
    const timeAt = (px: number) =>
      Math.min(end, Math.max(start, plain.invert(transform.invertX(px)).getTime()));
    return { x, timeAt, ticks: ticksOf(x, { ...times, left, right, utcOffset }), left, right, edge };
  }, [transform, times, left, right, edge, utcOffset]);
  const widen = (by: 1 | -1) => {
    const element = svg.current;
    if (element && behaviour.current)
      select(element).call(behaviour.current.scaleBy, by > 0 ? BY_KEY : 1 / BY_KEY);
  };
  return { axis, widen, widened: transform.k > 1 };
}

/** Whole hours and parts of them, finer where the axis is wider; those that would touch left out. */
function ticksOf(
  x: (time: number) => number,
  axis: {
    readonly start: number;
    readonly finish: number;
    readonly end: number;
    readonly left: number;
    readonly right: number;
    readonly utcOffset: (time: number) => number;
  },
): number[] {
  const { start, finish, end, left, right } = axis;
  const ticks: number[] = [];
  for (const [from, to] of [
    [start, finish],
    [finish, end],
  ] as const) {
    const perPixel = (to - from) / Math.max(1, x(to) - x(from));
    const step = STEPS.find((each) => each / perPixel >= TICK) ?? lastOf(STEPS);
    const offset = axis.utcOffset(from);
    for (let time = Math.ceil((from + offset) / step) * step - offset; time <= to; time += step) {
      const at = x(time);
      const before = ticks.at(-1);
      if (at >= left - 1 && at <= right + 1 && (before === undefined || at - x(before) >= TICK))
        ticks.push(time);
    }
  }
  return ticks;
}
