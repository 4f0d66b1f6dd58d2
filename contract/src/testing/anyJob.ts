/** Jobs of any kind the contract takes, for tests that ask what must hold whatever was said. Ids made from numbers. */
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
import { Job } from "../job.ts";

/** A version 7 UUID from a kind and a number, so that a failing case can be read. */
export const idOf = (kind: number, n: number): string =>
  `01930000-0000-7000-8${kind.toString(16)}00-${n.toString(16).padStart(12, "0")}`;
const ID = {
  job: 4,
  room: 5,
  batch: 6,
  door: 8,
  spot: 9,
  plannedAir: 12,
  site: 1,
  product: 2,
  vessel: 3,
  gear: 11,
};

const some = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });
const air = fc.record({ temperature: number(-10, 50), relativeHumidity: number(0.01, 1) });
const rectangle = { length: number(0.5, 30), width: number(0.5, 30) };
const HARD: readonly string[] = HARD_FLOORS;

const shape = fc.oneof(
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
);

const zones = fc.oneof(
  fc.record({ lane: fc.record({ kind: fc.constant("share" as const), share: number(0, 1) }) }),
  fc.record({
    lane: fc.record({
      kind: fc.constant("strip" as const),
      width: number(0.05, 3),
      length: some(number(0.1, 9)),
    }),
    edge: fc.record({ kind: fc.constant("strip" as const), width: number(0.05, 0.5) }),
  }),
);

/** A room's fields but its id; `part` becomes an alcove or landing, and a spinner only lands on a hard floor. */
export const roomFields = fc
  .record({
    name: fc.constantFrom("Hall", "Büro 3", "客厅", "Zimmer 🧶 4"),
    shape,
    part: some(
      fc.record({
        width: number(0.05, 0.2),
        depth: number(0.02, 0.1),
        wall: some(fc.constantFrom(...WALLS)),
      }),
    ),
    zones: some(zones),
    level: some(fc.integer({ min: -5, max: 60 })),
    passage: some(fc.boolean()),
    unsprayed: some(fc.boolean()),
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
    soil: some(fc.constantFrom(1, 2, 3, 4, 5)),
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
    heating: some(fc.boolean()),
    carpet: some(fc.constantFrom("Blue", "Red 客")),
  })
  .map(({ part, method, ...room }) => ({
    ...room,
    method: method === "spinner" && !HARD.includes(room.covering ?? "") ? undefined : method,
    parts: part && [{ ...part, kind: room.shape.kind === "stairs" ? "landing" : "alcove" }],
  }));

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
const interview = fc.record(
  {
    lastCleaned: fc.constantFrom(...LAST_CLEANED),
    detergentLeft: fc.boolean(),
    pets: fc.boolean(),
    urine: fc.boolean(),
    occupancy: fc.constantFrom(...OCCUPANCY),
  },
  { requiredKeys: ["pets"] },
);
const rig = fc.record(
  {
    wandId: fc.constant(idOf(ID.gear, 6)),
    bends: fc.integer({ min: 0, max: 20 }),
    solutionId: fc.constant(idOf(ID.vessel, 5)),
    wetStrokes: fc.integer({ min: 1, max: 4 }),
    strokeSpeed: number(0.1, 1.5),
    rinseTemperature: number(0, 110),
  },
  { requiredKeys: ["bends"] },
);
const batch = fc.record({
  strength: some(fc.constant({ spelling: "one-to-n" as const, value: 20 })),
  tipId: some(fc.constant(idOf(ID.gear, 1))),
  carried: some(number(0, 0.01)),
  boosters: some(
    fc.constantFrom(
      [{ productId: idOf(ID.product, 6) }],
      [
        { productId: idOf(ID.product, 7), strength: { spelling: "percent", value: 12 } },
        { productId: idOf(ID.product, 6) },
      ],
    ),
  ),
});

const plannedAir = fc.record({
  room: some(fc.nat(3)),
  at: fc.constantFrom("00:00", "08:10", "22:00"),
  daily: some(fc.constant(true as const)),
  windows: some(fc.constantFrom(...WINDOWS)),
  heating: some(fc.boolean()),
  setpoint: some(number(5, 35)),
  gearOut: some(fc.constant(true as const)),
});
const hourMs = 3_600_000;
const weather = fc.record({
  source: fc.constantFrom("typed" as const, "forecast" as const, "file" as const),
  points: fc
    .array(fc.record({ hour: fc.integer({ min: -30, max: 120 }), air }), { minLength: 1, maxLength: 5 })
    .map((points) =>
      points.map(({ hour, air: there }) => ({
        at: new Date(Date.parse("2026-03-11T08:00:00Z") + hour * hourMs).toISOString(),
        ...there,
      })),
    ),
});

const priceLine = fc.record({
  id: fc.constantFrom("extra:edges", "extra:protector", "travel", `room:${idOf(ID.room, 10)}`),
  struck: some(fc.constant(true as const)),
  quantity: some(fc.constantFrom(1, 12.5)),
  amount: some(fc.constantFrom(9, 45.5)),
});

/** Any job on the demo's shelf; `n` tells its id and those of its things apart from other jobs'. */
export const anyJob = (n: number): fc.Arbitrary<Job> =>
  fc
    .record({
      rooms: fc.array(roomFields, { maxLength: 4 }),
      indoor: some(air),
      outdoor: some(air),
      interview: some(interview),
      rig: some(rig),
      doors: fc.array(door, { maxLength: 4 }),
      spots: fc.array(spot, { maxLength: 3 }),
      former: some(fc.constantFrom([], [{ id: idOf(ID.room, 90), name: "Attic", carpet: "Blue" }])),
      plannedAir: some(fc.array(plannedAir, { maxLength: 3 })),
      weather: some(weather),
      batches: fc.array(batch, { maxLength: 2 }),
      priceLines: some(fc.uniqueArray(priceLine, { maxLength: 3, selector: ({ id }) => id })),
      discount: some(fc.constantFrom({ share: 0.1 }, { amount: 15 })),
    })
    .map(({ rooms, doors, spots, batches, plannedAir: planned, ...rest }) => {
      const ids = rooms.map((_, i) => idOf(ID.room, n * 10 + i));
      const said = {
        ...rest,
        id: idOf(ID.job, n),
        siteId: idOf(ID.site, 1),
        title: "New",
        day: "2026-03-11",
        startsAt: "08:15",
        rooms: rooms.map((room, i) => ({ ...room, id: ids[i] })),
        doors: doors.flatMap(({ from, to, ...each }, i) => {
          const [one, other] = [ids[from], to === undefined ? undefined : ids[to]];
          return one && one !== other
            ? [{ ...each, id: idOf(ID.door, n * 10 + i), from: one, to: other }]
            : [];
        }),
        spots: spots.flatMap(({ room, ...each }, i) => {
          const roomId = ids[room];
          return roomId ? [{ ...each, id: idOf(ID.spot, n * 10 + i), roomId }] : [];
        }),
        plannedAir: planned?.map(({ room, ...each }, i) => ({
          ...each,
          id: idOf(ID.plannedAir, n * 10 + i),
          roomId: room === undefined ? undefined : ids[room],
        })),
        batches: batches.map((each, i) => ({
          ...each,
          id: idOf(ID.batch, n * 10 + i),
          productId: idOf(ID.product, 1),
          vesselId: idOf(ID.vessel, 4),
          measure: 5e-6,
        })),
      };
      // As JSON has it: what is undefined isn't there.
      return Job.parse(JSON.parse(JSON.stringify(said)));
    });
