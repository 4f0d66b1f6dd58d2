import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { type BatchChoice, type Job, RoomId } from "@scutch/contract";
import {
  BACKINGS,
  COVERINGS,
  FLOOR_FIBRES,
  HARD_FLOORS,
  IDENTIFIED_BY,
  NATURES,
  ORIGINS,
  SOIL_NATURES,
  SPOT_AGES,
  WEAR,
} from "@scutch/core/care";
import { METHODS } from "@scutch/core/clean";
import { WINDOWS } from "@scutch/core/drying";
import { WALLS } from "@scutch/core/floor";
import { LAST_CLEANED, OCCUPANCY } from "@scutch/core/plan";
import fc from "fast-check";
import { demoId } from "../../demo/demoId.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

/** A new job on the demo's shelf. */
let made = 1000;
function newJob(change: Partial<Job>): Job {
  made++;
  return {
    id: demoId("job", made),
    siteId: demoId("site", 1),
    title: "New",
    day: "2026-03-11",
    startsAt: "08:15",
    rooms: [],
    batches: [],
    ...change,
  };
}

const HARD: readonly string[] = HARD_FLOORS;
const BOOSTERS: NonNullable<BatchChoice["boosters"]>[] = [
  [{ productId: demoId("product", 6) }],
  [
    { productId: demoId("product", 7), strength: { spelling: "percent", value: 12 } },
    { productId: demoId("product", 6) },
  ],
];
const unlessEmpty = <T>(list: T[]) => (list.length > 0 ? list : undefined);

