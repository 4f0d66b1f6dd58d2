import { describe, expect, test } from "@jest/globals";
import { type Job, type LogEntry, Site } from "@scutch/contract";
import { aGear, aJob, anEntry, aRoom, aShelf, idFor } from "@scutch/contract/testing";
import { computePlan } from "../../planning/computePlan.ts";
import { gearStanding, totalGear } from "../../planning/gearStanding.ts";
import { readyOfRoom } from "../../planning/ready.ts";
import { boardRows, fetchAt, inOrder } from "./boardRows.ts";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const MOVER = { flow: 0.9, jetSpeed: 8 };
const fan = aGear("Fan", { kind: "air-mover", count: 4, flow: 0.9, jetSpeed: 8 });
const drier = aGear("Drier", { kind: "dehumidifier", count: 1, litresPerDay: 50 });
const shelf = aShelf({
  gear: [fan, drier],
  sites: [Site.parse({ id: idFor("Villa"), name: "Villa", zone: "UTC" })],
});
const at = (clock: string) => Date.parse(`2026-03-10T${clock}:00Z`);
const finished = (name: string, clock: string) =>
  anEntry(`finish ${name}`, {
    kind: "room-finished",
    at: new Date(at(clock)).toISOString(),
    roomId: idFor(name),
  });
const jobOf = (more: Partial<Job> = {}) =>
  aJob({
    siteId: idFor("Villa"),
    day: "2026-03-10",
    startsAt: "09:00",
    outdoor: { temperature: 12, relativeHumidity: 0.6 },
    indoor: { temperature: 21, relativeHumidity: 0.5 },
    rooms: ["Lounge", "Study"].map((name) =>
      aRoom(name, { shape: { kind: "area", area: 16 }, fibre: "nylon", windows: "one-open" }),
    ),
    ...more,
  } as Parameters<typeof aJob>[0]);
const planOf = (job: Job, log: readonly LogEntry[]) => computePlan(job, shelf, log);
const walkOnOf = (job: Job, log: readonly LogEntry[]) => {
  const plan = planOf(job, log);
  if (!plan.result) throw new Error("not dried");
  return readyOfRoom({ ...plan, result: plan.result, ranges: undefined }, 0, plan.startMs, "touchDry")
    .likely as number;
};

