import { expect, test } from "@jest/globals";
import type { Job, Room } from "@scutch/contract";
import { aJob, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { fitMixes } from "./fitMixes.ts";

const SHELF = aShelf({
  products: [
    aProduct("Meadow", { phInUse: 9 }),
    aProduct("Tile wash", { kind: "hard-floor", phInUse: 9 }),
    aProduct("Crystal", { kind: "encapsulant", phInUse: 8 }),
  ],
  vessels: [aVessel("Pump"), aVessel("Second pump")],
});
const room = (n: number, said: Parameters<typeof aRoom>[1] = {}) =>
  aRoom(`Room ${n}`, { shape: { kind: "area", area: 9 }, fibre: "nylon", ...said });
const jobOf = (rooms: Room[]) => aJob({ rooms });
const withRooms = (before: Job, rooms: Room[]): Job => fitMixes(before, { ...before, rooms }, SHELF);

test("a ceramic kitchen joins a job of carpets: its cleaner comes from the shelf, in the sprayer that is free", () => {
  const before = jobOf([room(1)]);
  const after = withRooms(before, [...before.rooms, room(2, { covering: "ceramic" })]);
  expect(after.batches).toHaveLength(2);
  expect(after.batches[1]).toMatchObject({ productId: idFor("Tile wash"), vesselId: idFor("Second pump") });
  // A second tiled room needs no third mix.
  expect(withRooms(after, [...after.rooms, room(3, { covering: "ceramic" })]).batches).toHaveLength(2);
});

test("a room that turns out to be tile leaves the carpet's mix, even one chosen for it; a resized one keeps its own", () => {
  const before = jobOf([room(1, { batchId: idFor("mix") })]);
  const tile = withRooms(before, [room(1, { batchId: idFor("mix"), covering: "ceramic" })]);
  expect(tile.rooms[0]?.batchId).toBeUndefined();
  expect(tile.batches).toHaveLength(2);
  const larger = withRooms(before, [room(1, { batchId: idFor("mix"), shape: { kind: "area", area: 12 } })]);
  expect(larger).toMatchObject({ rooms: [{ batchId: idFor("mix") }], batches: before.batches });
});

test("low moisture brings the encapsulant; a mix taken away isn't put back, and one chosen by hand stays", () => {
  const before = jobOf([room(1)]);
  expect(withRooms(before, [room(1, { method: "low-moisture" })]).batches[1]?.productId).toBe(
    idFor("Crystal"),
  );
  expect(fitMixes(before, { ...before, batches: [] }, SHELF).batches).toEqual([]);
  const chosen = withRooms(before, [room(1, { covering: "ceramic", batchId: idFor("mix") })]);
  expect(chosen.rooms[0]?.batchId).toBe(idFor("mix"));
});
