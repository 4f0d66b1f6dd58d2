import { expect, test } from "@jest/globals";
import { explainResidual } from "../clean/index.ts";
import { explainReady, simulateDrying } from "../drying/index.ts";
import { itemAt } from "../itemAt.ts";
import { explainConcentrate, explainMass, explainWater } from "../mix/index.ts";
import { ROUGH, type RunInput, scheduleJob } from "../run/index.ts";
import { type JobInput, planJob, planWork } from "./index.ts";

const L = 1e-3;
const JOB: JobInput = {
  rooms: [
    { id: "study", name: "Study", shape: { kind: "rectangle", length: 4, width: 3 } },
    {
      id: "hall",
      name: "Hall",
      shape: { kind: "l-shape", main: { length: 5, width: 2 }, wing: { length: 3, width: 1.2 } },
      fibre: "wool",
      soil: 4,
    },
    {
      id: "lounge",
      name: "Lounge",
      shape: { kind: "area", area: 22 },
      airMovers: [{ flow: 0.9, jetSpeed: 8 }],
      windows: "one-open",
    },
  ],
  batches: [
    {
      id: "spray",
      product: {
        light: { spelling: "one-to-n", value: 32 },
        ordinary: { spelling: "one-to-n", value: 24 },
        heavy: { spelling: "one-to-n", value: 16 },
        dwellLeast: 480,
        dwellMost: 900,
      },
      vessel: { nominal: 8 * L, heel: 0.2 * L, headSpace: 0.5 * L, graduation: 0.1 * L, sprayFlow: L / 60 },
      measure: 5e-6,
    },
  ],
};

test("three room sizes are enough for fills, times and drying; what was filled in is named", () => {
  const plan = planJob(JOB);
  expect(plan.area).toBeCloseTo(12 + 13.6 + 22, 9);
  const batch = plan.batches[0]?.batch;
  expect(batch?.outcome).toBe("planned");
  expect(plan.drying.every((room) => (room.dryHours as number) > 0)).toBe(true);
  expect(plan.rooms[0]?.assumed).toEqual(expect.arrayContaining(["fibre", "soil", "air", "pileHeight"]));
  expect(plan.rooms[1]?.assumed).not.toContain("fibre");
  expect(plan.balanceError).toBeLessThan(1e-9);
});

test("the heaviest soil among a batch's rooms sets its strength, unless one was chosen", () => {
  expect(planJob(JOB).batches[0]?.strength.value).toBe(16);
  const batches = JOB.batches.map((batch) => ({
    ...batch,
    strength: { spelling: "one-to-n", value: 20 } as const,
  }));
  expect(planJob({ ...JOB, batches }).batches[0]?.strength.value).toBe(20);
});

test("rooms are left in their order, one person does one thing at a time, and a logged finish replaces the planned one", () => {
  const plan = planJob(JOB);
  const ends = plan.rooms.map(({ finishedAtHours }) => finishedAtHours);
  expect(ends).toEqual(ends.toSorted((a, b) => a - b));
  const steps = plan.rooms.flatMap((room) => room.steps).toSorted((a, b) => a.start - b.start);
  for (let i = 1; i < steps.length; i++)
    expect(steps[i]?.start).toBeGreaterThanOrEqual(steps[i - 1]?.end as number);
  const [first = ""] = JOB.rooms.map(({ id }) => id);
  const logged = planJob({ ...JOB, finishedHours: { [first]: 1.5 } });
  expect(logged.rooms[0]).toMatchObject({ finishedAtHours: 1.5, finishLogged: true });
  expect(logged.rooms[1]?.finishLogged).toBe(false);
  // What isn't done yet is done after it.
  for (const { kind, start } of logged.rooms[2]?.steps ?? [])
    if (kind === "clean") expect(start).toBeGreaterThanOrEqual(1.5 * 3600);
});

test("a job without rooms or batches is a plan with nothing in it, not an error", () => {
  expect(planJob({ rooms: [], batches: [] })).toMatchObject({
    rooms: [],
    batches: [],
    drying: [],
    dryAt: null,
  });
});

test("workings give the number the plan gives, and rank what it hangs on", () => {
  const plan = planJob(JOB);
  const ready = explainReady(plan, 2, "dryHours");
  expect(ready.result.value).toBeCloseTo(plan.drying[2]?.dryHours as number, 9);
  const changes = ready.sensitivity.map(({ change }) => Math.abs(change));
  expect(changes).toEqual([...changes].sort((a, b) => b - a));
  expect(ready.sensitivity.find(({ name }) => name === "residual")?.change).toBeGreaterThan(0);
  const room = plan.rooms[0];
  if (!room) throw new Error();
  expect(explainResidual(room).result.value).toBeCloseTo(room.water.residual, 12);
  const batch = plan.batches[0]?.batch;
  if (batch?.outcome !== "planned" || !batch.fills[0]) throw new Error();
  const fill = batch.fills[0];
  expect(Math.abs(explainConcentrate(fill, 1 / 16, 5e-6).result.value - fill.concentrate)).toBeLessThan(5e-6);
  expect(explainWater(fill).result.value).toBeCloseTo(fill.volume - fill.concentrate, 12);
  expect(explainWater(fill).result.value).toBeCloseTo(fill.water, 12);
  expect(explainMass(fill).result.value).toBeCloseTo(998 * fill.volume, 1);
});

