import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  humidityRatioFromRelativeHumidity,
  SaturatedVapour,
  saturatedVapourDensity,
  vapourDensity,
  vapourPressureFromHumidityRatio,
} from "../air/index.ts";
import { numberAt } from "../itemAt.ts";
import { outdoorAirOver } from "../weather/index.ts";
import type { Building, DryingRoom } from "./building.ts";
import { dehumidifierCapacity } from "./dehumidifier.ts";
import { simulateDrying } from "./index.ts";
import { criticalWater, dryLayerResistance } from "./pile.ts";
import { RoomAir } from "./roomAir.ts";
import { convection, type Evaporation, evaporate, fluxSlopes, massTransfer } from "./surface.ts";
import { termsOf } from "./terms/index.ts";

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

const table = new SaturatedVapour();

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
          evaporate(wet, table, into);
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
      evaporate(surface(speed, humidity), table, into);
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

  test("the flux's slopes are those of its neighbours (fuzz)", () => {
    const fluxAt = (wet: ReturnType<typeof surface>) => {
      const into: Evaporation = { flux: 0, surfaceTemperature: 15 };
      for (let i = 0; i < 3; i++) evaporate(wet, table, into);
      return into;
    };
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 6, noNaN: true }),
        fc.double({ min: 0.1, max: 0.95, noNaN: true }),
        fc.double({ min: 1, max: 900, noNaN: true }),
        fc.double({ min: 0.3, max: 0.99, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        (speed, humidity, layer, activity, temperature) => {
          const wet = surface(speed, humidity, layer, activity, temperature);
          const slopes = { byActivity: 0, byVapour: 0, byKelvin: 0, byResistance: 0 };
          fluxSlopes(wet, table, fluxAt(wet), slopes);
          const near = (change: Partial<typeof wet>, by: number, slope: number) =>
            expect(
              Math.abs((fluxAt({ ...wet, ...change }).flux - fluxAt(wet).flux) / by / slope - 1),
            ).toBeLessThan(0.01);
          near({ waterActivity: activity + 1e-3 }, 1e-3, slopes.byActivity);
          near({ airVapourDensity: wet.airVapourDensity + 1e-5 }, 1e-5, slopes.byVapour);
          near({ airTemperature: temperature + 0.02 }, 0.02, slopes.byKelvin);
          if (Math.abs(fluxAt(wet).flux) > 1e-7)
            near({ layerResistance: layer * 1.001 }, layer * 0.001, slopes.byResistance);
        },
      ),
      { seed: 31, numRuns: 200 },
    );
  });

  test("a dry layer as thick as the pile resists as still air in its pores would", () => {
    expect(dryLayerResistance(0.008, 1)).toBeCloseTo(0.008 / (0.6 * 2.6e-5), 9);
    expect(dryLayerResistance(0.008, 0)).toBe(0);
    expect(criticalWater(0.008)).toBeCloseTo(0.1, 12); // 0.0125 kg/m² per mm
  });
});

describe("the ways vapour goes", () => {
  /** What each room gains of vapour by each term, and of heat, at humidity ratios W and temperatures T. */
  const gainsOf = (building: Building, W: readonly number[], T?: readonly number[]) => {
    const { rooms, links, outdoor = OUTDOOR } = building;
    const air = new RoomAir(rooms, outdoorAirOver([{ hours: 0, ...outdoor }], PRESSURE), PRESSURE, links);
    for (const [i, room] of rooms.entries()) air.set(i, numberAt(W, i), T?.[i] ?? room.temperature);
    const zeros = () => new Float64Array(rooms.length);
    return Object.fromEntries(
      termsOf(building, air).map((term) => {
        const gain = { vapour: zeros(), heat: zeros() };
        term.add(air, gain);
        return [term.name, { vapour: [...gain.vapour], heat: [...gain.heat] }];
      }),
    );
  };
  const gains = (building: Building, W: readonly number[]) =>
    Object.fromEntries(Object.entries(gainsOf(building, W)).map(([name, { vapour }]) => [name, vapour]));
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

  test("heat: what a heater, a fan, a wall, condensing water and a door bring, by hand", () => {
    const climate = { mode: "heated" as const, setpoint: 20, capacity: 1000 };
    const room = {
      ...ROOM,
      temperature: 20,
      climate,
      airMovers: [{ flow: 0.9, jetSpeed: 8, power: 250 }],
      dehumidifierPower: 300,
      dehumidifierLitresPerDay: 20,
      envelopeConductance: 30,
    };
    const building = { outdoor: OUTDOOR, rooms: [room, { ...ROOM }], links: [{ a: 0, b: 1, flow: 0.04 }] };
    const at = (T: number) => gainsOf(building, [0.008, 0.008], [T, 22]);
    expect(at(20).warmth?.heat).toEqual([30 * (14 - 20) + 500 + 250, 0]);
    expect(at(19).warmth?.heat[0]).toBeCloseTo(30 * (14 - 19) + 1000 + 250, 9);
    expect(at(21).warmth?.heat[0]).toBeCloseTo(30 * (14 - 21) + 250, 9);
    expect(at(20)["open doors"]?.heat[0]).toBeCloseTo(1.2 * 0.04 * 1006 * 2, 9);
    expect(at(20)["outdoor exchange"]?.heat[0]).toBeCloseTo(((1.2 * 12 * 2.4 * 3) / 3600) * 1006 * -6, 9);
    const { dehumidifiers } = at(20);
    expect(dehumidifiers?.heat[0]).toBeCloseTo(300 - 2.45e6 * (dehumidifiers?.vapour[0] as number), 9);
  });

  test("above saturation the rest condenses on floor, ceiling and walls; below it nothing does", () => {
    const at = (relativeHumidity: number) =>
      gains({ outdoor: OUTDOOR, rooms: [ROOM] }, [
        humidityRatioFromRelativeHumidity(22, 1, PRESSURE) * relativeHumidity,
      ]).condensation?.[0] as number;
    expect(at(0.99)).toBe(0);
    const surfaces = 2 * 12 + 4 * Math.sqrt(12) * 2.4;
    const excess = saturatedVapourDensity(22) * 0.1;
    expect(at(1.1) / (-surfaces * massTransfer(convection(0.1)) * excess)).toBeCloseTo(1, 1);
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
            climate: fc.constantFrom(
              undefined,
              { mode: "floating" as const },
              { mode: "heated" as const, setpoint: 20, capacity: 900 },
            ),
            fibre: fc.constantFrom("nylon" as const, "wool" as const, "olefin" as const, "cotton" as const),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        (rooms) => {
          const coil = { apparatusDewPoint: 11, bypass: 0.15, runFraction: 0.5 };
          const building = {
            outdoor: OUTDOOR,
            rooms: rooms.map((room) => ({ ...ROOM, ...room })),
            links: rooms.length > 1 ? [{ a: 0, b: 1, flow: 0.04 }] : [],
            hvac: { airChangesPerHour: 2, ...(rooms.some((room) => room.climate) ? {} : { coil }) },
          };
          const {
            balanceError,
            heatBalanceError,
            rooms: dried,
          } = simulateDrying(building, { keepCourse: true });
          expect(balanceError).toBeLessThan(1e-9);
          expect(heatBalanceError).toBeLessThan(1e-9);
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
