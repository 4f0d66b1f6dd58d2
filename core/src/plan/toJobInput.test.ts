import { describe, expect, test } from "@jest/globals";
import { simulateDrying } from "../drying/index.ts";
import { type JobDocument, planWork, roomsAsSet, toJobInput } from "./index.ts";

/** Seconds after the job's start of a break and of a promised time. */
function secondsAt(day: string, startsAt: string, clock: string) {
  const job: JobDocument = {
    day,
    startsAt,
    rooms: [{ id: "a", name: "A", shape: { kind: "area", area: 9 }, walkOnBy: clock }],
    batches: [],
    breaks: [{ id: "tea", at: clock, length: 900 }],
  };
  const { run } = toJobInput(job, { products: [], vessels: [] });
  expect(run?.promises?.[0]?.by).toBe(run?.breaks?.[0]?.at);
  return run?.breaks?.[0]?.at;
}

describe("a clock time of a job, on its own clock", () => {
  test.each([
    ["in the afternoon", "13:00", "15:30", 9000],
    ["over midnight", "23:30", "00:15", 2700],
    ["at midnight itself", "20:00", "00:00", 14_400],
    ["shortly before the start, in the night", "00:10", "23:50", -1200],
    ["six hours before, no more", "12:00", "06:00", -21_600],
    ["earlier than that: the next day", "12:00", "05:59", 64_740],
  ])("%s", (_, startsAt, clock, seconds) => {
    // A day without a clock change anywhere; across one: cli/src/cli.test.ts, where the zone can be set.
    expect(secondsAt("2026-02-10", startsAt, clock)).toBe(seconds);
  });
});

describe("what is switched later, and the weather to come", () => {
  const START = Date.parse("2026-02-10T13:00:00Z");
  const clockTime = (day: string, clock: string) => Date.parse(`${day}T${clock}Z`);
  const job = (more: Partial<JobDocument> = {}): JobDocument => ({
    day: "2026-02-10",
    startsAt: "13:00",
    rooms: ["a", "b"].map((id) => ({
      id,
      name: id,
      shape: { kind: "area", area: 20 } as const,
      heating: true,
    })),
    batches: [],
    indoor: { temperature: 21, relativeHumidity: 0.5 },
    ...more,
  });
  const around = { products: [], vessels: [], startsAtMs: START, clockTime };
  const input = (more: Partial<JobDocument>, log: never[] = []) => toJobInput(job(more), { ...around, log });

  test("daily and in every room, once and in one; in order of their hours, beside what the log says", () => {
    const { airChanges } = toJobInput(
      job({
        plannedAir: [
          { id: "1", at: "22:00", daily: true, windows: "shut" },
          { id: "2", at: "12:59", roomId: "b", gearOut: true },
        ],
      }),
      {
        ...around,
        log: [
          { id: "e", kind: "air-changed", at: "2026-02-10T23:00:00Z", roomId: "a", windows: "ajar" } as const,
        ],
      },
    );
    const told = airChanges?.map(({ hours, roomId, windows, airMovers }) => [
      Math.round(hours * 60) / 60,
      roomId,
      windows ?? airMovers?.length,
    ]);
    expect(told?.slice(0, 4)).toEqual([
      [expect.closeTo(-1 / 60, 6), "b", 0],
      [9, "a", "shut"],
      [9, "b", "shut"],
      [10, "a", "ajar"],
    ]);
    // Five nights in two rooms, one entry, one removal.
    expect(told).toHaveLength(12);
    const windowsAt = (hours: number) =>
      roomsAsSet(job().rooms, airChanges, hours).map(({ windows }) => windows);
    expect(windowsAt(8)).toEqual([undefined, undefined]);
    expect(windowsAt(10.5)).toEqual(["ajar", "shut"]);
    expect(windowsAt(33)).toEqual(["shut", "shut"]);
  });

  test("heating set back to a temperature makes a room colder and later, turned off even more; the plan without stays as it was", () => {
    const dryOf = (plannedAir: NonNullable<JobDocument["plannedAir"]>) => {
      const outdoor = { temperature: 0, relativeHumidity: 0.8 };
      const { rooms } = simulateDrying(planWork(input({ outdoor, plannedAir })).building);
      return [rooms[0]?.dryHours ?? Number.POSITIVE_INFINITY, rooms[0]?.lowestTemperature as number] as const;
    };
    const [plain, warm] = dryOf([]);
    const [setBack, cool] = dryOf([{ id: "1", at: "14:00", setpoint: 15 }]);
    const [off, cold] = dryOf([{ id: "1", at: "14:00", heating: false }]);
    expect(warm).toBeGreaterThan(19);
    expect(cool).toBeLessThan(warm - 2);
    expect(cold).toBeLessThan(cool);
    expect(plain).toBeLessThan(setBack);
    expect(setBack).toBeLessThan(off);
  });

  test("weather by the hour is placed by the job's real start; a night that turns dry dries an open room sooner", () => {
    const points = [
      { at: "2026-02-10T14:00:00Z", temperature: 12, relativeHumidity: 0.9 },
      { at: "2026-02-10T17:00:00Z", temperature: 12, relativeHumidity: 0.4 },
    ];
    const weather = { source: "forecast", points } as const;
    const { weather: placed } = input({ weather });
    expect(placed?.points.map(({ hours }) => hours)).toEqual([1, 4]);
    const late = toJobInput(job({ weather }), { ...around, startsAtMs: START + 7_200_000 });
    expect(late.weather?.points.map(({ hours }) => hours)).toEqual([-1, 2]);
    const rooms = job().rooms.map((room) => ({ ...room, windows: "one-open" as const }));
    const dry = (more: Partial<JobDocument>) =>
      simulateDrying(planWork(input({ rooms, ...more })).building).rooms[0]?.dryHours as number;
    expect(dry({ weather })).toBeLessThan(dry({ outdoor: { temperature: 12, relativeHumidity: 0.9 } }));
    // Measured at the start it replaces the forecast until it has taken over.
    const measured = { temperature: 20, relativeHumidity: 0.5 };
    const [first, second] = planWork(input({ weather, outdoor: measured })).building.weather ?? [];
    expect(first).toEqual({ hours: 0, ...measured });
    expect(second?.hours).toBe(4);
  });
});
