import type { RoomId } from "@scutch/contract";
import type { DryingResult } from "@scutch/core/drying";
import { dueSecondLooks, effectiveEntries, meterReadings } from "@scutch/core/log";
import { timeAt } from "../../format/time.ts";
import type { Planned } from "../../planning/computePlan.ts";
import { gearStanding, type RoomGear } from "../../planning/gearStanding.ts";
import { readyOfRoom } from "../../planning/ready.ts";

/** That a room is later than what was said of it, and by how much, ms. */
export interface Slip {
  readonly by: number;
  readonly against: "promise" | "told" | "plan";
  /** ms since 1970. */
  readonly was: number;
}

/** A room that still dries. Times ms since 1970; null: not within 4 days. */
export interface BoardRow {
  readonly jobId: string;
  readonly roomId: RoomId;
  readonly room: string;
  readonly walkOn: number | null;
  readonly dry: number | null;
  readonly isNever: boolean;
  readonly next: { readonly what: NextCheck; readonly at: number };
  readonly gear: RoomGear | undefined;
  readonly slip: Slip | undefined;
}

export type NextCheck = "second-look" | "first-reading" | "walk-on" | "dry" | "stuck";

/** Later than this is told, ms: the figures are no better. */
const SLIPPED = 20 * 60_000;
/** A room without a reading is measured half-way, where that is so far off, ms. */
const WORTH_A_READING = 90 * 60_000;
/** A room that won’t dry is looked at again so much later, ms. */
const LOOK_AGAIN = 2 * 3_600_000;

/** What was said of a room first: to the customer at the hand-over, promised beforehand, or else by the plan. */
function slipOf(
  { log, work, startMs, input }: Planned,
  place: number,
  walkOn: number | null,
  { planned, now }: { readonly planned: DryingResult | undefined; readonly now: number },
): Slip | undefined {
  const room = work.rooms[place];
  if (!room) return undefined;
  const is = walkOn ?? Number.POSITIVE_INFINITY;
  if (is <= now) return undefined;
  const promise = input.run?.promises?.find(({ roomId }) => roomId === room.id);
  const told = effectiveEntries(log).findLast((entry) => entry.kind === "handed-over");
  const hours = planned?.rooms[place]?.touchDryHours;
  const said: readonly (readonly [Slip["against"], number | undefined])[] = [
    ["promise", promise && startMs + promise.by * 1000],
    // One hour was told for all rooms.
    ["told", told?.kind === "handed-over" && told.walkOnAt ? Date.parse(told.walkOnAt) : undefined],
    ["plan", hours == null ? undefined : timeAt(startMs, room.finishedAtHours + hours)],
  ];
  for (const [against, was] of said)
    if (was !== undefined && is > was + SLIPPED) return { against, was, by: Math.min(is, now + DAY) - was };
  return undefined;
}
const DAY = 24 * 3_600_000;

/** When to look at a room next, and why: what comes first of a second look, a reading half-way, walk-on and dry. */
function nextCheck(
  { log }: Planned,
  row: Pick<BoardRow, "roomId" | "walkOn" | "dry" | "isNever">,
  { finishedAt, now }: { readonly finishedAt: number; readonly now: number },
): BoardRow["next"] {
  const { roomId, walkOn, dry, isNever } = row;
  const look = dueSecondLooks(log).find((each) => each.roomId === roomId);
  const isRead = meterReadings(log, roomId).carpet.length > 0;
  const checks: BoardRow["next"][] = [
    ...(look ? [{ what: "second-look" as const, at: look.at }] : []),
    ...(isNever ? [{ what: "stuck" as const, at: now + LOOK_AGAIN }] : []),
    ...(!isRead && walkOn !== null && walkOn - finishedAt > WORTH_A_READING && walkOn > now
      ? [{ what: "first-reading" as const, at: Math.max(now, (finishedAt + walkOn) / 2) }]
      : []),
    ...(walkOn !== null && walkOn > now ? [{ what: "walk-on" as const, at: walkOn }] : []),
    ...(dry === null ? [] : [{ what: "dry" as const, at: dry }]),
  ];
  const [first] = checks.toSorted((a, b) => a.at - b.at);
  return first ?? { what: "stuck", at: now + LOOK_AGAIN };
}

/** Rooms of a job that are finished and still dry; `planned`: how they dry by the plan alone, where readings say otherwise. */
export function boardRows(plan: Planned, now: number, planned: DryingResult | undefined): BoardRow[] {
  const { job, log, work, result, startMs, shelf } = plan;
  if (!result) return [];
  const gear = gearStanding({ job, log }, shelf, now);
  return work.rooms.flatMap((room, place): BoardRow[] => {
    if (room.passage || !room.finishLogged) return [];
    const forecast = { work, result, ranges: undefined };
    const walkOn = readyOfRoom(forecast, place, startMs, "touchDry").likely;
    const dry = readyOfRoom(forecast, place, startMs, "dry").likely;
    if (dry !== null && dry <= now) return [];
    const roomId = room.id as RoomId;
    const isNever = result.rooms[place]?.outcome === "cannot";
    const row = { jobId: job.id, roomId, room: room.name, walkOn, dry, isNever };
    return [
      {
        ...row,
        next: nextCheck(plan, row, { finishedAt: timeAt(startMs, room.finishedAtHours), now }),
        gear: gear.find((each) => each.roomId === roomId),
        slip: slipOf(plan, place, walkOn, { planned, now }),
      },
    ];
  });
}

/** What has slipped first, the most of it first; then by when to look. */
export const inOrder = (rows: readonly BoardRow[]): BoardRow[] =>
  rows.toSorted((a, b) => (b.slip?.by ?? 0) - (a.slip?.by ?? 0) || a.next.at - b.next.at);

/** When a job’s gear can be fetched: once every room it stands in is dry; undefined where one won’t be within 4 days. */
export function fetchAt({ work, result, startMs }: Planned, gear: readonly RoomGear[]): number | undefined {
  if (!result) return undefined;
  const times = work.rooms.flatMap(({ id }, place) =>
    gear.some(({ roomId }) => roomId === id)
      ? [readyOfRoom({ work, result, ranges: undefined }, place, startMs, "dry").likely]
      : [],
  );
  return times.length === 0 || times.some((time) => time === null)
    ? undefined
    : Math.max(...times.map((time) => time ?? 0));
}