test("what is saved reads back the same, whatever was said and left unsaid (fuzz)", async () => {
  const some = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });
  const air = fc.record({ temperature: number(-10, 50), relativeHumidity: number(0.01, 1) });
  const rectangle = { length: number(0.5, 30), width: number(0.5, 30) };
  const room = fc.record({
    name: fc.constantFrom("Hall", "Büro 3", "客厅", "Zimmer 🧶 4"),
    shape: fc.oneof(
      fc.record({ kind: fc.constant("rectangle" as const), ...rectangle }),
      fc.record({
        kind: fc.constant("l-shape" as const),
        main: fc.record(rectangle),
        wing: fc.record(rectangle),
      }),
      fc.record({
        kind: fc.constant("u-shape" as const),
        main: fc.record({ length: number(3, 9), width: number(1, 9) }),
        left: fc.record({ length: number(0.2, 1.5), width: number(0.2, 3) }),
        right: fc.record({ length: number(0.2, 1.5), width: number(0.2, 3) }),
      }),
      fc.record({ kind: fc.constant("area" as const), area: number(0.1, 9990) }),
      fc.record({
        kind: fc.constant("stairs" as const),
        steps: fc.integer({ min: 3, max: 40 }),
        tread: number(0.15, 0.6),
        riser: number(0.08, 0.3),
        width: number(0.7, 6),
        winders: some(fc.integer({ min: 0, max: 3 })),
        runner: some(number(0.3, 0.7)),
      }),
    ),
    part: some(
      fc.record({
        width: number(0.05, 0.2),
        depth: number(0.02, 0.1),
        wall: some(fc.constantFrom(...WALLS)),
      }),
    ),
    zones: some(
      fc.oneof(
        fc.record({ lane: fc.record({ kind: fc.constant("share" as const), share: number(0, 1) }) }),
        fc.record({
          lane: fc.record({
            kind: fc.constant("strip" as const),
            width: number(0.05, 3),
            length: some(number(0.1, 9)),
          }),
          edge: fc.record({ kind: fc.constant("strip" as const), width: number(0.05, 0.5) }),
        }),
      ),
    ),
    level: some(fc.integer({ min: -5, max: 60 })),
    passage: some(fc.boolean()),
    turned: some(fc.boolean()),
    nudge: some(fc.record({ x: number(-9, 9), y: number(-9, 9) })),
    identifiedBy: some(fc.constantFrom(...IDENTIFIED_BY)),
    backing: some(fc.constantFrom(...BACKINGS)),
    age: some(number(0, 100)),
    soilNature: some(fc.constantFrom(...SOIL_NATURES)),
    wear: some(fc.constantFrom(...WEAR)),
    height: some(number(1, 30)),
    covering: some(fc.constantFrom(...COVERINGS)),
    fibre: some(fc.constantFrom(...FLOOR_FIBRES)),
    pileHeight: some(number(0.001, 0.05)),
    faceWeight: some(number(0.1, 5)),
    soil: some(fc.constantFrom(1 as const, 2 as const, 3 as const, 4 as const, 5 as const)),
    method: some(fc.constantFrom(...METHODS)),
    padAfter: some(fc.boolean()),
    rate: some(number(5e-6, 2e-3)),
    air: some(air),
    windows: some(fc.constantFrom(...WINDOWS)),
    airSpeed: some(number(0, 7)),
    airMovers: some(
      fc.array(fc.record({ flow: number(0, 10), jetSpeed: number(0, 40) }), { minLength: 1, maxLength: 3 }),
    ),
    dehumidifierLitresPerDay: some(number(0, 1000)),
  });
  const interview = some(
    fc.record(
      {
        lastCleaned: fc.constantFrom(...LAST_CLEANED),
        detergentLeft: fc.boolean(),
        pets: fc.boolean(),
        urine: fc.boolean(),
        occupancy: fc.constantFrom(...OCCUPANCY),
      },
      { requiredKeys: ["pets"] },
    ),
  );
  const door = fc.record({
    from: fc.nat(3),
    to: some(fc.nat(3)),
    wall: some(fc.constantFrom(...WALLS)),
    offset: some(number(0, 9)),
    shut: some(fc.boolean()),
  });
  const spot = fc.record({
    room: fc.nat(3),
    x: number(0, 1),
    y: number(0, 1),
    across: number(0.003, 5),
    origin: fc.constantFrom(...ORIGINS),
    known: fc.constantFrom("told" as const, "guessed" as const),
    nature: fc.constantFrom(...NATURES),
    age: fc.constantFrom(...SPOT_AGES),
    uv: some(fc.constantFrom("glows" as const, "dark" as const)),
  });
  const rig = some(
    fc.record(
      {
        wandId: fc.constant(demoId("gear", 6)),
        bends: fc.integer({ min: 0, max: 20 }),
        solutionId: fc.constant(demoId("vessel", 5)),
        wetStrokes: fc.integer({ min: 1, max: 4 }),
        strokeSpeed: number(0.1, 1.5),
      },
      { requiredKeys: ["bends"] },
    ),
  );
  const batch = fc.record({
    strength: some(fc.constant({ spelling: "one-to-n" as const, value: 20 })),
    tipId: some(fc.constant(demoId("gear", 1))),
    carried: some(number(0, 0.01)),
    boosters: some(fc.constantFrom<NonNullable<BatchChoice["boosters"]>>(...BOOSTERS)),
  });
  const list = <T>(arbitrary: fc.Arbitrary<T>, maxLength: number) => fc.array(arbitrary, { maxLength });
  await fc.assert(
    fc.asyncProperty(
      list(room, 4),
      some(air),
      interview,
      list(door, 4),
      list(spot, 3),
      rig,
      list(batch, 2),
      async (drawn, indoor, asked, doors, spots, chosenRig, batches) => {
        const rooms = drawn.map(({ part, method, ...each }, i) => ({
          ...each,
          id: RoomId.parse(demoId("room", made * 10 + i)),
          // A spinner on carpet is refused, and so is a landing anywhere but on stairs.
          method: method === "spinner" && !HARD.includes(each.covering ?? "ceramic") ? undefined : method,
          parts: part && [{ ...part, kind: each.shape.kind === "stairs" ? "landing" : "alcove" }],
        })) as Job["rooms"];
        const idOf = (place: number) => rooms[place]?.id;
        const job = JSON.parse(
          JSON.stringify(
            newJob({
              rooms,
              indoor,
              interview: asked,
              rig: chosenRig,
              batches: batches.map((each, i) => ({
                ...each,
                id: demoId("batch", 500 + i),
                productId: demoId("product", 1),
                vesselId: demoId("vessel", 4),
                measure: 5e-6,
              })),
              doors: unlessEmpty(
                doors.flatMap(({ from, to, ...rest }, i) => {
                  const [one, other] = [idOf(from), to === undefined ? undefined : idOf(to)];
                  return one && one !== other
                    ? [{ ...rest, id: demoId("door", i), from: one, to: other }]
                    : [];
                }),
              ),
              spots: unlessEmpty(
                spots.flatMap(({ room: place, ...rest }, i) => {
                  const roomId = idOf(place);
                  return roomId ? [{ ...rest, id: demoId("spot", i), roomId }] : [];
                }),
              ),
            }),
          ),
        ) as Job;
        await server.api.put(`/api/jobs/${job.id}`).send({ baseVersion: 0, job }).expect(200, { version: 1 });
        const { body } = await server.api.get(`/api/jobs/${job.id}`).expect(200);
        expect(body.job).toEqual(job);
      },
    ),
    { seed: 17, numRuns: 40 },
  );
}, 60_000);
