import { describe, expect, test } from "@jest/globals";
import type { Job, LogEntry, Room, Shelf } from "@scutch/contract";
import { explainPreSpray } from "@scutch/core/clean";
import { explainArea } from "@scutch/core/floor";
import { foldFills } from "@scutch/core/log";
import { parseStrength } from "@scutch/core/mix";
import { explainTotalArea, planWork } from "@scutch/core/plan";
import { explainFinish } from "@scutch/core/run";
import { nameReader, quantityReader, sizeLimit, sizeReader, sizeText } from "../format/readers.ts";
import { labelSpelling, UNITS_OF } from "../format/units.ts";
import type { Planned } from "../planning/computePlan.ts";
import type { JobDesk } from "../planning/desk.ts";
import { driedOf } from "../planning/driedOf.ts";
import { moveItem } from "../planning/moveItem.ts";
import { formatFigure } from "../shared/explain/figures.ts";
import { SOURCE_NAMES } from "../shared/explain/sources.ts";
import type { JobListItem } from "../shared/jobs/useJobList.ts";
import { entryText } from "../shared/logging/entryText.ts";
import { measuresFor } from "../shared/products/measures.ts";
import { changeRedone, changeUndone, historySlice, jobChanged, onScreen } from "../state/historySlice.ts";
import { held, heldForgotten, heldMoved, type PendingChange, pendingSlice } from "../state/pendingSlice.ts";
import { stateOf } from "./today/jobState.ts";

const plain = (text: string) => text.replaceAll("\u00a0", " ");
const { metric, us } = UNITS_OF;

describe("survey", () => {
  test("what a size is shown as, typed back in, is the same room, in either system", () => {
    for (const units of [metric, us])
      for (const typed of ["3.8 x 4.2 m", "12'6 x 10'", "4 x 3 m + 2 x 1.5 m"]) {
        const read = sizeReader(units)(typed);
        if ("error" in read) throw new Error(read.error);
        const again = sizeReader(units)(sizeText(read.value, units));
        if ("error" in again) throw new Error(again.error);
        expect(again.value.kind).toBe(read.value.kind);
        expect(sizeText(again.value, units)).toBe(sizeText(read.value, units));
      }
  });

  test("a broken limit is told in the unit of what broke it", () => {
    expect(plain(sizeLimit(metric)(0.1, "width"))).toBe("0.1 m");
    expect(plain(sizeLimit(us)(9999, "shape"))).toBe("107628 sq ft");
  });

  test("a powder's strength, as it is shown, reads back as the same strength by weight", () => {
    for (const strength of [
      { spelling: "g-per-litre", value: 30 },
      { spelling: "oz-weight-per-gal", value: 4 },
    ] as const) {
      const read = parseStrength(labelSpelling(strength), "one-to-n", "powder");
      expect(read).toEqual({ ok: true, value: { ...strength, value: expect.closeTo(strength.value, 9) } });
    }
  });

  test("names need a letter, quantities a unit that fits", () => {
    expect(nameReader("  Hall ")).toEqual({ value: "Hall" });
    expect(nameReader("  ")).toEqual({ error: "Enter a name." });
    expect(quantityReader("temperature", "c")("20 m")).toEqual({
      error: expect.stringContaining("is the wrong kind of unit"),
    });
    expect(quantityReader("volume", "gal")("2")).toEqual({ value: expect.closeTo(0.00757, 5) });
  });

  test("moving in the walk-out order moves one and stops at the ends", () => {
    expect(moveItem(["a", "b", "c"], 0, 1)).toEqual(["b", "a", "c"]);
    expect(moveItem(["a", "b", "c"], 2, 1)).toEqual(["a", "b", "c"]);
    expect(moveItem(["a", "b", "c"], 0, -1)).toEqual(["a", "b", "c"]);
  });
});

