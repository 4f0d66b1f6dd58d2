import { readFileSync } from "node:fs";
import { describe, expect, test } from "@jest/globals";
import { itemAt } from "@scutch/core";
import { effectiveEntries } from "@scutch/core/log";
import { planWork, toJobInput } from "@scutch/core/plan";
import type * as z from "zod";
import { faultsOf, Job, JobFile, LogEntry, Product, Vessel } from "./index.ts";
import { openApiDocument } from "./openapi.ts";
import { idFor } from "./testing/index.ts";

const example = (): JobFile =>
  JSON.parse(readFileSync(new URL("../../docs/example-job.json", import.meta.url), "utf8"));
type Draft<T> = { -readonly [K in keyof T]: T[K] extends object ? Draft<T[K]> : T[K] };
/** The example with something changed, and the faults that brings. */
function faultsAfter(change: (file: Draft<JobFile>) => void) {
  const file = example() as Draft<JobFile>;
  change(file);
  const result = JobFile.safeParse(file);
  return result.success ? [] : faultsOf(result.error);
}

const stairs = (file: Draft<JobFile>, change: object) =>
  Object.assign(file.job.rooms[1] ?? {}, {
    shape: { kind: "stairs", steps: 13, tread: 0.25, riser: 0.19, width: 0.86, ...change },
  });

describe("the job format", () => {
  test("the documented example is taken as it stands, and comes out as it went in", () => {
    expect(JobFile.parse(example())).toEqual(example());
  });

  test.each<[string, (file: Draft<JobFile>) => void, (string | number)[], string]>([
    ["a key it doesn't know", (file) => Object.assign(file.job, { hurry: true }), ["job"], "unknown-key"],
    [
      "a version to come",
      (file) => Object.assign(file, { formatVersion: 2 }),
      ["formatVersion"],
      "not-one-of",
    ],
    [
      "a side of nothing",
      (file) => Object.assign(file.job.rooms[0]?.shape ?? {}, { width: 0 }),
      ["job", "rooms", 0, "shape", "width"],
      "too-small",
    ],
    [
      "an hour there isn't",
      (file) => Object.assign(file.job, { startsAt: "25:00" }),
      ["job", "startsAt"],
      "bad-format",
    ],
    [
      "a day there isn't",
      (file) => Object.assign(file.job, { day: "2026-02-30" }),
      ["job", "day"],
      "bad-format",
    ],
    [
      "soil beyond the scale",
      (file) => Object.assign(file.job.rooms[0] ?? {}, { soil: 6 }),
      ["job", "rooms", 0, "soil"],
      "not-one-of",
    ],
    [
      "text for a number",
      (file) => Object.assign(file.job.rooms[0] ?? {}, { height: "2.4 m" }),
      ["job", "rooms", 0, "height"],
      "not-number",
    ],
    [
      "a room twice",
      (file) => file.job.rooms.push({ ...itemAt(file.job.rooms, 0) }),
      ["job", "rooms", 3, "id"],
      "repeated-id",
    ],
    [
      "a batch that isn't there",
      (file) => file.job.batches.pop(),
      ["job", "rooms", 2, "batchId"],
      "unknown-reference",
    ],
    [
      "a product that isn't in the file",
      (file) => file.products.pop(),
      ["job", "batches", 1, "productId"],
      "unknown-reference",
    ],
    [
      "a vessel that isn't in the file",
      (file) => file.vessels.pop(),
      ["job", "batches", 0, "vesselId"],
      "unknown-reference",
    ],
    [
      "a door to nowhere",
      (file) => Object.assign(file.job.doors?.[1] ?? {}, { to: "01930000-0000-7000-8500-0000000000ff" }),
      ["job", "doors", 1, "to"],
      "door-to-nowhere",
    ],
    [
      "a door into its own room",
      (file) => Object.assign(file.job.doors?.[1] ?? {}, { to: file.job.doors?.[1]?.from }),
      ["job", "doors", 1, "to"],
      "door-into-itself",
    ],
    [
      "a spot in a room that isn't there",
      (file) => Object.assign(file.job.spots?.[0] ?? {}, { roomId: "01930000-0000-7000-8500-0000000000ff" }),
      ["job", "spots", 0, "roomId"],
      "unknown-reference",
    ],
    [
      "a 90-step stair",
      (file) => stairs(file, { steps: 90 }),
      ["job", "rooms", 1, "shape", "steps"],
      "too-big",
    ],
    [
      "a job of 61 rooms",
      (file) =>
        Object.assign(file.job, {
          rooms: Array.from({ length: 61 }, () => structuredClone(file.job.rooms[0])),
        }),
      ["job", "rooms"],
      "too-many",
    ],
    [
      "a title of 5,000 letters",
      (file) => Object.assign(file.job, { title: "x".repeat(5000) }),
      ["job", "title"],
      "too-long",
    ],
    [
      "more winders than steps",
      (file) => stairs(file, { steps: 3, winders: 6 }),
      ["job", "rooms", 1, "shape", "winders"],
      "more-winders-than-steps",
    ],
    [
      "a runner wider than its stairs",
      (file) => stairs(file, { runner: 2 }),
      ["job", "rooms", 1, "shape", "runner"],
      "runner-wider-than-stairs",
    ],
    [
      "an alcove longer than its wall",
      (file) => Object.assign(file.job.rooms[0] ?? {}, { parts: [{ kind: "alcove", width: 9, depth: 1 }] }),
      ["job", "rooms", 0, "parts", 0, "width"],
      "part-off-wall",
    ],
    [
      "a landing in a bedroom",
      (file) => Object.assign(file.job.rooms[0] ?? {}, { parts: [{ kind: "landing", width: 1, depth: 1 }] }),
      ["job", "rooms", 0, "parts", 0, "kind"],
      "part-not-here",
    ],
    [
      "a hearth that leaves no carpet",
      (file) =>
        Object.assign(file.job.rooms[1] ?? {}, {
          shape: { kind: "area", area: 0.2 },
          parts: [{ kind: "hearth", width: 0.5, depth: 0.38 }],
        }),
      ["job", "rooms", 1, "shape"],
      "too-small",
    ],
    [
      "a spinner on carpet",
      (file) => Object.assign(file.job.rooms[0] ?? {}, { method: "spinner" }),
      ["job", "rooms", 0, "method"],
      "method-not-here",
    ],
    ["a blank name", (file) => Object.assign(file.job, { title: "  " }), ["job", "title"], "bad-format"],
    ["an id that isn't one", (file) => Object.assign(file.job, { id: "job-1" }), ["job", "id"], "bad-format"],
  ])("%s is a fault with its place", (_, change, path, code) => {
    expect(faultsAfter(change)).toEqual(expect.arrayContaining([expect.objectContaining({ path, code })]));
  });

  test("a limit that is broken is told with it", () => {
    const faults = faultsAfter((file) => Object.assign(file.job.rooms[1]?.shape ?? {}, { area: 10_000 }));
    expect(faults).toEqual([{ path: ["job", "rooms", 1, "shape", "area"], code: "too-big", limit: 9999 }]);
  });
});

