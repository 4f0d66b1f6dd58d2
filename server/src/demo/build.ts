import type { Door, Job, LogEntry, Product, Room, Spot } from "@scutch/contract";
import { planWork, toJobInput } from "@scutch/core/plan";
import { demoId } from "./demoId.ts";
import { PRODUCTS } from "./shelf.ts";
import { VESSELS } from "./van.ts";

export const MINUTE = 60_000;
export const HOUR = 60 * MINUTE;
export const ML = 1e-6;
export const AIR_MOVER = { flow: 0.9, jetSpeed: 8 };

let rooms = 0;
/** A room of a rectangle. */
export function room(name: string, length: number, width: number, more: Partial<Room> = {}): Room {
  rooms++;
  return { id: demoId("room", rooms), name, shape: { kind: "rectangle", length, width }, ...more };
}

let doorCount = 0;
/** A door between two rooms, or out. */
export function door(from: Room, to?: Room, more: Partial<Door> = {}): Door {
  doorCount++;
  return { id: demoId("door", doorCount), from: from.id, ...(to ? { to: to.id } : {}), ...more };
}

let spotCount = 0;
export function spot(
  inRoom: Room,
  x: number,
  y: number,
  across: number,
  more: Pick<Spot, "origin"> & Partial<Spot>,
): Spot {
  spotCount++;
  return {
    id: demoId("spot", spotCount),
    roomId: inRoom.id,
    x,
    y,
    across,
    known: "told",
    nature: "not-sure",
    age: "old",
    ...more,
  };
}

const two = (n: number) => String(n).padStart(2, "0");
/** Local day and clock of a moment, to five minutes: what a technician would have written down. */
export function clock(at: Date): { readonly day: string; readonly startsAt: string; readonly start: number } {
  const start = Math.floor(at.getTime() / (5 * MINUTE)) * 5 * MINUTE;
  const local = new Date(start);
  return {
    day: `${local.getFullYear()}-${two(local.getMonth() + 1)}-${two(local.getDate())}`,
    startsAt: `${two(local.getHours())}:${two(local.getMinutes())}`,
    start,
  };
}

/** Hours of the day between which a job is started, so that it is done within working hours. */
const [FIRST_START, LAST_START] = [8, 14.5] as const;

/** A start about some hours ago, moved back to when people work: the demo may be made in the middle of the night. */
export function startedAgo(now: Date, hours: number): Date {
  const start = new Date(now.getTime() - hours * HOUR);
  const hour = start.getHours() + start.getMinutes() / 60;
  if (hour >= FIRST_START && hour <= LAST_START) return start;
  if (hour < FIRST_START) start.setDate(start.getDate() - 1);
  start.setHours(Math.floor(LAST_START), (LAST_START % 1) * 60, 0, 0);
  return start;
}

export interface DemoJob {
  readonly job: Job;
  readonly log: readonly LogEntry[];
}

type Happened = LogEntry extends infer E ? (E extends LogEntry ? Omit<E, "id" | "at"> : never) : never;
let entries = 0;
/** An entry some minutes after the job's start. */
export function happened(start: number, minutes: number, entry: Happened): LogEntry {
  entries++;
  return {
    ...entry,
    id: demoId("entry", entries),
    at: new Date(start + minutes * MINUTE).toISOString(),
  } as LogEntry;
}

/** A white cloth pressed in a hidden place of a room, and no colour on it. */
export function dyeTested(
  start: number,
  minutes: number,
  by: string,
  where: Room,
  product: Product,
  place: string,
): LogEntry {
  return happened(start, minutes, {
    kind: "dye-test",
    by,
    roomId: where.id,
    productId: product.id,
    place,
    pressed: 30,
    result: "no-colour",
  });
}

/** The first fill of a job's first batch, made as planned. */
export function firstFill(job: Job, start: number, minutes: number, by: string): LogEntry {
  const [batch] = job.batches;
  const { batches } = planWork(
    toJobInput(job, { products: Object.values(PRODUCTS), vessels: Object.values(VESSELS) }),
  );
  const planned = batches[0]?.batch;
  if (!batch || planned?.outcome !== "planned" || !planned.fills[0])
    throw new Error(`${job.title} has no first fill`);
  const { water, concentrate, powder } = planned.fills[0];
  return happened(start, minutes, {
    kind: "fill-made",
    by,
    batchId: batch.id,
    productId: batch.productId,
    fill: 1,
    water,
    concentrate,
    ...(powder ? { powder: powder.mass } : {}),
  });
}

/** Counts afresh, so that the demo's ids are the same every time it is made. */
export function startCounting(): void {
  rooms = 0;
  entries = 0;
  doorCount = 0;
  spotCount = 0;
}
