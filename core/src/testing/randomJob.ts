import { COVERINGS, FLOOR_FIBRES, SOIL_LEVELS } from "../care/index.ts";
import { METHODS } from "../clean/index.ts";
import { WINDOWS } from "../drying/index.ts";
import { itemAt } from "../itemAt.ts";
import { seededRandom } from "../numeric/index.ts";
import type { JobDoor, JobInput, PlannedBatch, SurveyedRoom } from "../plan/index.ts";

const L = 1e-3;
const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;

/** A job of one to six rooms, one to three mixes in one or two sprayers, doors, tanks, breaks: the same for the same seed. Invented. */
export function randomJob(seed: number, people: number): JobInput {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + (high - low) * random();
  const chance = (share: number) => random() < share;
  const oneOf = <T>(items: readonly T[]): T => itemAt(items, Math.floor(random() * items.length));
  const vessels = Array.from({ length: chance(0.6) ? 1 : 2 }, (_, i) => ({
    id: `v${i}`,
    vessel: {
      nominal: between(2, 10) * L,
      heel: between(0, 0.3) * L,
      headSpace: between(0.1, 0.8) * L,
      graduation: oneOf([0.05, 0.1, 0.25]) * L,
      sprayFlow: between(1, 4) * 1e-5,
    },
  }));
  const batches = Array.from({ length: Math.ceil(between(0, 3)) }, (_, i): PlannedBatch => {
    const { id, vessel } = oneOf(vessels);
    const dwellLeast = between(0, 900);
    return {
      id: `b${i}`,
      product: {
        id: oneOf(["p0", "p1", "p2"]),
        light: ratio(32),
        ordinary: ratio(24),
        heavy: ratio(16),
        dwellLeast,
        dwellMost: dwellLeast + between(60, 900),
        phInUse: oneOf([2, 4, 7, 9, 11]),
        ...(chance(0.2) ? { potLife: between(1800, 14400) } : {}),
      },
      vessel,
      vesselId: id,
      measure: 5e-6,
    };
  });
  const rooms = Array.from(
    { length: Math.ceil(between(0, 6)) },
    (_, i): SurveyedRoom => ({
      id: `r${i}`,
      name: `Room ${i}`,
      shape: chance(0.7)
        ? { kind: "rectangle", length: between(1.5, 8), width: between(1.5, 5) }
        : { kind: "area", area: between(2, 60) },
      ...(chance(0.7) ? { covering: oneOf(COVERINGS) } : {}),
      ...(chance(0.7) ? { fibre: oneOf(FLOOR_FIBRES) } : {}),
      ...(chance(0.5) ? { method: oneOf(METHODS) } : {}),
      ...(chance(0.2) ? { passage: true } : {}),
      ...(chance(0.1) ? { unsprayed: true } : {}),
      ...(chance(0.2) ? { padAfter: true } : {}),
      soil: oneOf(SOIL_LEVELS),
      windows: oneOf(WINDOWS),
      batchId: oneOf(batches).id,
      ...(chance(0.4) ? { airMovers: [{ flow: between(0.2, 1), jetSpeed: between(3, 9) }] } : {}),
    }),
  );
  // Every room leads to one before it or out, some by two ways.
  const doors = rooms.flatMap(({ id }, i): JobDoor[] => [
    { id: `d${i}`, from: id, ...(i > 0 && chance(0.7) ? { to: `r${Math.floor(random() * i)}` } : {}) },
    ...(chance(0.2) ? [{ id: `e${i}`, from: id }] : []),
  ]);
  return {
    rooms,
    batches,
    ...(chance(0.7) ? { doors } : {}),
    ...(chance(0.4)
      ? { rig: { tanks: { solution: between(15, 80) * L, recovery: between(15, 80) * L } } }
      : {}),
    indoor: { temperature: between(16, 27), relativeHumidity: between(0.3, 0.7) },
    run: {
      people,
      circuits: oneOf([1, 2, 3]),
      breaks: chance(0.3) ? [{ id: "tea", at: between(600, 7200), length: 900 }] : [],
    },
  };
}