test("what the tanks showed takes the place of the estimate, and drying follows it", () => {
  const reading = { roomIds: ["study", "hall"], solution: 40 * L, recovered: 36 * L };
  const plain = planJob(JOB);
  const read = planJob({ ...JOB, measuredWater: [reading] });
  const sprayed = plain.rooms.slice(0, 2).reduce((sum, { preSpray }) => sum + preSpray, 0);
  const stays = ((sprayed + 4 * L) * 1000) / (12 + 13.6);
  for (const room of read.rooms.slice(0, 2)) expect(room.residual).toBeCloseTo(stays, 9);
  expect(read.rooms.map(({ residualMeasured }) => residualMeasured)).toEqual([true, true, false]);
  expect(read.rooms[2]?.residual).toBe(plain.rooms[2]?.residual);
  expect((read.drying[0]?.dryHours as number) > (plain.drying[0]?.dryHours as number)).toBe(
    stays > (plain.rooms[0]?.residual as number),
  );
  expect(explainResidual(itemAt(read.rooms, 0)).result.value).toBeCloseTo(stays, 9);
  // The newest reading of a room counts; a little more back than went on is a dry room, never less than none.
  const again = { roomIds: ["study"], solution: 30 * L, recovered: 31.5 * L };
  expect(planJob({ ...JOB, measuredWater: [reading, again] }).rooms[0]?.residual).toBe(0);
});

test("a tank reading that can't be is asked about, and the plan goes on with its estimate", () => {
  const plain = planJob(JOB);
  const spots = [{ roomId: "study", origin: "urine", nature: "spot", area: 0.2 } as const];
  const most = 12 * 4.8 * L; // 4.8 kg/m² of the study's 12 m², and an odour treatment on top
  for (const [reading, more] of [
    [{ roomIds: ["study"], solution: 90 * L, recovered: 10 * L }, {}],
    [{ roomIds: ["study"], solution: 1 * L, recovered: 30 * L }, {}],
    [{ roomIds: ["study"], solution: most, recovered: 0 }, { spots }],
  ] as const) {
    const plan = planJob({ ...JOB, ...more, measuredWater: [reading] });
    expect(plan.questions).toMatchObject([{ code: "tank-reading", roomIds: ["study"] }]);
    expect(plan.rooms[0]?.residualMeasured).toBe(false);
    expect(plan.rooms[0]?.water.residual).toBe(plain.rooms[0]?.water.residual);
  }
  expect(
    planJob({ ...JOB, measuredWater: [{ roomIds: ["study"], solution: most, recovered: 0 }] }).questions,
  ).toEqual([]);
  const crawling = {
    wand: { headWidth: 0.05, ratedJetFlow: 1e-4, pressure: 200 },
    strokes: { strokeSpeed: 0.1 },
  };
  const soaked = planJob({ ...JOB, rig: crawling });
  expect(soaked.questions[0]).toMatchObject({ code: "too-wet" });
  expect(Math.max(...soaked.rooms.map(({ residual }) => residual))).toBe(5);
});

test("a room without a batch isn't sprayed, and no finish is cut off at two days", () => {
  const plan = planJob({ ...JOB, batches: [], rooms: JOB.rooms.map((room) => ({ ...room, rate: 1e-3 })) });
  for (const room of plan.rooms) expect([room.preSpray, room.water.applicationRate]).toEqual([0, 0]);
  const late = planJob({ ...JOB, finishedHours: { study: 500 } });
  expect(late.rooms[0]?.finishedAtHours).toBe(500);
  expect(late.drying[0]?.dryHours as number).toBeLessThan(48);
});

test("doors left open join the rooms' air, shut ones don't; a room walk-through only is neither mixed for nor wet", () => {
  const doors = [
    { id: "d", from: "study", to: "lounge" },
    { id: "e", from: "lounge" },
  ];
  expect(planJob({ ...JOB, doors }).building.links).toHaveLength(1);
  expect(planJob({ ...JOB, doors: doors.map((door) => ({ ...door, shut: true })) }).building.links).toEqual([
    { a: 0, b: 2, flow: 0 },
  ]);
  const rooms = JOB.rooms.map((room) => (room.id === "hall" ? { ...room, passage: true } : room));
  const plan = planJob({ ...JOB, rooms, doors });
  expect(plan.area).toBeCloseTo(12 + 22, 9);
  expect(plan.rooms[1]).toMatchObject({ preSpray: 0, rinse: 0, residual: 0, steps: [], batchId: undefined });
  expect(plan.drying[1]?.dryHours).toBe(0);
  expect(plan.walkOut?.best).toMatchObject({ outcome: "impossible", fault: { rooms: ["hall"] } });
});

