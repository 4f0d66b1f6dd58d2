import type { RoomRange } from "@scutch/core/drying";
import { lastReady, type WorkPlan } from "@scutch/core/plan";
import { at } from "../../format/time.ts";
import type { Dried } from "../../workers/useDrying.ts";

/** A ready time on the clock, ms since 1970, with the hours it lies between; null: not within 96 h. */
export interface ReadyTime {
  readonly likely: number | null;
  readonly early: number | null;
  readonly late: number | null;
}

type Which = "touchDry" | "dry";

/** When one room is ready. */
export function readyOfRoom(
  work: WorkPlan,
  dried: Dried,
  index: number,
  start: number,
  which: Which,
): ReadyTime {
  const finished = work.rooms[index]?.finishedAt ?? 0;
  const hours = dried.result.rooms[index]?.[which === "dry" ? "dryHours" : "touchDryHours"] ?? null;
  const range = dried.ranges?.[index]?.[which];
  const place = (value: number | null | undefined) => (value == null ? null : at(start, finished + value));
  return { likely: place(hours), early: place(range?.early), late: place(range?.late) };
}

/** When the last room is ready. */
export function readyOfJob(work: WorkPlan, dried: Dried, start: number, which: Which): ReadyTime {
  const place = (hours: number | null) => (hours === null ? null : at(start, hours));
  const own = (dried.result.rooms ?? []).map((room) =>
    which === "dry" ? room.dryHours : room.touchDryHours,
  );
  const end = (side: "early" | "late") =>
    dried.ranges
      ? place(
          lastReady(
            work,
            dried.ranges.map((range: RoomRange) => range[which][side]),
          ),
        )
      : null;
  return { likely: place(lastReady(work, own)), early: end("early"), late: end("late") };
}
