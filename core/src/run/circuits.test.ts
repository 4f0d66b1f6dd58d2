import { expect, test } from "@jest/globals";
import { explainReady, simulateDrying } from "../drying/index.ts";
import { seededRandom } from "../numeric/index.ts";
import { type JobInput, planWork } from "../plan/index.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { airMoverStarts } from "./index.ts";

/** Second by second: motors and air movers never take more circuits than there are, and nothing could start sooner. */
test("air movers start as soon as a circuit is free for good, counted second by second on random runs", () => {
  const random = seededRandom(7);
  const upTo = (n: number) => Math.floor(random() * n);
  const SPAN = 120;
  let waits = 0;
  for (let round = 0; round < 300; round++) {
    const uses = Array.from({ length: upTo(8) }, () => {
      const start = upTo(SPAN - 20);
      return {
        tool: ["vacuum", "brush", "machine:a", "hand tool"][upTo(4)] ?? "",
        start,
        end: start + upTo(20),
      };
    });
    const placed = Array.from({ length: 1 + upTo(5) }, (_, i) => ({
      roomId: `room ${i}`,
      count: 1 + upTo(4),
      placedAt: upTo(SPAN) + i / 10,
    }));
    const circuits = 1 + upTo(4);
    const starts = airMoverStarts(uses, placed, circuits);
    const motorsAt = (second: number) =>
      uses.filter(({ tool, start, end }) => tool !== "hand tool" && start <= second && second < end).length;
    let running = 0;
    for (const { roomId, count, placedAt } of placed.toSorted((a, b) => a.placedAt - b.placedAt)) {
      running += count;
      const free = Math.max(0, circuits - Math.ceil(running / 4));
      const blocked = Array.from({ length: SPAN + 20 }, (_, second) => second).filter(
        (second) => motorsAt(second) > free,
      );
      const first = Math.max(placedAt, (blocked.at(-1) ?? -1) + 1);
      expect([round, roomId, starts.get(roomId)]).toEqual([round, roomId, first]);
      if (first > placedAt) waits++;
    }
  }
  expect(waits).toBeGreaterThan(100);
});

const job = (circuits: number): JobInput => ({
  rooms: ["Hall", "Den"].map((name) => ({
    id: name,
    name,
    shape: { kind: "rectangle", length: 5, width: 4 },
    airMovers: [{ flow: 0.9, jetSpeed: 8 }],
  })),
  batches: [sprayBatch()],
  run: { people: 1, circuits },
});

test("on one circuit the air movers wait for the last motor, and the rooms dry later for it; on two they run at once", () => {
  const [one, two] = [planWork(job(1)), planWork(job(2))];
  if (one.run.outcome !== "planned") throw new Error(one.run.fault.code);
  const last = Math.max(...one.run.steps.filter(({ kind }) => kind === "clean").map(({ end }) => end));
  expect(one.rooms[0]?.airMoversFromHours).toBe(last / 3600);
  expect(one.rooms[0]?.airMoversFromHours).toBeGreaterThan(one.rooms[0]?.finishedAtHours ?? 0);
  expect(two.rooms.map(({ airMoversFromHours }) => airMoversFromHours)).toEqual([undefined, undefined]);
  const hours = [one, two].map(({ building }) => simulateDrying(building).rooms[0]?.dryHours ?? 0);
  expect(hours[0]).toBeGreaterThan(hours[1] ?? 0);
  // Off until then is the same as switched on then by hand.
  const { building } = one;
  const byHand = simulateDrying({
    ...building,
    rooms: building.rooms.map(({ airMoversFrom: from, ...room }) =>
      from ? { ...room, airMovers: [] } : room,
    ),
    changes: building.rooms.flatMap(({ airMoversFrom: from, airMovers = [] }, i) =>
      from ? [{ hours: from, room: i, airMovers }] : [],
    ),
  });
  expect(hours[0]).toBe(byHand.rooms[0]?.dryHours);
  expect(explainReady(one, 0, "dryHours").result.value).toBeCloseTo(hours[0] ?? 0, 9);
});
