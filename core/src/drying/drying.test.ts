import { readFileSync } from "node:fs";
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { Isotherm } from "./fibre.ts";
import {
  airSpeedFromMovers,
  type Building,
  type DryingRoom,
  dryingRange,
  FIBRES,
  regain,
  simulateDrying,
  waterActivity,
} from "./index.ts";

interface Case extends Building {
  readonly name: string;
  readonly expected: readonly Record<string, number | null>[];
}
const { cases } = JSON.parse(
  readFileSync(new URL("../../test-data/drying.json", import.meta.url), "utf8"),
) as { cases: Case[] };

const ROOM: DryingRoom = {
  area: 14,
  height: 2.4,
  temperature: 22,
  relativeHumidity: 0.5,
  outdoorAirChangesPerHour: 3,
  fibre: "nylon",
  faceWeight: 1.2,
  pileHeight: 0.008,
  residual: 0.2,
  airSpeed: 0.3,
};
const building = (
  room: Partial<DryingRoom>,
  outdoor = { temperature: 15, relativeHumidity: 0.6 },
): Building => ({
  outdoor,
  rooms: [{ ...ROOM, ...room }],
});
const dryHours = (room: Partial<DryingRoom>, outdoor?: Building["outdoor"]) =>
  simulateDrying(building(room, outdoor)).rooms[0]?.dryHours ?? Number.POSITIVE_INFINITY;

describe("whole cases solved independently (SciPy LSODA, rtol 1e-7)", () => {
  test.each(cases.map((each) => [each.name, each] as const))("%s: every figure within 1 %%", (_, each) => {
    const { rooms, balanceError, heatBalanceError } = simulateDrying(each);
    expect(balanceError).toBeLessThan(1e-9);
    expect(heatBalanceError).toBeLessThan(1e-9);
    expect(rooms).toHaveLength(each.expected.length);
    each.expected.forEach((expected, i) => {
      for (const [key, value] of Object.entries(expected)) {
        const ours = (rooms[i] as unknown as Record<string, number | null>)[key];
        if (value === null || value === 0) expect(ours).toBe(value);
        else expect(Math.abs((ours as number) / value - 1)).toBeLessThan(0.01);
      }
    });
  });
});

