import { describe, expect, test } from "@jest/globals";
import { itemAt } from "../itemAt.ts";
import { vesselContents } from "../log/index.ts";
import { seededRandom } from "../numeric/index.ts";
import { type JobInput, planWork, type SurveyedRoom, sharedVessels } from "./index.ts";

const L = 1e-3;
const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const VESSEL = { nominal: 2 * L, heel: 0.05 * L, headSpace: 0.2 * L, graduation: 0.05 * L, sprayFlow: 1e-5 };
const product = (id: string, phInUse: number, more: object = {}) => ({
  id,
  phInUse,
  light: ratio(32),
  ordinary: ratio(24),
  heavy: ratio(16),
  dwellLeast: 300,
  dwellMost: 1200,
  ...more,
});
const mix = (id: string, of: ReturnType<typeof product>, vesselId = "hand") => ({
  id,
  product: of,
  vessel: VESSEL,
  vesselId,
  measure: 1e-6,
});
const room = (id: string, batchId: string, more: Partial<SurveyedRoom> = {}): SurveyedRoom => ({
  id,
  name: id,
  shape: { kind: "area", area: 6 },
  batchId,
  ...more,
});
const chain = (...ids: string[]) =>
  ids.map((from, i) => ({
    id: `d${i}`,
    from,
    ...(ids[i + 1] === undefined ? {} : { to: itemAt(ids, i + 1) }),
  }));
const WOOL = mix("mild", product("mild", 6.5));
const TILE = mix("wash", product("wash", 11.2, { kind: "hard-floor" }));
const wool = (id: string) => room(id, "mild", { fibre: "wool" });
const tile = (id: string) => room(id, "wash", { covering: "ceramic" });
const rinsesOf = (job: JobInput) => {
  const { run } = planWork(job);
  if (run.outcome !== "planned") throw new Error(run.fault.code);
  return run.steps.flatMap(({ kind, rinse }) => (kind === "rinse" && rinse ? [rinse] : []));
};

describe("two mixes in one sprayer", () => {
  const forced: JobInput = {
    rooms: [wool("a"), tile("b"), wool("c")],
    batches: [WOOL, TILE],
    doors: chain("a", "b", "c"),
  };

  test("wool, tile, wool, each left through the next: rinsed once, then twice, with what stays poured out", () => {
    const rinses = rinsesOf(forced);
    expect(rinses).toMatchObject([
      { rinses: 1, reason: "other-product" },
      { rinses: 2, reason: "delicate-floor" },
    ]);
    for (const { emptied } of rinses) expect(emptied).toBeGreaterThanOrEqual(VESSEL.heel);
    expect(sharedVessels(planWork(forced).turns)).toEqual([
      { vesselId: "hand", batchIds: ["mild", "wash"], rinses: 2, seconds: 540 },
    ]);
    const { doors: _, ...free } = forced;
    expect(rinsesOf(free)).toHaveLength(1);
    expect(rinsesOf({ ...forced, batches: [WOOL, { ...TILE, vesselId: "second" }] })).toEqual([]);
  });

  test("one product at two strengths is only emptied; one that reacts is rinsed twice", () => {
    const strong = { ...WOOL, id: "strong", strength: ratio(16) };
    const twice = { ...forced, rooms: [wool("a"), room("b", "strong", { fibre: "wool" }), wool("c")] };
    const { rinses } = planWork({ ...twice, batches: [WOOL, strong] });
    expect([...rinses.values()].map((each) => each.rinses)).toEqual([0, 0]);
    expect(rinsesOf({ ...twice, batches: [WOOL, strong] })).toEqual([]);
    const bleach = mix("bleach", product("bleach", 11, { chemistry: ["chlorine"] }));
    const acid = mix("acid", product("acid", 3.5));
    const rooms = [room("a", "bleach", { fibre: "nylon" }), room("b", "acid", { fibre: "nylon" })];
    expect(rinsesOf({ rooms, batches: [bleach, acid] })).toMatchObject([{ rinses: 2, reason: "reacts" }]);
  });

  test("what an earlier job left is rinsed out before the first fill, unless it is the same", () => {
    const job = { rooms: [wool("a")], batches: [WOOL] };
    expect(rinsesOf({ ...job, vesselContents: { hand: [TILE.product] } })).toMatchObject([
      { rinses: 2, emptied: 0 },
    ]);
    expect(rinsesOf({ ...job, vesselContents: { hand: [WOOL.product] } })).toEqual([]);
    expect(rinsesOf({ ...job, vesselContents: { other: [TILE.product] } })).toEqual([]);
  });
});

test("what the day's other jobs left in a vessel: their last fill before this job's first, unless rinsed since", () => {
  const at = (minute: number) => new Date(Date.UTC(2026, 2, 9, 9, minute)).toISOString();
  const made = (minute: number, batchId: string, productId: string) => ({
    kind: "fill-made" as const,
    id: `${batchId}${minute}`,
    at: at(minute),
    batchId,
    productId,
    fill: 1,
    water: L,
    concentrate: L / 20,
  });
  const rinsed = { kind: "step-done" as const, id: "r", at: at(20), step: "rinse:x.2" };
  const batches = [{ id: "x", vesselId: "hand" }];
  const own = { batches: [{ id: "own", vesselId: "hand" }], log: [] as object[] };
  const left = (log: readonly object[], mine: readonly object[] = own.log) =>
    vesselContents([{ batches, log: log as never }], { ...own, log: mine as never });
  expect(left([made(1, "x", "p"), made(5, "x", "q")])).toEqual({ hand: ["q"] });
  expect(left([made(1, "x", "p"), rinsed])).toEqual({});
  expect(left([made(1, "x", "p"), rinsed, made(30, "x", "q")])).toEqual({ hand: ["q"] });
  // What they made after this job's first fill came after it.
  expect(left([made(1, "x", "p"), made(30, "x", "q")], [made(10, "own", "z")])).toEqual({ hand: ["p"] });
  expect(left([made(1, "gone", "p")])).toEqual({});
});

test("no order the rooms can be worked in takes fewer rinses than the one chosen, by trying them all", () => {
  const machines = ["extraction", "spinner", "low-moisture"] as const;
  for (let seed = 0; seed < 150; seed++) {
    const random = seededRandom(seed);
    const oneOf = <T>(items: readonly T[]): T => itemAt(items, Math.floor(random() * items.length));
    const batches = ["p", "q", "r"].map((id, i) => mix(id, product(id, 6 + i)));
    const rooms = Array.from({ length: 2 + Math.floor(random() * 4) }, (_, i) =>
      room(`r${i}`, oneOf(batches).id, { fibre: "polyester", method: oneOf(machines) }),
    );
    const orders = (left: readonly SurveyedRoom[]): SurveyedRoom[][] =>
      left.length === 0
        ? [[]]
        : left.flatMap((next, i) => {
            const waits = left
              .slice(0, i)
              .some((each) => each.method === next.method || each.batchId === next.batchId);
            return waits ? [] : orders(left.filter((each) => each !== next)).map((rest) => [next, ...rest]);
          });
    const changes = (order: readonly SurveyedRoom[]) =>
      order.filter((each, i) => i > 0 && order[i - 1]?.batchId !== each.batchId).length;
    const { turns } = planWork({ rooms, batches }, () => ({
      outcome: "impossible",
      fault: { code: "no-place", tasks: [] },
    }));
    expect(turns.filter(({ rinses }) => rinses > 0)).toHaveLength(Math.min(...orders(rooms).map(changes)));
    expect(turns.flatMap(({ roomIds }) => roomIds).toSorted()).toEqual(rooms.map(({ id }) => id).toSorted());
  }
});
