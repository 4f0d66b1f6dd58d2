/** Any job the schema takes is planned, whatever stands in it, its shelf and its log: never an exception, never a NaN. */
import { expect, test } from "@jest/globals";
import { JobFile } from "@scutch/contract";
import { anyJob, idOf } from "@scutch/contract/testing";
import { CHEMISTRIES, FLOOR_FIBRES } from "@scutch/core/care";
import fc from "fast-check";
import { planReport } from "./plan.ts";

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });
const some = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
/** Evenly in the logarithm: the ends of what is allowed come up as often as the middle. */
const size = (min: number, max: number) =>
  number(Math.log(min), Math.log(max)).map((x) => Math.min(max, Math.max(min, Math.exp(x))));
const seconds = number(0, 172_800);

const product = (id: string) =>
  fc
    .record({
      powder: fc.boolean(),
      weakest: size(1.1e-5, 0.3),
      spread: fc.tuple(number(1, 2), number(1, 1.6)),
      dwell: fc.tuple(seconds, seconds),
      potLife: some(fc.oneof(seconds, number(60, 7200))),
      scoop: size(1e-4, 5),
      phInUse: some(number(0, 14)),
      phConcentrate: some(number(0, 14)),
      chemistry: some(fc.uniqueArray(fc.constantFrom(...CHEMISTRIES), { maxLength: 3 })),
      labelForbids: some(
        fc.uniqueArray(fc.constantFrom(...FLOOR_FIBRES.filter((fibre) => fibre !== "unknown")), {
          maxLength: 3,
        }),
      ),
    })
    .map(({ powder, weakest, spread: [a, b], dwell, scoop, ...rest }) => {
      const strength = (c: number) =>
        powder ? { spelling: "g-per-litre", value: 1000 * c } : { spelling: "one-to-n", value: 1 / c };
      return {
        ...rest,
        ...(powder ? { scoop } : {}),
        id,
        name: "Any",
        kind: "pre-spray",
        ratioMeans: "one-to-n",
        light: strength(weakest),
        ordinary: strength(weakest * a),
        heavy: strength(weakest * a * b),
        dwellLeast: Math.min(...dwell),
        dwellMost: Math.max(...dwell),
        cautions: [],
      };
    });

const vessel = (id: string) =>
  fc
    .record({
      nominal: size(1e-4, 10),
      heel: number(0, 0.4),
      headSpace: number(0, 0.4),
      marks: size(2, 2000),
      sprayFlow: size(1e-7, 0.01),
    })
    .map(({ nominal, heel, headSpace, marks, sprayFlow }) => ({
      id,
      name: "Any",
      nominal,
      heel: heel * nominal,
      headSpace: headSpace * nominal,
      graduation: Math.max(1e-5, (nominal * 0.19) / marks),
      sprayFlow,
    }));

const gear = fc
  .record({
    ratio: size(1, 1000),
    headWidth: size(0.05, 2),
    ratedJetFlow: size(1e-6, 0.01),
    pressure: size(0.5, 250),
  })
  .map(({ ratio, ...wand }) => [
    { id: idOf(11, 1), name: "Metering tip", count: 1, kind: "tip", ratio },
    { id: idOf(11, 6), name: "Wand", count: 1, kind: "wand", ...wand },
  ]);

const happened = fc.record({
  readings: fc.array(
    fc.record({
      rooms: fc.uniqueArray(fc.nat(3), { minLength: 1 }),
      solution: size(1e-4, 10),
      recovered: size(1e-4, 10),
    }),
    { maxLength: 3 },
  ),
  finished: fc.array(fc.record({ room: fc.nat(3), hours: number(-3, 400) }), { maxLength: 3 }),
});

const anyFile = fc
  .record({
    job: anyJob(1),
    products: fc.tuple(...[1, 6, 7].map((n) => product(idOf(2, n)))),
    vessels: fc.tuple(...[4, 5].map((n) => vessel(idOf(3, n)))),
    gear,
    happened,
    measure: size(1e-7, 0.01),
  })
  .map(({ job, products, vessels, gear: van, happened: log, measure }) => {
    const room = (i: number) => job.rooms[i % Math.max(1, job.rooms.length)]?.id;
    let n = 0;
    const entry = (hours: number) => ({
      id: idOf(10, ++n),
      at: new Date(Date.parse(`${job.day}T${job.startsAt}`) + hours * 3_600_000).toISOString(),
    });
    const file = {
      format: "scutch-job",
      formatVersion: 1,
      job: {
        ...job,
        batches: job.batches.map(({ strength: _, boosters: __, ...batch }) => ({
          ...batch,
          measure,
          boosters: [{ productId: idOf(2, 6) }],
        })),
      },
      products,
      vessels,
      gear: van,
      log:
        job.rooms.length === 0
          ? []
          : [
              ...log.readings.map(({ rooms, ...water }) => ({
                ...entry(1),
                kind: "water-measured",
                roomIds: [...new Set(rooms.map(room))],
                ...water,
              })),
              ...log.finished.map(({ room: i, hours }) => ({
                ...entry(hours),
                kind: "room-finished",
                roomId: room(i),
              })),
            ],
    };
    return JobFile.parse(JSON.parse(JSON.stringify(file)));
  });

/** Every number in it is one, wherever it stands. */
function finite(value: unknown, path = "$"): void {
  if (typeof value === "number") {
    if (!Number.isFinite(value)) throw new Error(`${path} is ${value}`);
  } else if (value !== null && typeof value === "object")
    for (const [key, each] of Object.entries(value)) finite(each, `${path}.${key}`);
}

test("800 jobs made from the schema are all planned", () => {
  const times: number[] = [];
  fc.assert(
    fc.property(anyFile, (file) => {
      const start = performance.now();
      const plan = planReport(file);
      times.push(performance.now() - start);
      finite(plan);
      expect(plan.rooms).toHaveLength(file.job.rooms.length);
    }),
    { seed: 71, numRuns: 800 },
  );
  times.sort((a, b) => a - b);
  if (process.env.SHOW_TIMES)
    console.log(
      [0.5, 0.9, 0.99, 1].map((q) => times[Math.min(times.length - 1, Math.floor(q * times.length))]),
    );
}, 240_000);
