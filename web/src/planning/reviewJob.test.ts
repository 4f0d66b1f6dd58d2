import { expect, test } from "@jest/globals";
import type { CrewSettings, LogEntry } from "@scutch/contract";
import { aJob, anEntry, aProduct, aRoom, aShelf, idFor } from "@scutch/contract/testing";
import { planWork } from "@scutch/core/plan";
import { statePlan } from "./computePlan.ts";
import { reviewJob } from "./reviewJob.ts";

const shelf = aShelf({ products: [aProduct("Meadow", { packSize: 0.005, packPrice: 40 })] });
const settings: CrewSettings = { prices: {}, priceBook: { methods: { extraction: 10 }, wage: 12 } };
const job = aJob({
  rooms: [
    aRoom("Lounge", { fibre: "wool", method: "extraction" }),
    aRoom("Hall", { fibre: "nylon", method: "extraction" }),
  ],
});
let n = 0;
const entry = (minute: number, kind: string, more: object = {}): LogEntry =>
  anEntry(`entry ${++n}`, { at: new Date(Date.UTC(2026, 2, 9, 9, minute)).toISOString(), kind, ...more });
const finished = (room: string, by: string) => entry(60, "room-finished", { roomId: idFor(room), by });
const fill = entry(5, "fill-made", {
  ...{ batchId: idFor("mix"), productId: idFor("Meadow"), fill: 1 },
  ...{ water: 2e-3, concentrate: 1e-4 },
});
const { input } = statePlan(job, shelf, [], {});
const work = planWork(input);
const review = (log: readonly LogEntry[]) =>
  reviewJob({ job, log, input, work }, { shelf, settings, money: { digits: 2, system: "metric" } });

test("a job that isn’t begun is planned and nothing else", () => {
  const seen = review([]);
  expect(seen).toMatchObject({ isDone: false, rooms: [], products: [], water: 0 });
  expect(seen).not.toHaveProperty("takenSeconds");
  expect(seen.plannedSeconds).toBeGreaterThan(1000);
  expect(seen.money?.total).toBe(24_000);
});

test("over, it has the time from start to end, what was used, who cleaned each room and what came back there", () => {
  const log = [
    entry(0, "run-started"),
    fill,
    finished("Lounge", "Osei"),
    finished("Hall", "Osei"),
    // The one who logged the cleaning cleaned it, whoever finished the room.
    entry(50, "step-done", {
      ...{ step: `clean:${idFor("Hall")}.1`, does: "clean", roomId: idFor("Hall"), by: "Mira" },
    }),
    entry(59, "step-done", { step: "pack-up", does: "pack-up" }),
    entry(60, "second-look", { roomId: idFor("Hall"), result: "wick-back" }),
    entry(61, "second-look", { roomId: idFor("Lounge"), result: "fine" }),
  ];
  const seen = review(log);
  expect(seen).toMatchObject({ isDone: true, takenSeconds: 59 * 60, people: 1 });
  expect(seen.products).toEqual([[idFor("Meadow"), 1e-4]]);
  const rinse = work.rooms.reduce((sum, room) => sum + room.rinse, 0);
  expect(seen.water).toBeCloseTo(2e-3 + rinse, 9);
  expect(seen.rooms).toEqual([
    {
      ...{ roomId: idFor("Lounge"), method: "extraction", fibre: "wool", productId: idFor("Meadow") },
      ...{ person: "Osei", callbacks: [] },
    },
    {
      ...{ roomId: idFor("Hall"), method: "extraction", fibre: "nylon", productId: idFor("Meadow") },
      ...{ person: "Mira", callbacks: ["wick-back"] },
    },
  ]);
  // 240 less product 0.80 and 59 min at 12.
  expect(seen.money).toMatchObject({ total: 24_000, product: 80, wages: 1180, left: 24_000 - 80 - 1180 });
});

test("a clock set back makes no time; tanks that were read count instead of the planned rinse; a crossed-out callback is none", () => {
  const lookedAt = entry(70, "second-look", { roomId: idFor("Hall"), result: "odour" });
  const log = [
    entry(90, "run-started"),
    fill,
    finished("Lounge", "Osei"),
    entry(59, "step-done", { step: "pack-up", does: "pack-up" }),
    entry(65, "water-measured", { roomIds: [idFor("Lounge")], solution: 9e-3, recovered: 8e-3 }),
    finished("Hall", "Osei"),
    lookedAt,
    entry(75, "correction", { corrects: lookedAt.id, text: "Next door" }),
  ];
  const seen = review(log);
  expect(seen).not.toHaveProperty("takenSeconds");
  const hall = work.rooms.find(({ id }) => id === idFor("Hall"));
  expect(seen.water).toBeCloseTo(2e-3 + 9e-3 + (hall?.rinse ?? 0), 9);
  expect(seen.rooms.flatMap(({ callbacks }) => callbacks)).toEqual([]);
});
