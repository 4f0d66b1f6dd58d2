import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { humidityRatioFromRelativeHumidity, SEA_LEVEL_PRESSURE, wetBulb } from "../air/index.ts";
import { type Building, type DryingRoom, roomMoment, simulateDrying } from "./index.ts";

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyRoom: fc.Arbitrary<DryingRoom> = fc.record({
  area: number(6, 40),
  height: fc.constant(2.4),
  temperature: number(14, 26),
  relativeHumidity: number(0.35, 0.65),
  fibre: fc.constantFrom("nylon", "wool", "polyester" as const),
  faceWeight: number(0.6, 1.5),
  pileHeight: number(0.005, 0.012),
  residual: number(0.1, 0.4),
  outdoorAirChangesPerHour: number(0.3, 6),
  dehumidifierLitresPerDay: fc.constantFrom(0, 40),
  airMovers: fc.constantFrom([], [{ flow: 0.9, jetSpeed: 8, power: 250 }]),
  climate: fc.constantFrom(
    { mode: "floating" } as const,
    { mode: "heated", setpoint: 21, capacity: 1200 } as const,
  ),
});
const anyBuilding: fc.Arbitrary<Building> = fc.record({
  outdoor: fc.record({ temperature: number(0, 24), relativeHumidity: number(0.4, 0.9) }),
  rooms: fc.tuple(anyRoom, anyRoom),
  links: fc.constant([{ a: 0, b: 1, flow: 0.04 }]),
  changes: fc.constant([{ hours: 2, room: 0, outdoorAirChangesPerHour: 1 }]),
});

/** Dry air of a room, kg, 1.2 kg/m³, and the nine times as much that walls and furniture make of it for vapour: docs/model.md §6. */
const airMass = ({ area, height }: DryingRoom) => 1.2 * area * height;

describe("a room at one moment", () => {
  test("what its terms add up to is how fast its air's water and heat really change (fuzz)", () => {
    fc.assert(
      fc.property(anyBuilding, number(0.3, 6), (building, hours) => {
        // Not where something is switched within the time looked at.
        fc.pre(Math.abs(hours - 2) > 0.1);
        const step = 0.02;
        const looks = [-step, step].flatMap((off) => [{ hours: hours + off, room: 0 }]);
        const result = simulateDrying(building, { keepCourse: true, looks });
        const [before, after] = result.seen;
        const moment = roomMoment(building, result, 0, hours);
        const room = building.rooms[0];
        if (!before || !after || !moment || !room) throw new Error("nothing seen");
        const ratio = ({ temperature, relativeHumidity }: typeof before) =>
          humidityRatioFromRelativeHumidity(temperature, relativeHumidity, SEA_LEVEL_PRESSURE);
        const gained = (9 * airMass(room) * (ratio(after) - ratio(before))) / (2 * step);
        const told = moment.terms.reduce((sum, { vapour }) => sum + vapour, 0);
        const largest = Math.max(...moment.terms.map(({ vapour }) => Math.abs(vapour)), 0.01);
        expect(Math.abs(told - gained)).toBeLessThan(0.08 * largest + 0.003);
        const warmed = (80e3 * room.area * (after.temperature - before.temperature)) / (2 * step * 3600);
        const heat = moment.terms.reduce((sum, term) => sum + term.heat, 0);
        const most = Math.max(...moment.terms.map((term) => Math.abs(term.heat)), 20);
        expect(Math.abs(heat - warmed)).toBeLessThan(0.1 * most + 8);
        // What leaves the pile is what the carpet's term says.
        const left = (before.water - after.water) / (2 * step);
        expect(moment.flux).toBeCloseTo(left, 2);
      }),
      { seed: 23, numRuns: 120 },
    );
  });

  test("a soaked pile in still air is near the wet bulb, a little above it; before the finish there is no wet surface", () => {
    const room: DryingRoom = {
      area: 16,
      height: 2.4,
      temperature: 22,
      relativeHumidity: 0.5,
      fibre: "nylon",
      faceWeight: 0.9,
      pileHeight: 0.008,
      residual: 0.3,
      outdoorAirChangesPerHour: 8,
      finishedAt: 1,
    };
    const building: Building = { outdoor: { temperature: 22, relativeHumidity: 0.5 }, rooms: [room] };
    const result = simulateDrying(building, { keepCourse: true });
    expect(roomMoment(building, result, 0, 0.5)?.surfaceTemperature).toBeUndefined();
    expect(roomMoment(building, result, 0, 0.5)?.terms.map(({ name }) => name)).not.toContain("carpet");
    const wet = roomMoment(building, result, 0, 1.01);
    const bulb = wetBulb(
      22,
      humidityRatioFromRelativeHumidity(22, wet?.relativeHumidity ?? 0, SEA_LEVEL_PRESSURE),
      SEA_LEVEL_PRESSURE,
    );
    // Radiation and the floor below add heat: a wet surface lies between wet and dry bulb.
    expect(wet?.surfaceTemperature).toBeGreaterThan(bulb);
    expect(wet?.surfaceTemperature).toBeLessThan(22 - (22 - bulb) / 4);
    expect(roomMoment(building, simulateDrying(building), 0, 2)).toBeUndefined();
  });
});
