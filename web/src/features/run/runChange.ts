import type { WorkPlan } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";

/** Where a run stands: what is compared when it is planned again. s after the start. */
export interface RunSummary {
  readonly finish: number | null;
  readonly rooms: readonly { readonly id: string; readonly name: string; readonly left: number }[];
}

export const summarizeRun = ({ run, rooms }: Pick<WorkPlan, "run" | "rooms">): RunSummary => ({
  finish: run.outcome === "planned" ? run.makespan : null,
  rooms: rooms
    .filter(({ passage }) => !passage)
    .map(({ id, name, finishedAtHours }) => ({ id, name, left: finishedAtHours * 3600 })),
});

/** Circuits that can be chosen; more than a crew’s motors and air movers need. */
export const MAX_CIRCUITS = 4;

/** Less than this isn't worth a word, s. */
const WORTH_SAYING = 120;
const MAX_ROOMS = 3;

/** What planning again has changed, in a sentence; undefined where nothing worth saying has. */
export function describeChange(before: RunSummary, after: RunSummary): string | undefined {
  if (before.finish === null || after.finish === null) return undefined;
  const by = after.finish - before.finish;
  const moved = after.rooms.flatMap(({ id, name, left }) => {
    const was = before.rooms.find((room) => room.id === id)?.left;
    return was !== undefined && Math.abs(left - was) >= WORTH_SAYING ? [{ name, by: left - was }] : [];
  });
  if (Math.abs(by) < WORTH_SAYING && moved.length === 0) return undefined;
  const shift = (seconds: number) =>
    `${formatDuration(Math.abs(seconds))} ${seconds > 0 ? "later" : "sooner"}`;
  const rooms = moved
    .toSorted((a, b) => Math.abs(b.by) - Math.abs(a.by))
    .slice(0, MAX_ROOMS)
    .map((room) => `${room.name} ${shift(room.by)}`);
  const whole = Math.abs(by) < WORTH_SAYING ? "Same finish time" : `Done ${shift(by)}`;
  return `${[whole, ...rooms].join(", ")}.`;
}
