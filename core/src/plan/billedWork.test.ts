import { expect, test } from "@jest/globals";
import { type PriceBook, priceJob } from "../quote/index.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { billedWork, type JobInput, planWork } from "./index.ts";

const rectangle = (length: number) => ({ kind: "rectangle", length, width: 3 }) as const;
const job: JobInput = {
  rooms: [
    { id: "a", name: "A", shape: rectangle(4) },
    { id: "b", name: "B", shape: rectangle(5) },
  ],
  spots: ["a", "b"].map((roomId) => ({ roomId, origin: "coffee-tea", nature: "spot", area: 0.01 })),
  batches: [sprayBatch()],
};
const book: PriceBook = {
  system: "metric",
  digits: 2,
  methods: { extraction: 2 },
  rooms: [],
  extras: { vacuuming: 0.1, spot: 5 },
};
const billed = (logged: JobInput["logged"], changes: Parameters<typeof priceJob>[0]["changes"] = []) => {
  const input = { ...job, now: 20_000, logged };
  const asked = [{ id: "extra:vacuuming", asked: true } as const, ...(changes ?? [])];
  return priceJob({ ...billedWork(input, planWork(input)), changes: asked }, book);
};
const { run } = planWork(job);
const skip = (roomId: string, kinds: readonly string[]) => {
  if (run.outcome !== "planned") throw new Error("not planned");
  const own = run.steps.filter((step) => step.roomId === roomId && kinds.includes(step.kind));
  return Object.fromEntries(own.map(({ id }) => [id, { skipped: 100, roomId }]));
};

test("what the log says was skipped isn't billed: a room not cleaned, vacuuming by its rooms, a spot not tried", () => {
  // By hand: 12 and 15 m² at 2, vacuumed at 0.1, two spots at 5.
  expect(billed({}).total).toBe(2400 + 3000 + 270 + 1000);
  expect(billed(skip("b", ["vacuum"])).total).toBe(2400 + 3000 + 120 + 1000);
  const notCleaned = billed(skip("b", ["clean"]));
  expect(notCleaned.lines[1]).toMatchObject({ id: "room:b", amount: 3000, struck: true, skipped: true });
  expect(notCleaned.total).toBe(2400 + 270 + 500);
  expect(billed(skip("a", ["pre-spot", "spots"])).total).toBe(2400 + 3000 + 270 + 500);
});

test("a spot tried once counts, whatever was skipped after; one part of a room skipped leaves the room billed", () => {
  const tried = skip("a", ["pre-spot", "spots"]);
  const [first = ""] = Object.keys(tried);
  expect(billed({ ...tried, [first]: { start: 10, end: 70, roomId: "a" } }).total).toBe(billed({}).total);
  const half = {
    "clean:b.1": { start: 10, end: 70, roomId: "b" },
    "clean:b.2": { skipped: 80, roomId: "b" },
  };
  expect(billed(half).total).toBe(billed({}).total);
});

test("a skipped room with its price or quantity set for the job is billed", () => {
  const skipped = skip("b", ["clean"]);
  expect(billed(skipped, [{ id: "room:b", amount: 12 }]).total).toBe(2400 + 1200 + 270 + 500);
  expect(billed(skipped, [{ id: "room:b", quantity: 2 }]).total).toBe(2400 + 400 + 270 + 500);
});
