import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { HAZARDOUS_PAIRS, type Reactant } from "../care/index.ts";
import { itemAt } from "../itemAt.ts";
import {
  barredInVessel,
  billedWork,
  careOf,
  dyeTestStatusOf,
  hazardsOnFloor,
  type JobInput,
  planWork,
} from "./index.ts";

const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const product = (id: string, phInUse: number, more: object = {}) => ({
  id,
  light: ratio(32),
  ordinary: ratio(24),
  heavy: ratio(16),
  dwellLeast: 300,
  dwellMost: 900,
  phInUse,
  ...more,
});
const L = 1e-3;
const VESSEL = { nominal: 8 * L, heel: 0.2 * L, headSpace: 0.5 * L, graduation: 0.1 * L, sprayFlow: L / 60 };
const batch = (id: string, of: ReturnType<typeof product>, vesselId = "pump") => ({
  id,
  product: of,
  vessel: VESSEL,
  vesselId,
  measure: 5e-6,
});
const JOB: JobInput = {
  rooms: [
    {
      id: "wool",
      name: "Hall",
      shape: { kind: "area", area: 10 },
      covering: "deep-pile",
      fibre: "wool",
      batchId: "strong",
    },
    { id: "nylon", name: "Study", shape: { kind: "area", area: 12 }, covering: "cut-pile", fibre: "nylon" },
    {
      id: "other",
      name: "Den",
      shape: { kind: "area", area: 9 },
      covering: "cut-pile",
      fibre: "nylon",
      batchId: "mild",
    },
    { id: "mat", name: "Porch", shape: { kind: "area", area: 2 }, covering: "coir" },
    { id: "tile", name: "Bath", shape: { kind: "area", area: 5 }, covering: "ceramic" },
    { id: "way", name: "Passage", shape: { kind: "area", area: 5 }, passage: true },
  ],
  batches: [batch("strong", product("strong", 10.6)), batch("mild", product("mild", 7))],
};
const care = (job: JobInput) => Object.fromEntries(careOf(job).rooms.map((room) => [room.roomId, room]));