describe("labels and vessels", () => {
  const product = () => itemAt(example().products, 0);
  const codes = (schema: z.ZodType, value: unknown) => {
    const result = schema.safeParse(value);
    return result.success ? [] : faultsOf(result.error).map(({ path, code }) => `${path.join(".")} ${code}`);
  };

  test("light, ordinary, heavy must get stronger, whatever spelling each is in", () => {
    expect(codes(Product, { ...product(), heavy: { spelling: "one-to-n", value: 40 } })).toEqual([
      "heavy label-range-reversed",
    ]);
    expect(codes(Product, { ...product(), heavy: { spelling: "fl-oz-per-gal", value: 8 } })).toEqual([]);
    expect(codes(Product, { ...product(), dwellMost: 60 })).toEqual(["dwellMost dwell-range-reversed"]);
    expect(codes(Product, { ...product(), light: { spelling: "percent", value: 100 } })).toEqual([
      "light.value strength-out-of-range",
    ]);
  });

  test("a vessel must hold at least one of its marks", () => {
    const vessel = itemAt(example().vessels, 0);
    expect(codes(Vessel, vessel)).toEqual([]);
    expect(codes(Vessel, { ...vessel, headSpace: 0.0078 })).toEqual(["nominal vessel-holds-nothing"]);
    expect(codes(Vessel, { ...vessel, nominal: 0 })).toContain("nominal too-small");
  });
});

