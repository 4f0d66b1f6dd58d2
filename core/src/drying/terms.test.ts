import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  humidityRatioFromRelativeHumidity,
  saturatedVapourDensity,
  vapourDensity,
  vapourPressureFromHumidityRatio,
} from "../air/index.ts";
import type { Building, DryingRoom } from "./building.ts";
import { dehumidifierCapacity } from "./dehumidifier.ts";
import { rankMoves, simulateDrying } from "./index.ts";
import { criticalWater, dryLayerResistance } from "./pile.ts";
import { convection, type Evaporation, evaporate, massTransfer } from "./surface.ts";
import { ventilationOf } from "./vapourTerms.ts";

const PRESSURE = 101325;
const ROOM: DryingRoom = {
  area: 12,
  height: 2.4,
  temperature: 22,
  relativeHumidity: 0.5,
  outdoorAirChangesPerHour: 3,
  fibre: "polyester",
  faceWeight: 1.1,
  pileHeight: 0.008,
  residual: 0.2,
};
const OUTDOOR = { temperature: 14, relativeHumidity: 0.7 };

describe("the wet surface", () => {
  const surface = (
    airSpeed: number,
    relativeHumidity: number,
    layerResistance = 0,
    waterActivity = 1,
    temperature = 22,
  ) => {
    const heat = convection(airSpeed);
    const W = humidityRatioFromRelativeHumidity(temperature, relativeHumidity, PRESSURE);
    return {
      airTemperature: temperature,
      convection: heat,
      massTransfer: massTransfer(heat),
      layerResistance,
      waterActivity,
      airVapourDensity: vapourDensity(vapourPressureFromHumidityRatio(W, PRESSURE), temperature),
    };
  };

  test("its heat balance closes and its flux is the one of the temperature it settles at, from any start (fuzz)", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 6, noNaN: true }),
        fc.double({ min: 0.1, max: 0.95, noNaN: true }),
        fc.double({ min: 0, max: 900, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: -15, max: 15, noNaN: true }),
        (speed, humidity, layer, activity, temperature, off) => {
          const wet = surface(speed, humidity, layer, activity, temperature);
          const into: Evaporation = { flux: 0, surfaceTemperature: temperature + off };
          evaporate(wet, into);
          const T = into.surfaceTemperature;
          const flux =
            (activity * saturatedVapourDensity(T) - wet.airVapourDensity) / (1 / wet.massTransfer + layer);
          const gained = (wet.convection + 5.1) * (temperature - T) + 2 * (temperature - 1 - T);
          expect(Math.abs(gained - 2.45e6 * flux)).toBeLessThan(0.01); // W/m², of tens
          expect(Math.abs(into.flux - flux)).toBeLessThan(1e-8);
        },
      ),
      { seed: 23, numRuns: 300 },
    );
  });

  test("it is cooler than the air while it dries, and faster air and drier air take more", () => {
    const flux = (speed: number, humidity: number) => {
      const into: Evaporation = { flux: 0, surfaceTemperature: 20 };
      evaporate(surface(speed, humidity), into);
      expect(into.surfaceTemperature).toBeLessThan(22);
      return into.flux;
    };
    expect(flux(1, 0.5)).toBeGreaterThan(flux(0.2, 0.5));
    expect(flux(0.2, 0.3)).toBeGreaterThan(flux(0.2, 0.5));
  });

  test("heat transfer is Watmuff's line (memory), mass transfer follows by Chilton–Colburn, and beyond 7 m/s it is refused", () => {
    expect(convection(0)).toBeCloseTo(2.8, 12);
    expect(convection(5)).toBeCloseTo(17.8, 12);
    expect(massTransfer(10)).toBeCloseTo(10 / (1.2 * 1006 * 0.87 ** (2 / 3)), 12);
    expect(() => convection(7.1)).toThrow(/air speed/);
  });

  test("a dry layer as thick as the pile resists as still air in its pores would", () => {
    expect(dryLayerResistance(0.008, 1)).toBeCloseTo(0.008 / (0.6 * 2.6e-5), 9);
    expect(dryLayerResistance(0.008, 0)).toBe(0);
    expect(criticalWater(0.008)).toBeCloseTo(0.1, 12); // 0.0125 kg/m² per mm
  });
});

