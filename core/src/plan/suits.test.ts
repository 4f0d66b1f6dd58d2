import { describe, expect, test } from "@jest/globals";
import {
  allowedProductFor,
  heaviestOf,
  mixFor,
  type PlannedBatch,
  planWork,
  productsThatSuit,
  type SurveyedRoom,
} from "./index.ts";

const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const product = (
  id: string,
  kind: "pre-spray" | "encapsulant" | "hard-floor" | "spotter",
  phInUse: number,
  more = {},
) => ({
  id,
  kind,
  phInUse,
  light: ratio(32),
  ordinary: ratio(24),
  heavy: ratio(16),
  dwellLeast: 300,
  dwellMost: 900,
  ...more,
});
const SHELF = [
  product("acid spotter", "spotter", 4),
  product("alder hard", "hard-floor", 9.5),
  product("bramble", "pre-spray", 9.8, { potLife: 14_400 }),
  product("meadow", "pre-spray", 10.4),
  product("sedge", "encapsulant", 8),
  product("teasel", "pre-spray", 6.5),
];
const room = (id: string, more: Partial<SurveyedRoom> = {}): SurveyedRoom => ({
  id,
  name: id,
  shape: { kind: "area", area: 12 },
  ...more,
});
const first = (...rooms: SurveyedRoom[]) => productsThatSuit(rooms, SHELF)[0]?.id;

describe("a new mix starts from what suits its rooms", () => {
  test("by their kind of floor and cleaning, then by what the rules say, never by the alphabet", () => {
    expect(first(room("wool", { fibre: "wool" }))).toBe("teasel");
    expect(first(room("tile", { covering: "ceramic" }))).toBe("alder hard");
    expect(first(room("office", { fibre: "nylon", method: "low-moisture" }))).toBe("sedge");
    // Nothing known yet: carpet, with one that keeps all day.
    expect(
      productsThatSuit([], SHELF)
        .map(({ id }) => id)
        .slice(0, 2),
    ).toEqual(["meadow", "teasel"]);
    expect(productsThatSuit([], SHELF).some(({ id }) => id === "acid spotter")).toBe(false);
  });

  test("nothing that the rules stop on one of them comes before what they allow on all", () => {
    const ids = productsThatSuit([room("a", { fibre: "nylon" }), room("b", { fibre: "wool" })], SHELF).map(
      ({ id }) => id,
    );
    expect(ids[0]).toBe("teasel");
    expect(ids.indexOf("meadow")).toBeGreaterThan(ids.indexOf("teasel"));
  });
});

describe("what may be used instead", () => {
  const tested = (productId: string, result: "passed" | "failed") => ({
    productId,
    roomId: "hall",
    result,
    test: "dye" as const,
  });
  const hall = room("hall", { fibre: "wool", batchId: "of meadow" });
  test.each([
    ["wool: the mild one, not the alkali", [hall], [], "teasel"],
    ["the next where its dye test failed", [hall], [tested("teasel", "failed")], "bramble"],
    ["one that passed is in", [hall], [tested("teasel", "passed")], "teasel"],
    ["for two rooms, what both bear", [hall, room("den", { fibre: "nylon" })], [], "teasel"],
    [
      "for carpet and tile there is no one product",
      [hall, room("bath", { covering: "ceramic" })],
      [],
      undefined,
    ],
  ] as const)("%s", (_, rooms, tests, id) => {
    expect(allowedProductFor(rooms, SHELF, { tests, former: [] })?.id).toBe(id);
  });
});

describe("one heavy room makes a whole mix stronger", () => {
  const batch = {
    id: "b",
    product: SHELF[3],
    vessel: { nominal: 0.008, heel: 0, headSpace: 0, graduation: 1e-4, sprayFlow: 1e-5 },
    measure: 5e-6,
  } as unknown as PlannedBatch;
  const heaviest = (rooms: SurveyedRoom[], chosen: PlannedBatch = batch) => {
    const work = planWork({ rooms, batches: [chosen] });
    const [planned] = work.batches;
    return planned && heaviestOf(chosen, planned, work.rooms);
  };

  test("it is said which, and what the others would take; not where all are heavy, most are, or it was chosen by hand", () => {
    const rooms = [room("hall", { soil: 5 }), room("a", { soil: 3 }), room("b", { soil: 2 })];
    expect(heaviest(rooms)).toEqual({ roomIds: ["hall"], strength: ratio(16), others: ratio(24) });
    expect(heaviest(rooms.map((each) => ({ ...each, soil: 4 as const })))).toBeUndefined();
    expect(heaviest([room("hall", { soil: 5 }), room("a", { soil: 3 })])).toBeUndefined();
    expect(heaviest(rooms, { ...batch, strength: ratio(20) })).toBeUndefined();
  });
});

describe("the mix a room takes by itself", () => {
  const mixes = [
    { id: "strong", product: product("strong", "pre-spray", 11) },
    { id: "mild", product: product("mild", "pre-spray", 7) },
    { id: "encapsulant", product: product("encapsulant", "encapsulant", 7) },
    { id: "tile", product: product("tile", "hard-floor", 9) },
  ];
  test.each([
    ["a carpet the first that fits it", { fibre: "nylon" }, "strong"],
    ["wool the first that doesn't harm it", { fibre: "wool" }, "mild"],
    ["a hard floor its own cleaner", { covering: "ceramic" }, "tile"],
    ["low moisture the encapsulant", { fibre: "nylon", method: "low-moisture" }, "encapsulant"],
    ["the one chosen, whatever it is", { covering: "ceramic", batchId: "strong" }, "strong"],
  ] as const)("%s (common practice)", (_, more, id) => {
    expect(mixFor(room("r", more), mixes)?.id).toBe(id);
  });

  test("none where none is of its kind: never just the first", () => {
    expect(mixFor(room("r", { covering: "stone" }), mixes.slice(0, 3))).toBeUndefined();
    const vessel = { nominal: 8e-3, heel: 1e-4, headSpace: 5e-4, graduation: 1e-4, sprayFlow: 2e-5 };
    const batches = mixes.slice(0, 1).map((mix) => ({ ...mix, vessel, measure: 5e-6 }));
    const { rooms } = planWork({ rooms: [room("r", { covering: "ceramic" })], batches });
    expect(rooms[0]).toMatchObject({ batchId: undefined, preSpray: 0 });
  });
});