describe("the rules on a whole job", () => {
  test("each room is judged by its method, its own mix and its dye test; one walk-through only isn't", () => {
    const rooms = care(JOB);
    expect(Object.keys(rooms)).toEqual(["wool", "nylon", "other", "mat", "tile"]);
    expect(rooms.wool).toMatchObject({ verdict: "stop", product: { verdict: "stop" }, gate: "not-tested" });
    expect(rooms.nylon).toMatchObject({
      verdict: "stop",
      product: { verdict: "caution" },
      gate: "not-tested",
    });
    // Coir is done dry where nobody says otherwise: nothing is sprayed on it.
    expect(rooms.mat).toMatchObject({ verdict: "allowed", gate: "not-needed" });
    expect(rooms.mat?.product).toBeUndefined();
    expect(rooms.tile).toMatchObject({ gate: "not-tested", danger: "caution", toDo: ["tile-test"] });
    expect(
      care({
        ...JOB,
        rooms: JOB.rooms.map((room) => (room.id === "mat" ? { ...room, method: "extraction" } : room)),
      }).mat?.verdict,
    ).toBe("stop");
  });

  test("a fibre nobody has said is a question where one likely would lift the stop; a test not made is to do; neither is a danger", () => {
    const unsaid = { id: "new", name: "New", shape: { kind: "area", area: 9 } as const };
    const of = (more: object, batches = JOB.batches) =>
      careOf({ ...JOB, batches, rooms: [{ ...unsaid, batchId: batches[0]?.id, ...more }] }).rooms[0];
    // Alkaline on what may be wool: asked, and nothing is made until it is said.
    expect(of({})).toMatchObject({ verdict: "stop", danger: "caution", toDo: ["fibre", "dye-test"] });
    expect(of({ fibre: "unknown" })).toMatchObject({ toDo: ["fibre", "dye-test"] });
    expect(of({ fibre: "nylon" })).toMatchObject({ verdict: "stop", danger: "caution", toDo: ["dye-test"] });
    expect(of({ fibre: "wool" })).toMatchObject({ verdict: "stop", danger: "stop", toDo: ["dye-test"] });
    // Mild on every fibre that is likely: no question stands in the way.
    expect(of({ batchId: "mild" })).toMatchObject({ danger: "caution", toDo: ["dye-test"] });
    // No answer would lift it: that is no question.
    const bleach = [batch("strong", product("strong", 11, { chemistry: ["chlorine"] }))];
    expect(of({}, bleach)).toMatchObject({ danger: "stop", toDo: ["dye-test"] });
  });

  test("a test holds for its own carpet and product alone, and for rooms the person named as one carpet; the newest counts", () => {
    const tested: JobInput = {
      ...JOB,
      tests: [
        { productId: "strong", roomId: "nylon", result: "passed" },
        { productId: "mild", roomId: "nylon", result: "failed" },
        { productId: "mild", roomId: "gone", result: "passed" },
      ],
    };
    expect([care(tested).nylon?.verdict, care(tested).other?.gate]).toEqual(["caution", "not-tested"]);
    const rooms = tested.rooms.map((room) =>
      room.id === "nylon" || room.id === "other" ? { ...room, carpet: "Blue" } : room,
    );
    const one = { ...tested, rooms };
    expect(care(one).other?.gate).toBe("failed");
    const again = {
      ...one,
      tests: [...(one.tests ?? []), { productId: "mild", roomId: "other", result: "overridden" as const }],
    };
    expect(care(again).other).toMatchObject({ gate: "overridden", verdict: "caution" });
    expect(dyeTestStatusOf(one, { id: "new", covering: "cut-pile", fibre: "nylon" }, "strong")).toBe(
      "not-tested",
    );
    expect(
      dyeTestStatusOf(one, { id: "new", covering: "cut-pile", fibre: "nylon", carpet: "blue" }, "strong"),
    ).toBe("passed");
  });

  test("a room taken out of the plan leaves its dye test to the other rooms of its carpet", () => {
    const den = { ...itemAt(JOB.rooms, 2), carpet: "Blue", batchId: "strong" };
    const tests = [{ productId: "strong", roomId: "gone", result: "passed" as const }];
    const job = { ...JOB, rooms: [den], tests };
    const former = { id: "gone", covering: "cut-pile" as const, fibre: "nylon" as const, carpet: "blue" };
    expect(dyeTestStatusOf(job, den, "strong")).toBe("not-tested");
    expect(dyeTestStatusOf({ ...job, former: [former] }, den, "strong")).toBe("passed");
    expect(dyeTestStatusOf({ ...job, former: [{ ...former, carpet: "Red" }] }, den, "strong")).toBe(
      "not-tested",
    );
  });

  test("two mixes that must not meet may share no vessel; in vessels of their own they may both be", () => {
    const bleach = product("bleach", 11, { chemistry: ["chlorine"] });
    const acid = product("acid", 3.5);
    const shared = careOf({ ...JOB, batches: [batch("a", bleach), batch("b", acid)] });
    expect(shared.vessels).toMatchObject([
      {
        batchIds: ["a", "b"],
        products: [{ id: "bleach" }, { id: "acid" }],
        hazard: { pair: ["chlorine", "acid"] },
      },
    ]);
    expect(["a", "b"].map((id) => barredInVessel(shared, id).length)).toEqual([1, 1]);
    expect(careOf({ ...JOB, batches: [batch("a", bleach), batch("b", acid, "jug")] }).vessels).toEqual([]);
    expect(hazardsOnFloor(acid, [bleach, bleach]).map(({ pair }) => pair)).toEqual([["chlorine", "acid"]]);
    expect(hazardsOnFloor(acid, [])).toEqual([]);
    const spirit = product("spirit", 7, { chemistry: ["alcohol"] });
    expect(hazardsOnFloor(spirit, [], 70).map(({ pair }) => pair)).toEqual([["alcohol", "heat"]]);
    expect(hazardsOnFloor(spirit, [], 40)).toEqual([]);
  });

  test("what is added to a mix is judged with it: against the mix, and against every floor it goes on", () => {
    const powder = product("powder", 9.8, { chemistry: ["percarbonate"], labelForbids: ["wool"] });
    const rides = (on: ReturnType<typeof product>): JobInput => ({
      ...JOB,
      batches: [{ ...batch("strong", on), boosters: [{ product: powder }] }],
    });
    const acid = careOf(rides(product("acid", 3.5)));
    expect(barredInVessel(acid, "strong").map(({ hazard }) => hazard.pair)).toEqual([
      ["percarbonate", "acid-to-5"],
    ]);
    const mild = careOf(rides(product("mild", 7)));
    expect(barredInVessel(mild, "strong")).toEqual([]);
    expect(mild.vessels.map(({ hazard }) => hazard.pair)).toEqual([["percarbonate", "closed-vessel"]]);
    const wool = mild.rooms.find(({ roomId }) => roomId === "wool");
    expect(wool).toMatchObject({
      verdict: "stop",
      added: [{ productId: "powder", judgement: { verdict: "stop" } }],
    });
    expect(wool?.product?.verdict).toBe("allowed");
  });

  test("the machine's rinse water is judged where it is rinsed with", () => {
    const hot = care({ ...JOB, rig: { rinseTemperature: 75 } });
    expect(hot.wool?.rinse?.verdict).toBe("caution");
    expect(hot.mat?.rinse).toBeUndefined();
    expect(care(JOB).wool?.rinse).toBeUndefined();
  });

  test("no pair of the table can be made without its verdict: in one mix, or in one vessel one after the other (fuzz)", () => {
    const having = (reactant: Reactant, ph: number): ReturnType<typeof product> => {
      const strong = { acid: 3.8, "weak-acid": 6, "strong-acid": 1.5, alkali: 10.5, "strong-alkali": 13 };
      const own = (strong as Record<string, number>)[reactant];
      const more =
        reactant === "heat"
          ? { waterTemperature: 80 }
          : reactant === "unread"
            ? { phInUse: undefined }
            : own === undefined
              ? { chemistry: [reactant] }
              : {};
      return product(reactant, own ?? ph, more);
    };
    fc.assert(
      fc.property(
        fc.constantFrom(...HAZARDOUS_PAIRS),
        fc.boolean(),
        fc.boolean(),
        fc.constantFrom(7, 8, 9.5),
        (hazard, turned, asBooster, ph) => {
          const [a, b] = turned ? [hazard.pair[1], hazard.pair[0]] : hazard.pair;
          const both = [a, b].filter((each) => each !== "closed-vessel").map((each) => having(each, ph));
          const [one, other] = both as [ReturnType<typeof product>, ReturnType<typeof product>?];
          const batches = !other
            ? [batch("one", one)]
            : asBooster
              ? [{ ...batch("one", one), boosters: [{ product: other }] }]
              : [batch("one", one), batch("other", other)];
          const judged = careOf({ ...JOB, batches });
          expect(judged.vessels.map((each) => each.hazard)).toContain(hazard);
          for (const { id } of batches)
            expect(barredInVessel(judged, id).length > 0).toBe(
              judged.vessels.some((each) => each.hazard.inVessel === "never"),
            );
          if (hazard.inVessel === "never")
            expect(barredInVessel(judged, "one").map((each) => each.hazard)).toContain(hazard);
        },
      ),
      { seed: 67, numRuns: 400 },
    );
  });
});