describe("undo is the change the other way round", () => {
  const change = (from: string, to: string, screen = "survey") => {
    const plan = (title: string) => ({ id: "j", title }) as Job;
    return { before: plan(from), after: plan(to), screen };
  };
  const { reducer } = historySlice;
  const onSurvey = { jobId: "j", screen: "survey" };

  test("a change can be undone and done again, and a new change forgets what was undone", () => {
    let state = reducer({}, jobChanged(change("one", "two")));
    state = reducer(state, jobChanged(change("two", "three")));
    state = reducer(state, changeUndone(onSurvey));
    expect(state.j).toEqual({ past: [change("one", "two")], future: [change("two", "three")] });
    const redone = reducer(state, changeRedone(onSurvey));
    expect(redone.j).toEqual({ past: [change("one", "two"), change("two", "three")], future: [] });
    expect(reducer(state, jobChanged(change("two", "four"))).j?.future).toEqual([]);
    expect(reducer({}, changeUndone(onSurvey)).j).toBeUndefined();
  });

  test("only what was done on the screen in sight is undone there, whatever was done elsewhere since", () => {
    const [size, product] = [change("one", "two"), change("two", "three", "mix")];
    const state = reducer(reducer({}, jobChanged(size)), jobChanged(product));
    expect(onScreen(state.j as never, "survey")).toEqual({ last: size, next: undefined });
    const undone = reducer(state, changeUndone(onSurvey));
    expect(undone.j).toEqual({ past: [product], future: [size] });
    // A change on another screen leaves what can be done again here.
    const more = reducer(undone, jobChanged(change("three", "four", "mix")));
    expect(onScreen(more.j as never, "survey")).toEqual({ last: undefined, next: size });
  });

  test("it remembers sixty changes, the latest", () => {
    let state: ReturnType<typeof reducer> = {};
    for (let i = 0; i < 70; i++) state = reducer(state, jobChanged(change(String(i), String(i + 1))));
    expect(state.j?.past).toHaveLength(60);
    expect(state.j?.past.at(-1)?.after.title).toBe("70");
  });
});

describe("what was just done, until the database shows it", () => {
  const { reducer } = pendingSlice;
  const entry = {
    id: "e",
    state: "storing",
    kind: "entry",
    jobId: "j",
    entry: { id: "n" },
  } as unknown as PendingChange;
  const edit = {
    id: "p",
    state: "storing",
    kind: "job",
    jobId: "j",
    before: null,
    after: {},
  } as unknown as PendingChange;

  test("what the device can't keep is counted until it is stored or sent", () => {
    let state = reducer([], held(entry));
    state = reducer(state, heldMoved({ id: "e", state: "unstored" }));
    expect(pendingSlice.selectors.selectUnstored({ holding: state })).toBe(1);
    state = reducer(state, heldMoved({ id: "e", state: "sent" }));
    expect(pendingSlice.selectors.selectUnstored({ holding: state })).toBe(0);
  });

  test("taken back, an entry or a job with its entries isn't shown by what is still held of it", () => {
    const both = reducer(reducer([], held(edit)), held(entry));
    expect(reducer(both, heldForgotten("n"))).toEqual([edit]);
    expect(reducer(both, heldForgotten("j"))).toEqual([]);
    expect(reducer(both, heldForgotten("other"))).toEqual(both);
  });

  test("only the last twenty stored ones are kept, and none that isn't stored is let go", () => {
    let state = reducer([], held({ ...entry, id: "lost", state: "unstored" } as PendingChange));
    for (let i = 0; i < 40; i++)
      state = reducer(state, held({ ...entry, id: `s${i}`, state: "stored" } as PendingChange));
    expect(state.length).toBeLessThanOrEqual(22);
    expect(state.some(({ id }) => id === "lost")).toBe(true);
  });
});

const ROOMS = [
  { id: "a", name: "Hall", shape: { kind: "rectangle", length: 4, width: 3 } },
  { id: "b", name: "Study", shape: { kind: "area", area: 9 } },
] as unknown as Room[];
const desk = (log: readonly Partial<LogEntry>[], finishedHours: Record<string, number> = {}): JobDesk => ({
  job: { id: "j", rooms: ROOMS, batches: [] } as unknown as Job,
  shelf: { crew: "", products: [{ id: "p", name: "Meadow" }], vessels: [], sites: [] } as unknown as Shelf,
  log: log as LogEntry[],
  isProvisional: false,
  input: { rooms: ROOMS, batches: [], finishedHours },
  work: planWork({ rooms: ROOMS, batches: [], finishedHours }),
  dried: undefined,
  startMs: 0,
  late: 0,
  newer: [],
  newerPlan: false,
  edit: () => undefined,
});

