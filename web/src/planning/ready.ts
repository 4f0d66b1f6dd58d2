import { lastReady } from "@scutch/core/plan";
import { timeAt } from "../format/time.ts";
import type { DryingForecast } from "./useDried.ts";

/** A ready time on the clock, ms since 1970, with the hours it lies between; null: not within 96 h. */
export interface ReadyTime {
  readonly likely: number | null;
  readonly early: number | null;
  readonly late: number | null;
}

type Which = "touchDry" | "dry";

/** When one room is ready. */
export function readyOfRoom(
  { work, result, ranges }: DryingForecast,
  index: number,
  start: number,
  which: Which,
): ReadyTime {
  const finished = work.rooms[index]?.finishedAtHours ?? 0;
  const hours = result.rooms[index]?.[which === "dry" ? "dryHours" : "touchDryHours"] ?? null;
  const range = ranges?.[index]?.[which];
  const place = (value: number | null | undefined) =>
    value == null ? null : timeAt(start, finished + value);
  return { likely: place(hours), early: place(range?.early), late: place(range?.late) };
}

/** When the last room is ready. */
export function readyOfJob({ work, result, ranges }: DryingForecast, start: number, which: Which): ReadyTime {
  const place = (hours: number | null) => (hours === null ? null : timeAt(start, hours));
  const own = result.rooms.map((room) => (which === "dry" ? room.dryHours : room.touchDryHours));
  const end = (side: "early" | "late") =>
    ranges
      ? place(
          lastReady(
            work,
            ranges.map((range) => range[which][side]),
          ),
        )
      : null;
  return { likely: place(lastReady(work, own)), early: end("early"), late: end("late") };
}