test("what the customer says changes the plan, and says so: rinse, defoamer, odour, edges, slow vacuum", () => {
  const plain = planJob(JOB);
  const asked = planJob({
    ...JOB,
    interview: { detergentLeft: true, urine: true, occupancy: "move-in", lastCleaned: "never" },
    spots: [{ roomId: "study", origin: "urine", nature: "spot", area: 0.1 }],
  });
  expect(asked.effects.map(({ kind }) => kind)).toEqual([
    "defoamer",
    "extra-rinse",
    "odour-step",
    "edges",
    "slow-vacuum",
  ]);
  expect(asked.rooms[1]?.rinse).toBeCloseTo(2 * (plain.rooms[1]?.rinse as number), 9);
  expect(asked.rooms.map(({ odourArea }) => odourArea)).toEqual([expect.closeTo(0.4, 9), 0, 0]);
  // The patch alone is soaked: over the room that is its 0.4 m² of 0.3 kg/m², to the gram.
  const [study] = asked.rooms;
  expect((study?.residual as number) - (study?.water.residual as number)).toBeCloseTo(
    (0.3 * 0.4) / (study?.area as number),
    9,
  );
  expect((study?.patchResidual as number) - (study?.water.residual as number)).toBeCloseTo(0.3, 9);
  expect(asked.rooms[1]?.residual).toBe(asked.rooms[1]?.water.residual);
  // Told of and found nowhere yet: something to look for, and no water anywhere.
  const told = planJob({ ...JOB, interview: { urine: true } });
  expect(told.effects).toEqual([{ kind: "find-accidents", because: "urine" }]);
  expect(told.rooms.map(({ residual, odourArea }) => [residual, odourArea])).toEqual(
    plain.rooms.map(({ residual }) => [residual, 0]),
  );
  expect(new Set(asked.rooms[0]?.steps.map(({ kind }) => kind))).toEqual(
    new Set(["vacuum", "edges", "pre-spray", "agitate", "clean", "odour", "groom"]),
  );
  const recovered = asked.rooms.reduce(
    (sum, { area, water }) => sum + area * water.applied * water.recoveredShare,
    0,
  );
  expect(asked.defoamer).toBeCloseTo(recovered * 1e-6, 12); // 30 ml to 30 L is a millilitre to the litre
  expect(plain.effects).toEqual([]);
});

test("zones and a rate chosen by hand make the demand: lanes 1.3 times the field, edges half of it (common practice)", () => {
  const [first] = JOB.rooms;
  if (!first) throw new Error();
  const sprayed = (change: object) =>
    planWork({ ...JOB, rooms: [{ ...first, ...change }] }).rooms[0]?.preSpray as number;
  const plain = sprayed({});
  expect(plain).toBeCloseTo(12 * 68e-6, 12);
  const share = (value: number) => ({ kind: "share", share: value }) as const;
  expect(sprayed({ zones: { lane: share(0.25), edge: share(0.5) } }) / plain).toBeCloseTo(
    0.25 * 1.3 + 0.25 + 0.5 * 0.5,
    12,
  );
  expect(sprayed({ rate: 100e-6 })).toBeCloseTo(12 * 100e-6, 12);
  expect(sprayed({ rate: 100e-6, zones: { lane: share(1) } })).toBeCloseTo(12 * 130e-6, 12);
});

test("a promise is a room left so much before it as the room takes to touch-dry; without one nothing is due", () => {
  const asked: RunInput[] = [];
  const solve = (input: RunInput) => {
    asked.push(input);
    return scheduleJob(input, ROUGH);
  };
  planWork(JOB, solve);
  expect(asked.map(({ roomDueDates }) => roomDueDates)).toEqual([undefined]);
  asked.length = 0;
  const promised = planWork({ ...JOB, run: { promises: [{ roomId: "lounge", by: 36_000 }] } }, solve);
  const place = promised.rooms.findIndex(({ id }) => id === "lounge");
  const hours = simulateDrying(promised.building).rooms[place]?.touchDryHours ?? 0;
  const due = asked.at(-1)?.roomDueDates;
  expect([...(due?.keys() ?? [])]).toEqual(["lounge"]);
  // As it dries when nothing is hurried.
  expect(Math.abs((due?.get("lounge") ?? 0) - (36_000 - hours * 3600))).toBeLessThan(600);
});
