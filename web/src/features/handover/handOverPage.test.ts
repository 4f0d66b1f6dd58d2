import { expect, test } from "@jest/globals";
import type { LogEntry } from "@scutch/contract";
import { aJob, anEntry, aProduct, aRoom, aShelf, aSpot, idFor } from "@scutch/contract/testing";
import { moneyFormat } from "../../format/money.ts";
import { timesIn } from "../../format/time.ts";
import { UNITS_OF } from "../../format/units.ts";
import { computePlan } from "../../planning/computePlan.ts";
import { pageText } from "../../shared/page/customerPage.ts";
import { type HandOverFacts, handOverPage } from "./handOverPage.ts";
import { knownByLog } from "./WalkRound.tsx";

const shelf = aShelf({ products: [aProduct("Meadow")] });
const rooms = [
  aRoom("Lounge", { fibre: "wool", method: "extraction", windows: "one-open" }),
  aRoom("Hall", { fibre: "nylon", method: "extraction" }),
];
const spots = [
  aSpot("Tea", "Lounge", { nature: "stain" }),
  aSpot("Mud", "Hall", { origin: "soil" }),
  aSpot("Ink", "Hall", { origin: "ink" }),
];
const job = aJob({ rooms, spots });
const at = (minute: number) => new Date(Date.parse("2026-03-09T09:00") + minute * 60_000).toISOString();
let n = 0;
const entry = (minute: number, kind: string, more: object): LogEntry =>
  anEntry(`entry ${++n}`, { at: at(minute), kind, ...more });
const step = (minute: number, kind: string, does: string, room: string, more: object = {}) =>
  entry(minute, kind, {
    ...{ step: `${does}:${idFor(room)}${does === "clean" ? ".1" : ""}`, does, roomId: idFor(room) },
    ...more,
  });
const finished = (room: string, minute: number) => entry(minute, "room-finished", { roomId: idFor(room) });
const attempt = (spot: string, room: string, result: string) =>
  entry(40, "spot-attempt", { roomId: idFor(room), spotId: idFor(spot), agent: "water", result });

const worked = [
  entry(5, "fill-made", {
    ...{ batchId: idFor("mix"), productId: idFor("Meadow"), fill: 1 },
    ...{ water: 2.4e-3, concentrate: 1e-4 },
  }),
  step(10, "step-done", "vacuum", "Lounge"),
  step(12, "step-skipped", "edges", "Lounge", { reason: "bed not moved" }),
  step(30, "step-done", "clean", "Lounge"),
  attempt("Tea", "Lounge", "better"),
  attempt("Mud", "Hall", "gone"),
  finished("Lounge", 60),
];

/** The page as it reads. */
function read(log: readonly LogEntry[], more: Partial<HandOverFacts> = {}): string {
  const { result, ...planned } = computePlan(job, shelf, log);
  const dried = result && { work: planned.work, result, ranges: undefined };
  const page = handOverPage({
    desk: { ...planned, dried },
    crew: "Marlow Lane",
    place: "Mill House",
    times: timesIn("24"),
    units: UNITS_OF.metric,
    money: moneyFormat("GBP", "en-GB"),
    now: Date.parse(at(90)),
    photos: [],
    total: undefined,
    paid: 0,
    nextVisit: 12,
    ...more,
  });
  return pageText(page).replaceAll("\u00a0", " ");
}

test("the page lists what was done by room, with product and strength, and what was skipped, with its reason", () => {
  const text = read(worked);
  expect(text).toContain("vacuumed, cleaned by extraction: Meadow 1:24");
  expect(text).toContain("Edges: not done, bed not moved");
  // The hall was never cleaned: nothing says it was.
  expect(text).toMatch(/Hall: 12 m²\nnot done/);
  expect(text.match(/Hall: (about|\d\d:\d\d)/)).toBeNull();
});

test("a product crossed out in the log isn’t on the page", () => {
  const used = entry(20, "product-used", {
    ...{ productId: idFor("Clover"), amount: 1e-4, roomId: idFor("Lounge") },
    names: { [idFor("Clover")]: "Clover" },
  });
  const wrong = entry(25, "correction", { corrects: used.id, text: "Not here" });
  expect(read([...worked, used])).toContain("Meadow 1:24, a product");
  expect(read([...worked, used, wrong])).not.toContain("a product");
});

test("spots are gone, lighter or as they were, and a stain says why it stays", () => {
  const text = read(worked);
  expect(text).toContain("Coffee, tea, Lounge: lighter, stays: the colour has changed");
  expect(text).toContain("Mud, soil, Hall: gone");
  expect(text).toContain("Ink, marker, Hall: not treated yet");
});

test("nothing is promised before a room is finished, and the one big time only once all are", () => {
  expect(read([])).toContain("No room is finished yet, so there are no dry times.");
  expect(read(worked)).not.toContain("Walk on in socks from about");
  const all = read([...worked, finished("Hall", 80)]);
  expect(all).toMatch(/Walk on in socks from about: .*\d\d:\d\d\nDry, furniture back from about/);
});

test("windows only where they were agreed, aftercare for the fibres there, and the next clean a year on", () => {
  const text = read([...worked, finished("Hall", 80)]);
  expect(text).toContain("Keep one window open in Lounge until it’s dry.");
  expect(text).toContain("Use only cleaners labelled for wool.");
  expect(text).toContain("nylon takes their dye");
  expect(text).not.toContain("viscose");
  expect(text).toContain("Next clean: March 2027.");
});

test("what is left to pay is the total less what came in; without a total there is no price", () => {
  expect(read(worked)).not.toContain("PRICE");
  const paid = read(worked, { total: 26_800, paid: 10_000 });
  expect(paid).toMatch(/Total: £268.00\nPaid: £100.00\nLeft to pay: £168.00/);
  expect(read(worked, { total: 26_800, paid: 26_800 })).not.toContain("Left to pay");
});

test("once it is signed it tells the times that were told then, whatever is forecast since, with the name and when", () => {
  const all = [...worked, finished("Hall", 80)];
  const handedOver = entry(95, "handed-over", {
    ...{ name: "Rowan Ashby", walkOnAt: at(200), dryAt: at(400), returnAt: at(215) },
  });
  const text = read(all, { handedOver: handedOver as never });
  expect(text).toContain("Walk on in socks from about: 12:20\nDry, furniture back from about 15:40.");
  expect(text).toContain("We come back about 12:35");
  expect(text).toContain("Rowan Ashby, Mon 9 Mar 10:35");
});

test("in a customer’s own units and clock it is the same page", () => {
  const all = [...worked, finished("Hall", 80)];
  const text = read(all, { units: UNITS_OF.us, times: timesIn("12") });
  expect(text).toContain("Lounge: 129 sq ft");
  expect(text).toMatch(/from about: .*\d:\d\d.(AM|PM)/);
  expect(text).not.toContain("m²");
});

test("the walk-round knows by the log which edges and risers were done; one skipped or missing is left to tick", () => {
  const done = (room: string) => step(20, "step-done", "edges", room);
  const skipped = step(21, "step-skipped", "edges", "Hall", { reason: "x" });
  expect([...knownByLog({ job, log: [done("Lounge")] })]).toEqual([]);
  expect([...knownByLog({ job, log: [done("Lounge"), skipped] })]).toEqual([]);
  expect([...knownByLog({ job, log: [done("Lounge"), done("Hall")] })]).toEqual(["edges"]);
});
