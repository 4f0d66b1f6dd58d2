import { describe, expect, test } from "@jest/globals";
import type { Job, Room } from "@scutch/contract";
import { anEntry, aRoom, idFor } from "@scutch/contract/testing";
import { freeWaterAt, readyLevels, regain, simulateDrying } from "@scutch/core/drying";
import { placedReadings } from "@scutch/core/log";
import { planWork, type WorkPlan } from "@scutch/core/plan";
import { readyOfJob, readyOfRoom } from "../../planning/ready.ts";
import type { DryingForecast } from "../../planning/useDried.ts";

const HOUR = 3_600_000;
const START = Date.parse("2026-03-10T09:00:00Z");
const room = (name: string, said: Parameters<typeof aRoom>[1] = {}) =>
  aRoom(name, { shape: { kind: "area", area: 14 }, ...said });
const work = (
  rooms: readonly Room[],
  outdoor: Job["outdoor"] = { temperature: 12, relativeHumidity: 0.6 },
): WorkPlan => planWork({ rooms, batches: [], indoor: { temperature: 22, relativeHumidity: 0.5 }, outdoor });
const dried = (plan: WorkPlan): DryingForecast => ({
  work: plan,
  result: simulateDrying(plan.building, { keepCourse: true }),
  ranges: undefined,
});

describe("ready times on the clock", () => {
  const plan = work([room("a"), room("b", { fibre: "wool" })]);
  const drying = dried(plan);

  test("a room's count from when it is finished, the job's is the last room's", () => {
    const [a, b] = [0, 1].map((i) => readyOfRoom(drying, i, START, "dry").likely as number) as [
      number,
      number,
    ];
    const hours = drying.result.rooms[0]?.dryHours as number;
    expect(a).toBeCloseTo(START + ((plan.rooms[0]?.finishedAtHours as number) + hours) * HOUR, 0);
    expect(readyOfJob(drying, START, "dry").likely).toBe(Math.max(a, b));
  });

  test("a room that can't dry has no hour, and then neither has the job; without a range its ends are open", () => {
    const never = {
      ...drying.result,
      rooms: drying.result.rooms.map((each, i) => (i ? { ...each, dryHours: null } : each)),
    };
    expect(readyOfRoom({ ...drying, result: never }, 1, START, "dry").likely).toBeNull();
    expect(readyOfJob({ ...drying, result: never }, START, "dry").likely).toBeNull();
    expect(readyOfJob(drying, START, "dry")).toMatchObject({ early: null, late: null });
  });
});

describe("readings on the curve", () => {
  const plan = work([room("a")]);
  const course = dried(plan).result.rooms[0]?.course ?? [];
  let n = 0;
  const reading = (
    hours: number,
    moisture: number,
    place: "carpet" | "dry-standard" = "carpet",
    roomId = "a",
  ) =>
    anEntry(`reading ${n++}`, {
      at: new Date(START + hours * HOUR).toISOString(),
      kind: "reading",
      roomId: idFor(roomId),
      place,
      moisture,
    });

  const drying = plan.building.rooms[0] as NonNullable<(typeof plan.building.rooms)[number]>;
  const curve = { course, room: drying, start: START };
  /** What a meter of this slope would show above the dry standard's 8%. */
  const shown = (hours: number, slope: number) => {
    const above =
      readyLevels(drying).equilibrium - drying.faceWeight * regain(drying.fibre, drying.relativeHumidity);
    return 0.08 + slope * (above + freeWaterAt(course, hours));
  };

  test("readings in proportion to the water lie on the curve, whatever the meter's slope; one that shows more lies above it", () => {
    for (const slope of [0.8, 1.5]) {
      const log = [
        reading(1, 0.08, "dry-standard"),
        ...[2, 3, 4].map((hours) => reading(hours, shown(hours, slope))),
      ];
      const placed = placedReadings([...log, reading(3, 0.9, "carpet", "b")], idFor("a"), curve);
      expect(placed).toHaveLength(3);
      placed.forEach(({ freeWater, time }) => {
        expect(freeWater).toBeCloseTo(freeWaterAt(course, (time - START) / HOUR), 9);
      });
    }
    const more = [reading(1, 0.08, "dry-standard"), reading(2, shown(2, 1)), reading(3, shown(3, 1.4))];
    const [, last] = placedReadings(more, idFor("a"), curve);
    expect(last?.freeWater).toBeGreaterThan(freeWaterAt(course, 3));
  });

  test("without a dry standard, or with one above the reading, nobody can say, and nothing is drawn", () => {
    expect(placedReadings([reading(2, 0.4)], idFor("a"), curve)).toEqual([]);
    expect(placedReadings([reading(1, 0.5, "dry-standard"), reading(2, 0.4)], idFor("a"), curve)).toEqual([]);
  });

  test("a struck-out reading isn't drawn", () => {
    const wrong = reading(2.5, 0.9);
    const log = [
      reading(1, 0.08, "dry-standard"),
      reading(2, 0.48),
      wrong,
      anEntry("slip", { kind: "correction", at: wrong.at, corrects: wrong.id, text: "misread" }),
    ];
    expect(placedReadings(log, idFor("a"), curve)).toHaveLength(1);
  });
});
