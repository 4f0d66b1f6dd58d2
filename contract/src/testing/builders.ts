/**
 * Things of the contract for tests, each whole and checked by its own schema. A thing is called by a word, which is its name
 * and gives its id; what a test doesn't say is as ordinary as can be.
 */
import type * as z from "zod";
import type { Shelf } from "../endpoints/index.ts";
import { Gear } from "../gear.ts";
import { Job } from "../job.ts";
import { LogEntry } from "../logEntry.ts";
import { Product } from "../product.ts";
import { Room } from "../room.ts";
import { Spot } from "../spot.ts";
import { Vessel } from "../vessel.ts";

/** A version 7 UUID from a word, the same every time. */
export function idFor(word: string): string {
  let hash = 0xcbf29ce484222325n;
  for (const letter of word)
    hash = BigInt.asUintN(64, (hash ^ BigInt(letter.codePointAt(0) ?? 0)) * 0x100000001b3n);
  const hex = hash.toString(16).padStart(16, "0");
  return `01930000-0000-7${hex.slice(0, 3)}-8${hex.slice(3, 6)}-00${hex.slice(6, 16)}`;
}

type Said<S extends z.ZodType> = Partial<z.input<S>>;

const oneTo = (value: number) => ({ spelling: "one-to-n" as const, value });

/** A pre-spray of 1:32, 1:24 and 1:16 that stands 5 to 15 min. */
export const aProduct = (name: string, said: Said<typeof Product> = {}): Product =>
  Product.parse({
    id: idFor(name),
    name,
    kind: "pre-spray",
    ratioMeans: "one-to-n",
    light: oneTo(32),
    ordinary: oneTo(24),
    heavy: oneTo(16),
    dwellLeast: 300,
    dwellMost: 900,
    cautions: [],
    ...said,
  });

/** A sprayer of 8 L that empties whole and sprays 1 L a minute. */
export const aVessel = (name: string, said: Said<typeof Vessel> = {}): Vessel =>
  Vessel.parse({
    id: idFor(name),
    name,
    nominal: 8e-3,
    heel: 0,
    headSpace: 0,
    graduation: 1e-4,
    sprayFlow: 1e-3 / 60,
    ...said,
  });

/** Something of the van, by its kind's own figures. */
export const aGear = (name: string, said: object): Gear =>
  Gear.parse({ id: idFor(name), name, count: 1, ...said });

/** A room of 12 m² of which nothing else was said. */
export const aRoom = (name: string, said: Said<typeof Room> = {}): Room =>
  Room.parse({ id: idFor(name), name, shape: { kind: "area", area: 12 }, ...said });

/** A spot of coffee the size of a hand in the middle of a room. */
export const aSpot = (name: string, room: string, said: Said<typeof Spot> = {}): Spot =>
  Spot.parse({
    id: idFor(name),
    roomId: idFor(room),
    x: 0.5,
    y: 0.5,
    across: 0.1,
    origin: "coffee-tea",
    known: "told",
    nature: "not-sure",
    age: "fresh",
    ...said,
  });

/** A job of one morning, sprayed with "Meadow" from "Pump". */
export const aJob = (said: Said<typeof Job> = {}): Job =>
  Job.parse({
    id: idFor("Carpets"),
    siteId: idFor("House"),
    title: "Carpets",
    day: "2026-03-09",
    startsAt: "09:00",
    rooms: [],
    batches: [{ id: idFor("mix"), productId: idFor("Meadow"), vesselId: idFor("Pump"), measure: 5e-6 }],
    ...said,
  });

/** A shelf with "Meadow" and a van with "Pump". */
export const aShelf = (said: Partial<Shelf> = {}): Shelf => ({
  products: [aProduct("Meadow")],
  vessels: [aVessel("Pump")],
  gear: [],
  sites: [],
  customers: [],
  ...said,
});

/** An entry of a log, by the word its id is made from. */
export const anEntry = (word: string, said: object): LogEntry =>
  LogEntry.parse({ id: idFor(word), at: "2026-03-09T10:00:00.000Z", ...said });