describe("facts", () => {
  test("drier outdoor air never slows drying, wetter never speeds it", () => {
    let last = 0;
    for (const relativeHumidity of [0.2, 0.35, 0.5, 0.65, 0.8, 0.95]) {
      const hours = dryHours({}, { temperature: 20, relativeHumidity });
      expect(hours).toBeGreaterThanOrEqual(last);
      last = hours;
    }
  });

  test("opening the window on a hot humid day makes drying later, shutting it with a dehumidifier sooner", () => {
    const muggy = { temperature: 30, relativeHumidity: 0.85 };
    const cool: Partial<DryingRoom> = { temperature: 24, relativeHumidity: 0.5 };
    expect(dryHours({ ...cool, outdoorAirChangesPerHour: 8 }, muggy)).toBeGreaterThan(
      dryHours({ ...cool, outdoorAirChangesPerHour: 0.5, dehumidifierLitresPerDay: 40 }, muggy),
    );
  });

  test("outcomes: dry; a shut damp room cannot; a pile that only takes its time takes longer than 96 h", () => {
    const outcome = (room: Partial<DryingRoom>, outdoor?: Building["outdoor"]) =>
      simulateDrying(building(room, outdoor)).rooms[0]?.outcome;
    expect(outcome({})).toBe("dry");
    expect(outcome({ temperature: 19 }, { temperature: 31, relativeHumidity: 0.75 })).toBe("cannot");
    expect(outcome({ residual: 4, pileHeight: 0.02, airSpeed: 0.1, outdoorAirChangesPerHour: 0.5 })).toBe(
      "longer",
    );
  });

  test("a coil with a room whose temperature isn't held is refused, in a change too", () => {
    const hvac = { airChangesPerHour: 4, coil: { apparatusDewPoint: 11, bypass: 0.15, runFraction: 0.5 } };
    const floating = { mode: "floating" } as const;
    expect(() => simulateDrying({ ...building({ climate: floating }), hvac })).toThrow(/cooling coil/);
    expect(() =>
      simulateDrying({ ...building({}), hvac, changes: [{ hours: 1, room: 0, climate: floating }] }),
    ).toThrow(/cooling coil/);
  });

  test("open windows in winter weigh the cold they let in: with ordinary heating wide open is later than ajar", () => {
    const winter = { temperature: 0, relativeHumidity: 0.85 };
    const hours = (outdoorAirChangesPerHour: number, climate: NonNullable<DryingRoom["climate"]>) =>
      dryHours({ temperature: 20, outdoorAirChangesPerHour, climate }, winter);
    const heated = { mode: "heated", setpoint: 20, capacity: 80 * 14 } as const;
    expect(hours(8, heated)).toBeGreaterThan(1.1 * hours(3, heated));
    // With temperatures held, as it was reckoned before, wide open would have been the better advice.
    expect(hours(8, { mode: "held" })).toBeLessThan(hours(3, { mode: "held" }));
  });

  test("a room that is dry as it is finished is so at once, also where humid air wets it again", () => {
    const damp = { temperature: 30, relativeHumidity: 0.98 };
    const room: Partial<DryingRoom> = {
      residual: 0.005,
      relativeHumidity: 0.5,
      outdoorAirChangesPerHour: 8,
      fibre: "wool",
    };
    expect(simulateDrying(building(room, damp)).rooms[0]).toMatchObject({
      touchDryHours: 0,
      dryHours: 0,
      outcome: "dry",
    });
  });

  test("a room that can't dry says so instead of a number", () => {
    const { rooms } = simulateDrying(
      building({ relativeHumidity: 1, temperature: 20 }, { temperature: 20, relativeHumidity: 1 }),
    );
    expect(rooms[0]?.dryHours).toBeNull();
  });

  test("rooms without a link dry as they would alone, whatever their order of finishing", () => {
    const other: DryingRoom = { ...ROOM, fibre: "wool", faceWeight: 1.4, finishedAt: 1.5 };
    const together = simulateDrying({ ...building({}), rooms: [ROOM, other] });
    expect((together.rooms[0]?.dryHours as number) / dryHours({})).toBeCloseTo(1, 2);
    expect((together.rooms[1]?.dryHours as number) / dryHours(other)).toBeCloseTo(1, 2);
  });

  test("a published bound: the first flux lies between a still pool's evaporation and a wind-blown one's", () => {
    // ASHRAE Handbook—HVAC Applications, natatoriums (memory): (0.089 + 0.0782 v)(p_w − p_a)/Y, kPa, Y kJ/kg; the flux is at 0.5–0.65 of it.
    const first = simulateDrying(building({})).rooms[0]?.initialFlux as number;
    const poolAtSurface = ((0.089 + 0.0782 * 0.3) * (2.64 - 1.32)) / 2450;
    expect(first / 3600 / poolAtSurface).toBeGreaterThan(0.25);
    expect(first / 3600 / poolAtSurface).toBeLessThan(0.65);
  });

  test("a Stefan column: with no film in the way, the front recedes through the pile in m_c δ/(2·0.6·D·Δρ) (textbook)", () => {
    // Fibre that holds next to nothing, air at room temperature everywhere: 7 m/s is as near as the law allows to h_m → ∞.
    const delta = 0.04;
    const free = 12.5 * delta;
    const { rooms } = simulateDrying(
      building(
        {
          pileHeight: delta,
          residual: free,
          airSpeed: 7,
          fibre: "olefin",
          faceWeight: 0.1,
          outdoorAirChangesPerHour: 60,
          area: 1,
        },
        { temperature: 22, relativeHumidity: 0.3 },
      ),
    );
    // Surface cools below the air, so the driving difference is smaller than at air temperature and larger than half of it.
    const saturated = 0.0194;
    const columnHours = (deltaRho: number) => (free * delta) / (2 * 0.6 * 2.6e-5 * deltaRho) / 3600;
    const hours = rooms[0]?.dryHours as number;
    expect(hours).toBeGreaterThan(columnHours(saturated * 0.7));
    expect(hours).toBeLessThan(2 * columnHours(saturated * 0.7 * 0.5));
  });

  test("air speed: two equal fans give √2 of what one adds, square on square", () => {
    const mover = { flow: 0.9, jetSpeed: 8 };
    const one = airSpeedFromMovers([mover], 14, 2.4) ** 2 - 0.01;
    const two = airSpeedFromMovers([mover, mover], 14, 2.4) ** 2 - 0.01;
    expect(two / one).toBeCloseTo(2, 10);
    expect(airSpeedFromMovers([], 14, 2.4)).toBeCloseTo(0.1, 10);
  });

  test("an isotherm read step after step gives what one read afresh does (fuzz)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FIBRES),
        fc.array(fc.double({ min: -0.01, max: 0.4, noNaN: true }), { maxLength: 30 }),
        (fibre, moistures) => {
          const isotherm = new Isotherm(fibre);
          for (const moisture of moistures)
            expect(isotherm.activity(moisture)).toBeCloseTo(waterActivity(fibre, moisture), 12);
        },
      ),
      { seed: 5 },
    );
  });

  test("the isotherm read backwards gives the humidity back", () => {
    for (const fibre of ["wool", "nylon", "polyester", "olefin", "cotton"] as const)
      for (let rh = 0.05; rh < 1; rh += 0.05)
        expect(waterActivity(fibre, regain(fibre, rh))).toBeCloseTo(rh, 9);
  });

  test("the range holds the likely time, is the same twice, and is wider for more than one cause", () => {
    const ranges = dryingRange(building({}));
    expect(dryingRange(building({}))).toEqual(ranges);
    const dry = ranges[0]?.dry;
    const alone = dryHours({});
    expect(dry?.early as number).toBeLessThan(alone);
    expect(dry?.late as number).toBeGreaterThan(alone);
    expect(Math.abs((dry?.likely as number) / alone - 1)).toBeLessThan(0.15);
  });

  test("outside the limits it throws and names the quantity", () => {
    expect(() => simulateDrying(building({ area: 0 }))).toThrow(/area is 0/);
    expect(() => simulateDrying(building({ relativeHumidity: 1.4 }))).toThrow(/relativeHumidity is 1.4/);
    expect(() => simulateDrying(building({ residual: Number.NaN }))).toThrow(/residual/);
  });
});