describe("the ways vapour goes", () => {
  const gains = (building: Building, W: readonly number[]) =>
    Object.fromEntries(
      ventilationOf(building, PRESSURE, () => 0.6).map((term) => {
        const gain = new Float64Array(building.rooms.length);
        term.add(Float64Array.from(W), gain);
        return [term.name, [...gain]];
      }),
    );
  const outside = humidityRatioFromRelativeHumidity(OUTDOOR.temperature, OUTDOOR.relativeHumidity, PRESSURE);

  test("outdoor exchange brings a room towards the air outside, by its mass of air an hour", () => {
    const { "outdoor exchange": gain } = gains({ outdoor: OUTDOOR, rooms: [ROOM] }, [0.01]);
    expect(gain?.[0]).toBeCloseTo(((1.2 * 12 * 2.4 * 3) / 3600) * (outside - 0.01), 12);
    expect(gains({ outdoor: OUTDOOR, rooms: [ROOM] }, [outside])["outdoor exchange"]?.[0]).toBeCloseTo(0, 15);
  });

  test("open doors and air handling without a coil move vapour and lose none of it", () => {
    const building = {
      outdoor: OUTDOOR,
      rooms: [ROOM, { ...ROOM, area: 30 }, { ...ROOM, area: 7 }],
      links: [
        { a: 0, b: 1, flow: 0.04 },
        { a: 1, b: 2, flow: 0.02 },
      ],
      hvac: { airChangesPerHour: 4 },
    };
    const { "open doors": doors, "air handling": handling } = gains(building, [0.012, 0.008, 0.01]);
    for (const gain of [doors, handling])
      expect(gain?.reduce((sum, each) => sum + each, 0)).toBeCloseTo(0, 15);
    expect(doors?.[0]).toBeLessThan(0);
    expect(doors?.[1]).toBeGreaterThan(0);
  });

  test("a coil takes vapour only above its dew point, a dehumidifier its rated water at 26.7 °C and 60 %", () => {
    const coil = { apparatusDewPoint: 11, bypass: 0.15, runFraction: 0.5 };
    const building = { outdoor: OUTDOOR, rooms: [ROOM], hvac: { airChangesPerHour: 4, coil } };
    expect(gains(building, [0.012])["air handling"]?.[0]).toBeLessThan(0);
    expect(gains(building, [0.007])["air handling"]?.[0]).toBeCloseTo(0, 15);
    // The EnergyPlus example curve (memory) is 1 at its rating point.
    expect(dehumidifierCapacity(26.7, 0.6)).toBeCloseTo(1, 1);
    expect(dehumidifierCapacity(5, 0.2)).toBe(0);
  });

  test("in a whole run what leaves the piles is what the air gained and lost, with every term at work (fuzz)", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            area: fc.double({ min: 3, max: 60, noNaN: true }),
            outdoorAirChangesPerHour: fc.double({ min: 0, max: 8, noNaN: true }),
            residual: fc.double({ min: 0.02, max: 0.4, noNaN: true }),
            finishedAt: fc.double({ min: 0, max: 3, noNaN: true }),
            dehumidifierLitresPerDay: fc.double({ min: 0, max: 60, noNaN: true }),
            fibre: fc.constantFrom("nylon" as const, "wool" as const, "olefin" as const, "cotton" as const),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        (rooms) => {
          const building = {
            outdoor: OUTDOOR,
            rooms: rooms.map((room) => ({ ...ROOM, ...room })),
            links: rooms.length > 1 ? [{ a: 0, b: 1, flow: 0.04 }] : [],
            hvac: { airChangesPerHour: 2, coil: { apparatusDewPoint: 11, bypass: 0.15, runFraction: 0.5 } },
          };
          const { balanceError, rooms: dried } = simulateDrying(building, { keepCourse: true });
          expect(balanceError).toBeLessThan(1e-9);
          for (const { touchDryHours, dryHours, course } of dried) {
            if (touchDryHours !== null && dryHours !== null)
              expect(touchDryHours).toBeLessThanOrEqual(dryHours);
            for (const { relativeHumidity } of course) expect(relativeHumidity).toBeGreaterThan(0);
          }
        },
      ),
      { seed: 29, numRuns: 60 },
    );
  }, 30_000);
});

test("moves are ranked by what they bring in that room, and what harms comes last, below zero", () => {
  const muggy: Building = {
    outdoor: { temperature: 28.5, relativeHumidity: 0.85 },
    rooms: [{ ...ROOM, temperature: 28, residual: 0.1 }],
  };
  const effects = rankMoves(muggy, 0, [
    { id: "open", change: { outdoorAirChangesPerHour: 8 } },
    { id: "dehumidify", change: { dehumidifierLitresPerDay: 40, outdoorAirChangesPerHour: 0.5 } },
    { id: "nothing", change: {} },
  ]);
  expect(effects.map(({ id }) => id)).toEqual(["dehumidify", "nothing", "open"]);
  expect(effects[1]?.hoursSooner).toBe(0);
  expect(effects[2]?.hoursSooner).toBeLessThan(0);
});
