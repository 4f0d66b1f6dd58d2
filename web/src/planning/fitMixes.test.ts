import { expect, test } from "@jest/globals";
import { Job, type Room, type Shelf } from "@scutch/contract";
import { fitMixes } from "./fitMixes.ts";

const uuid = (kind: number, n: number) => `01930000-0000-7000-8${kind}00-00000000000${n}`;
const ratio = (value: number) => ({ spelling: "one-to-n", value });
const product = (n: number, kind: string, phInUse: number) => ({
  id: uuid(2, n),
  name: kind,
  kind,
  phInUse,
  ratioMeans: "one-to-n",
  light: ratio(32),
  ordinary: ratio(24),
  heavy: ratio(16),
  dwellLeast: 300,
  dwellMost: 900,
  cautions: [],
});
const vessel = (n: number) => ({
  id: uuid(3, n),
  name: `Sprayer ${n}`,
  nominal: 8e-3,
  heel: 1e-4,
  headSpace: 5e-4,
  graduation: 1e-4,
  sprayFlow: 2e-5,
});
const SHELF = {
  products: [product(1, "pre-spray", 9), product(2, "hard-floor", 9), product(3, "encapsulant", 8)],
  vessels: [vessel(1), vessel(2)],
} as unknown as Shelf;
const room = (n: number, more: object = {}) => ({
  id: uuid(5, n),
  name: `Room ${n}`,
  shape: { kind: "area", area: 9 },
  fibre: "nylon",
  ...more,
});
const jobOf = (rooms: object[]) =>
  Job.parse({
    id: uuid(4, 1),
    siteId: uuid(1, 1),
    title: "Job",
    day: "2026-03-09",
    startsAt: "09:00",
    rooms,
    batches: [{ id: uuid(6, 1), productId: uuid(2, 1), vesselId: uuid(3, 1), measure: 5e-6 }],
  });
const withRooms = (before: Job, rooms: object[]): Job =>
  fitMixes(before, { ...before, rooms: rooms as Room[] }, SHELF);

test("a ceramic kitchen joins a job of carpets: its cleaner comes from the shelf, in the sprayer that is free", () => {
  const before = jobOf([room(1)]);
  const after = withRooms(before, [...before.rooms, room(2, { covering: "ceramic" })]);
  expect(after.batches).toHaveLength(2);
  expect(after.batches[1]).toMatchObject({ productId: uuid(2, 2), vesselId: uuid(3, 2) });
  // A second tiled room needs no third mix.
  expect(withRooms(after, [...after.rooms, room(3, { covering: "ceramic" })]).batches).toHaveLength(2);
});

test("a room that turns out to be tile leaves the carpet's mix, even one chosen for it; a resized one keeps its own", () => {
  const before = jobOf([room(1, { batchId: uuid(6, 1) })]);
  const tile = withRooms(before, [{ ...before.rooms[0], covering: "ceramic" }]);
  expect(tile.rooms[0]?.batchId).toBeUndefined();
  expect(tile.batches).toHaveLength(2);
  const larger = withRooms(before, [{ ...before.rooms[0], shape: { kind: "area", area: 12 } }]);
  expect(larger).toMatchObject({ rooms: [{ batchId: uuid(6, 1) }], batches: before.batches });
});

test("low moisture brings the encapsulant; a mix taken away isn't put back, and one chosen by hand stays", () => {
  const before = jobOf([room(1)]);
  expect(withRooms(before, [room(1, { method: "low-moisture" })]).batches[1]?.productId).toBe(uuid(2, 3));
  expect(fitMixes(before, { ...before, batches: [] }, SHELF).batches).toEqual([]);
  const chosen = withRooms(before, [room(1, { covering: "ceramic", batchId: uuid(6, 1) })]);
  expect(chosen.rooms[0]?.batchId).toBe(uuid(6, 1));
});