describe("rooms that still dry", () => {
  const log = [finished("Lounge", "10:00")];

  test("a room stands here from its finish until it is dry, with when it can be walked on", () => {
    const job = jobOf();
    const plan = planOf(job, log);
    const [row, none] = boardRows(plan, at("10:05"), undefined);
    expect(none).toBeUndefined();
    expect(row?.room).toBe("Lounge");
    expect(row?.walkOn).toBe(walkOnOf(job, log));
    expect(boardRows(plan, (row?.dry as number) + MINUTE, undefined)).toEqual([]);
    expect(boardRows(planOf(job, []), at("10:05"), undefined)).toEqual([]);
  });

  test("next: a reading half-way, then walk-on, then dry; a second look where a spot was treated", () => {
    const job = jobOf({ rooms: jobOf().rooms.map((room) => ({ ...room, windows: "shut" as const })) });
    const walkOn = walkOnOf(job, log);
    const next = (now: number, entries = log) => boardRows(planOf(job, entries), now, undefined)[0]?.next;
    expect(walkOn - at("10:00")).toBeGreaterThan(1.5 * HOUR);
    expect(next(at("10:05"))).toEqual({ what: "first-reading", at: (at("10:00") + walkOn) / 2 });
    const read = anEntry("read", {
      kind: "reading",
      at: "2026-03-10T10:30:00Z",
      roomId: idFor("Lounge"),
      place: "carpet",
      moisture: 0.3,
    });
    expect(next(at("10:35"), [...log, read])?.what).toBe("walk-on");
    expect(next(walkOn + MINUTE)?.what).toBe("dry");
    const spot = anEntry("spot", {
      kind: "spot-attempt",
      at: "2026-03-10T09:40:00Z",
      roomId: idFor("Lounge"),
      spotId: idFor("spot"),
      agent: "neutral",
      result: "better",
    });
    const look = next(at("10:35"), [...log, read, spot]);
    expect(look).toEqual(
      walkOn < at("12:00") ? { what: "walk-on", at: walkOn } : { what: "second-look", at: at("12:00") },
    );
  });

  test("late against the promise comes first, whatever else is due sooner; a little late isn't told", () => {
    const walkOn = walkOnOf(jobOf(), log);
    const clock = (time: number) => new Date(time).toISOString().slice(11, 16);
    const promised = (by: number) =>
      jobOf({ rooms: jobOf().rooms.map((room, i) => (i === 0 ? { ...room, walkOnBy: clock(by) } : room)) });
    const [late] = boardRows(planOf(promised(walkOn - HOUR), log), at("10:05"), undefined);
    expect(late?.slip?.against).toBe("promise");
    expect((late?.slip?.by ?? 0) / MINUTE).toBeCloseTo(60, -1);
    const [inTime] = boardRows(planOf(promised(walkOn - 10 * MINUTE), log), at("10:05"), undefined);
    expect(inTime?.slip).toBeUndefined();
    const sooner = { ...inTime, roomId: idFor("Study"), next: { what: "dry", at: at("10:06") } };
    expect(inOrder([sooner, late, inTime] as never).map((row) => row.slip !== undefined)).toEqual([
      true,
      false,
      false,
    ]);
  });

  test("against the plan and against what the customer was told", () => {
    const plan = planOf(jobOf(), log);
    if (!plan.result) throw new Error("not dried");
    const sooner = {
      ...plan.result,
      rooms: plan.result.rooms.map((room) => ({
        ...room,
        touchDryHours: (room.touchDryHours as number) / 2,
      })),
    };
    expect(boardRows(plan, at("10:05"), sooner)[0]?.slip?.against).toBe("plan");
    const told = anEntry("told", {
      kind: "handed-over",
      at: "2026-03-10T10:01:00Z",
      walkOnAt: new Date(walkOnOf(jobOf(), log) - HOUR).toISOString(),
    });
    expect(boardRows(planOf(jobOf(), [...log, told]), at("10:05"), undefined)[0]?.slip?.against).toBe("told");
  });
});

describe("gear that is out", () => {
  const rooms = jobOf().rooms.map((room) => ({
    ...room,
    airMovers: [MOVER, MOVER],
    dehumidifierLitresPerDay: 50,
  }));
  const job = jobOf({ rooms });

  test("it stands in rooms that are finished, till it was fetched; before the first it is planned for all", () => {
    const total = (log: readonly LogEntry[], of = job) =>
      totalGear(gearStanding({ job: of, log }, shelf, at("11:00")));
    expect(total([])).toEqual({ movers: 4, dehumidifiers: 2 });
    const log = [finished("Lounge", "10:00")];
    expect(total(log)).toEqual({ movers: 2, dehumidifiers: 1 });
    const fetched = anEntry("fetched", {
      kind: "air-changed",
      at: "2026-03-10T10:50:00Z",
      roomId: idFor("Lounge"),
      airMovers: [],
      dehumidifierLitresPerDay: 0,
    });
    expect(total([...log, fetched])).toEqual({ movers: 0, dehumidifiers: 0 });
    const planned = { ...job, plannedAir: [{ id: idFor("out"), at: "10:30", gearOut: true }] } as Job;
    expect(total(log, planned)).toEqual({ movers: 0, dehumidifiers: 0 });
  });

  test("it can be fetched once the last of its rooms is dry", () => {
    const log = [finished("Lounge", "10:00"), finished("Study", "11:00")];
    const plan = planOf(job, log);
    const gear = gearStanding({ job, log }, shelf, at("11:05"));
    const dry = boardRows(plan, at("11:05"), undefined).map((row) => row.dry as number);
    expect(fetchAt(plan, gear)).toBe(Math.max(...dry));
    expect(fetchAt(plan, [])).toBeUndefined();
  });
});
