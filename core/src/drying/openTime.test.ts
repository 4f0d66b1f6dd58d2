import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { openTime, simulateDrying } from "./index.ts";

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const film = fc.record({
  area: number(2, 60),
  height: number(2.2, 4),
  temperature: number(12, 35),
  relativeHumidity: number(0.15, 0.8),
  fibre: fc.constantFrom("nylon", "wool", "polyester", "olefin" as const),
  faceWeight: number(0.4, 2),
  pileHeight: number(0.003, 0.012),
  airSpeed: number(0.1, 2),
});

describe("open time", () => {
  test("is when the drying engine has taken half the film, in a room whose air stays as it is", () => {
    fc.assert(
      fc.property(film, number(0.03, 0.15), (room, laidDown) => {
        const open = openTime(room, laidDown) / 3600;
        if (open > 6) return;
        // Sixty changes an hour of air like the room's own, its temperature held: what is asked, by the solver's other door.
        const { rooms } = simulateDrying(
          {
            outdoor: { temperature: room.temperature, relativeHumidity: room.relativeHumidity },
            pressure: 101_325,
            rooms: [{ ...room, residual: laidDown, outdoorAirChangesPerHour: 60, climate: { mode: "held" } }],
          },
          { keepCourse: true },
        );
        const course = rooms[0]?.course ?? [];
        const gone = (course[0]?.freeWater ?? 0) - laidDown / 2;
        const after = course.findIndex(({ freeWater }) => freeWater <= gone);
        const [a, b] = [course[after - 1], course[after]];
        if (!a || !b) return;
        const half = a.hours + ((a.freeWater - gone) / (a.freeWater - b.freeWater)) * (b.hours - a.hours);
        expect(half).toBeGreaterThan(open * 0.97);
        expect(half).toBeLessThan(open * 1.15);
      }),
      { seed: 3, numRuns: 60 },
    );
  });

  test("is shorter with more air over the floor, in drier air and with a thinner film on tile, and a day where nothing leaves", () => {
    const room = {
      area: 20,
      height: 2.4,
      temperature: 21,
      relativeHumidity: 0.5,
      fibre: "nylon" as const,
      faceWeight: 1.2,
      pileHeight: 0.008,
      airSpeed: 0.1,
    };
    const usual = openTime(room, 0.068);
    expect(openTime({ ...room, airSpeed: 2 }, 0.068)).toBeLessThan(usual);
    expect(openTime({ ...room, relativeHumidity: 0.2 }, 0.068)).toBeLessThan(usual);
    const tile = { ...room, fibre: "olefin" as const, faceWeight: 0.1, pileHeight: 0.002 };
    expect(openTime(tile, 0.04)).toBeLessThan(openTime(tile, 0.085));
    expect(openTime({ ...room, relativeHumidity: 1 }, 0.068)).toBe(86_400);
    expect(openTime(room, 0)).toBe(86_400);
  });
});