test("what is charged apart is counted: steps, spots and stains, matting, edges, rinse, odour (common practice)", () => {
  const job: JobInput = {
    ...JOB,
    rooms: [
      {
        id: "stairs",
        name: "Stairs",
        shape: { kind: "stairs", steps: 13, tread: 0.25, riser: 0.19, width: 0.9 },
      },
      { id: "room", name: "Room", shape: { kind: "rectangle", length: 4, width: 3 } },
      { id: "mat", name: "Mat", shape: { kind: "area", area: 3 }, covering: "ribbed-mat" },
    ],
    interview: { detergentLeft: true, pets: true, urine: true },
    spots: [
      { roomId: "room", origin: "ink", nature: "stain", area: 0.01 },
      { roomId: "room", origin: "soil", nature: "spot", area: 0.01 },
      { roomId: "room", origin: "urine", nature: "spot", area: 0.05 },
    ],
  };
  const work = planWork(job);
  const total = work.rooms.reduce((sum, { area }) => sum + area, 0);
  expect(billedWork(job, work).extras).toMatchObject({
    "extra-rinse": expect.closeTo(total, 9),
    odour: expect.closeTo(0.2, 9),
    stain: 1,
    spot: 1,
    stairs: 13,
    edges: expect.closeTo(2 * 13 * 0.44 + 14 + (work.rooms[2]?.edge as number), 9),
    matting: 3,
  });
  expect(billedWork(job, work).rooms.map(({ id, steps }) => [id, steps])).toEqual([
    ["stairs", 13],
    ["room", undefined],
    ["mat", undefined],
  ]);
  expect(billedWork(JOB, planWork(JOB)).extras).toMatchObject({ stairs: 0, odour: 0, "extra-rinse": 0 });
});

test("an oxidiser rinsed with hot water is as hot as the water: on jute that is a stop, rinsed cool it isn't", () => {
  const oxygen = product("oxygen", 8, { chemistry: ["peroxide"] });
  const job = (rinseTemperature: number): JobInput => ({
    rooms: [{ id: "a", name: "Hall", shape: { kind: "area", area: 12 }, fibre: "nylon", backing: "jute" }],
    batches: [batch("b", oxygen)],
    tests: [{ productId: "oxygen", roomId: "a", result: "passed" }],
    rig: { rinseTemperature },
  });
  const reasons = (temperature: number) => careOf(job(temperature)).rooms[0]?.product;
  expect(reasons(95)).toMatchObject({ verdict: "stop" });
  expect(reasons(95)?.reasons[0]).toMatchObject({ trait: "hot-oxidiser", material: "jute-backing" });
  expect(reasons(40)?.verdict).toBe("caution");
});