describe("where a job stands", () => {
  test("planned, under way, drying: as the log tells it", () => {
    const listed = (entries: number, finished: number) => ({ entries, finished, rooms: 2 }) as JobListItem;
    const work = planWork({ rooms: ROOMS, batches: [] });
    const plan = { work, result: driedOf(work), startMs: 0 } as unknown as Planned;
    expect(stateOf(listed(0, 0), undefined, 0)).toEqual({ kind: "planned" });
    expect(stateOf(listed(1, 0), plan, 0)).toEqual({ kind: "under-way", finished: 0, rooms: 2 });
    expect(stateOf(listed(3, 1), plan, 0)).toEqual({ kind: "under-way", finished: 1, rooms: 2 });
    expect(stateOf(listed(4, 2), plan, 0)).toEqual({
      kind: "drying",
      touchDryAtMs: expect.any(Number),
      dryAtMs: expect.any(Number),
    });
    expect(stateOf(listed(4, 2), plan, 96 * 3_600_000)).toEqual({ kind: "dry", dryAtMs: expect.any(Number) });
    // Begun too long ago to be dried: it is done.
    expect(stateOf(listed(4, 2), undefined, 0)).toEqual({ kind: "dry" });
  });

  test("entries read as a technician would say them, in the crew's units", () => {
    const say = (entry: object, units = metric) => {
      const { what, said } = entryText(entry as LogEntry, desk([]), units);
      return plain(`${what}: ${said}`);
    };
    const fill = { kind: "fill-made", productId: "p", fill: 2, water: 0.0032, concentrate: 200e-6 };
    expect(say(fill)).toBe("Fill 2 mixed: Meadow: 3.2 L of water, 200 ml of concentrate");
    expect(say(fill, us)).toBe("Fill 2 mixed: Meadow: 108 fl oz of water, 6.75 fl oz of concentrate");
    expect(say({ kind: "reading", roomId: "a", place: "carpet", moisture: 0.19 })).toBe(
      "Reading: 19% in Hall",
    );
    expect(say({ kind: "reading", roomId: "gone", place: "dry-standard", moisture: 0.07 })).toBe(
      "Reading: dry standard 7% in a removed room",
    );
    expect(say({ kind: "product-used", productId: "q", amount: 250e-6, roomId: "b" })).toBe(
      "Product used: a removed product, 250 ml, Study",
    );
    expect(say({ kind: "product-used", productId: "p", powder: 0.06 })).toBe("Product used: Meadow, 60 g");
    const ofPowder = {
      ...fill,
      concentrate: 0,
      powder: 0.18,
      boosters: [{ productId: "q", concentrate: 30e-6 }],
      lot: "A7",
    };
    expect(say(ofPowder)).toBe(
      "Fill 2 mixed: Meadow: 3.2 L of water, 180 g of powder, 30 ml of a removed product, lot A7",
    );
  });

  test("a name once written stays, and says what it is called since; a room taken out keeps its own", () => {
    const say = (entry: object) => plain(entryText(entry as LogEntry, desk([]), metric).said);
    const reading = { kind: "reading", place: "carpet", moisture: 0.19 };
    expect(say({ ...reading, roomId: "a", names: { a: "Passage" } })).toBe("19% in Passage, now Hall");
    expect(say({ ...reading, roomId: "a", names: { a: "Hall" } })).toBe("19% in Hall");
    expect(say({ ...reading, roomId: "gone", names: { gone: "Attic" } })).toBe("19% in Attic");
  });

  test("a fill struck out counts as not made", () => {
    const made = { id: "e", kind: "fill-made", batchId: "x", productId: "p", fill: 1 } as unknown as LogEntry;
    const batch = (id: string, productId = "p") => ({ id, productId });
    const correction = { id: "f", kind: "correction", corrects: "e", text: "spilt" } as unknown as LogEntry;
    expect([...foldFills([made], batch("x")).keys()]).toEqual([1]);
    expect([...foldFills([made, correction], batch("x")).keys()]).toEqual([]);
    expect([...foldFills([made], batch("y")).keys()]).toEqual([]);
  });
});

describe("workings", () => {
  const { work } = desk([]);
  const [hall] = work.rooms;
  if (!hall) throw new Error();
  const workings = [
    explainArea(ROOMS[0]?.shape as Room["shape"]),
    explainTotalArea(work),
    explainPreSpray(hall),
    explainFinish(hall),
  ];

  test("each names its source, and shows every figure with a unit in both systems", () => {
    for (const working of workings) {
      expect(SOURCE_NAMES[working.source]).toBeDefined();
      for (const figure of [working.result, ...working.inputs, ...working.steps])
        for (const units of [metric, us]) expect(formatFigure(figure, units)).not.toMatch(/NaN|undefined/);
    }
  });

  test("they give the plan's own numbers, and say which input they hang on", () => {
    expect(workings.map(({ result }) => result.value)).toEqual(
      [12, 21, hall.preSpray, hall.finishedAtHours].map((value) => expect.closeTo(value, 9)),
    );
    expect(workings[0]?.sensitivity).toEqual([
      { name: "length", change: expect.closeTo(0.1, 9) },
      { name: "width", change: expect.closeTo(0.1, 9) },
    ]);
  });

  test("small lengths are shown as piles are, hours as clocks are, and what never comes in words", () => {
    expect(plain(formatFigure({ value: 0.008, kind: "length" }, us))).toBe("0.31 in");
    expect(plain(formatFigure({ value: 2.75, kind: "hours" }, metric))).toBe("2 h 45 min");
    expect(formatFigure({ value: Number.NaN, kind: "hours" }, metric)).toBe("not within 96 h");
  });
});

test("a jug keeps its marks when units are switched: both systems offer the same measures", () => {
  const values = (system: "metric" | "us") =>
    measuresFor(system)
      .map(({ value }) => value)
      .sort();
  expect(values("metric")).toEqual(values("us"));
});