describe("the log", () => {
  const entry = (id: number, more: object) =>
    LogEntry.parse({
      id: `01930000-0000-7000-8700-00000000000${id}`,
      at: "2026-03-09T10:00:00+01:00",
      ...more,
    });
  const room = "01930000-0000-7000-8500-0000000000e1";
  const USED = "01930000-0000-7000-8200-0000000000e1";
  const finished = entry(1, { kind: "room-finished", roomId: room });
  const correction = entry(2, { kind: "correction", corrects: finished.id, text: "It was the other room" });
  const note = entry(3, { kind: "note", text: "  Key under the mat " });

  test("what a correction strikes out doesn't stand, whichever came first; the correction itself says nothing else", () => {
    for (const order of [
      [finished, correction, note],
      [note, correction, finished],
    ])
      expect(effectiveEntries(order)).toEqual([note]);
    expect(note).toMatchObject({ text: "Key under the mat" });
  });

  test("an entry carries at most 100 names", () => {
    const names = (count: number) =>
      Object.fromEntries(Array.from({ length: count }, (_, i) => [idFor(`room ${i}`), "Hall"]));
    expect(entry(4, { kind: "note", text: "x", names: names(100) }).kind).toBe("note");
    expect(() => entry(4, { kind: "note", text: "x", names: names(101) })).toThrow();
  });

  test("a struck-out finish leaves the plan's own", () => {
    const { job, products, vessels } = example();
    const start = Date.parse("2026-03-09T09:00:00Z");
    const around = { products, vessels, startsAtMs: start };
    expect(toJobInput(job, { ...around, log: [finished] }).finishedHours).toEqual({ [room]: 0 });
    expect(toJobInput(job, { ...around, log: [finished, correction] }).finishedHours).toEqual({});
    expect(toJobInput(job, { products, vessels, log: [finished] }).finishedHours).toEqual({});
  });

  test("a job begun late has its breaks and promises where the clock has them: what is past is past, not tomorrow's", () => {
    const { job, products, vessels } = example();
    const planned = Job.parse({
      ...job,
      day: "2026-03-09",
      startsAt: "09:00",
      rooms: job.rooms.map((each, i) => (i === 0 ? { ...each, walkOnBy: "11:00" } : each)),
      breaks: [{ id: "01930000-0000-7000-8a00-0000000000e1", at: "10:05", length: 900 }],
    });
    const startsAtMs = new Date(2026, 2, 9, 10, 30).getTime();
    const { run } = toJobInput(planned, { products, vessels, startsAtMs });
    expect(run?.breaks?.map(({ at }) => at / 60)).toEqual([-25]);
    expect(run?.promises?.map(({ by }) => by / 60)).toEqual([30]);
  });

  test("a dye test, an owner's word and what was done to a spot reach the plan; what was struck out doesn't", () => {
    const { job, products, vessels } = example();
    const spotId = "01930000-0000-7000-8900-0000000000e1";
    const productId = products[0]?.id as string;
    const tested = entry(5, {
      kind: "dye-test",
      roomId: room,
      productId,
      place: "Stairs",
      pressed: 30,
      result: "colour",
    });
    const word = entry(6, {
      kind: "override",
      roomId: room,
      productId,
      owner: "Mira",
      reason: "Known carpet",
    });
    const attempt = entry(7, {
      kind: "spot-attempt",
      roomId: room,
      spotId,
      agent: "water",
      result: "better",
    });
    const struck = entry(8, { kind: "correction", corrects: word.id, text: "Not mine to say" });
    const input = toJobInput(job, { products, vessels, log: [tested, word, attempt, struck] });
    expect(input.tests).toEqual([{ productId, roomId: room, result: "failed", test: "dye" }]);
    expect(input.spots).toMatchObject([{ area: expect.closeTo(Math.PI * 0.01, 12), result: "better" }]);
  });

  test("a batch whose product isn't at hand is left out rather than guessed", () => {
    const { job, products, vessels } = example();
    expect(toJobInput(job, { products: products.slice(0, 1), vessels }).batches).toHaveLength(1);
  });

  test.each([
    ["moisture above the scale", { kind: "reading", roomId: room, place: "carpet", moisture: 1.2 }],
    ["an empty note", { kind: "note", text: "   " }],
    ["a kind it doesn't know", { kind: "gossip", text: "x" }],
    ["nothing used", { kind: "product-used", productId: USED, amount: 0 }],
    ["used, but not how much", { kind: "product-used", productId: USED }],
    [
      "a powder by weight and by volume",
      { kind: "product-used", productId: USED, amount: 1e-4, powder: 0.1 },
    ],
  ])("%s is refused", (_, more) => {
    expect(() => entry(4, more)).toThrow();
  });
});

test("the API document names every endpoint with its errors, and says units", () => {
  const document = openApiDocument();
  const put = document.paths?.["/api/jobs/{jobId}"]?.put;
  expect(Object.keys(put?.responses ?? {})).toEqual(
    expect.arrayContaining(["200", "409", "413", "415", "422"]),
  );
  expect(JSON.stringify(document)).toContain('"unit":"kg/m²"');
  expect(() => Job.parse({})).toThrow();
});

describe("a run under way, from its log", () => {
  const { job, products = [], vessels = [] } = JobFile.parse(example());
  const startsAtMs = Date.parse("2026-03-02T09:00:00Z");
  const entry = (n: number, second: number, more: object) =>
    LogEntry.parse({
      id: `01930000-0000-7000-8a00-00000000000${n}`,
      at: new Date(startsAtMs + second * 1000).toISOString(),
      ...more,
    });
  const setUp = { kind: "step-done", step: "set-up", does: "set-up", who: 1 };

  test.each([
    ["within the minute the plan is made in", 53, 53],
    ["by a clock an hour ahead", 3600, 60],
    ["a while ago", -500, 0],
  ])(
    "what was ended %s leaves the next step to somebody: a step that is nobody's is on nobody's card",
    (_, ended, now) => {
      const log = [entry(1, -900, { kind: "run-started" }), entry(2, ended, setUp)];
      const input = toJobInput(job, { products, vessels, log, startsAtMs, now: startsAtMs });
      expect(input.now).toBe(now);
      const { run } = planWork(input);
      if (run.outcome !== "planned") throw new Error(JSON.stringify(run.fault));
      const theirs = run.steps.filter(({ kind }) => kind !== "break");
      expect(theirs.filter(({ who }) => who === undefined)).toEqual([]);
      expect(theirs.length).toBeGreaterThan(5);
    },
  );
});
