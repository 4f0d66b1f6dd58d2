/** The demo is what people see first: nothing in it may contradict itself. */
import { describe, expect, test } from "@jest/globals";
import { Gear, Job, LogEntry, Product, Site, StockLot, Vessel } from "@scutch/contract";
import { outlineOf, placeRooms, rotateOutline } from "@scutch/core/floor";
import { careOf, planJob, toJobInput } from "@scutch/core/plan";
import { demoJobs } from "./jobs.ts";
import { PRODUCTS, SITES } from "./shelf.ts";
import { GEAR, STOCK, VESSELS } from "./van.ts";

const NOW = new Date("2026-03-10T13:00:00Z");
const around = {
  products: Object.values(PRODUCTS),
  vessels: Object.values(VESSELS),
  gear: Object.values(GEAR),
};
const jobs = demoJobs(NOW).map(({ job, log }) => {
  const input = toJobInput(job, {
    ...around,
    log,
    startsAtMs: Date.parse(`${job.day}T${job.startsAt}Z`),
  } as never);
  return { job, log, input, plan: planJob(input), care: careOf(input) };
});

test("everything on shelf, in van and in the jobs is what the contract takes, and made again it is the same", () => {
  for (const product of around.products) Product.parse(product);
  for (const vessel of around.vessels) Vessel.parse(vessel);
  for (const item of around.gear) Gear.parse(item);
  for (const site of Object.values(SITES)) Site.parse(site);
  for (const lot of STOCK(NOW)) StockLot.parse(lot);
  for (const { job, log } of jobs) {
    Job.parse(job);
    for (const entry of log) LogEntry.parse(entry);
  }
  expect(demoJobs(NOW)).toEqual(jobs.map(({ job, log }) => ({ job, log })));
});

describe.each(jobs.map((each) => [each.job.title, each] as const))("%s", (_, { job, plan, care, log }) => {
  test("is worked in an order that treads on nothing finished, on a floor where no room lies over another", () => {
    expect(plan.walkOut?.best.outcome).toBe("ordered");
    expect(plan.walkOut?.conflicts).toEqual([]);
    const floor = placeRooms(
      job.rooms.map((room) => {
        const drawn = outlineOf(room.shape, room.shape.kind === "stairs" ? [] : room.parts);
        if (!drawn.ok) throw new Error(`${room.name} can't be drawn`);
        return {
          id: room.id,
          level: room.level ?? 0,
          outline: room.turned ? rotateOutline(drawn.outline) : drawn.outline,
          ...(room.nudge ? { nudge: room.nudge } : {}),
        };
      }),
      job.doors ?? [],
    );
    expect([floor.overlaps, floor.loose]).toEqual([[], []]);
  });

  test("can be mixed, and every room dries within four days", () => {
    for (const { batch } of plan.batches) expect(batch.outcome).toBe("planned");
    for (const room of plan.drying) expect(room.dryHours).not.toBeNull();
    expect(plan.balanceError).toBeLessThan(1e-6);
  });

  test("no rule stops what was done in it; what is still to come waits for its dye test and for nothing else", () => {
    const begun = log.length > 0;
    for (const room of care.rooms) {
      expect(room.method.verdict).not.toBe("stop");
      expect(room.product?.verdict ?? "allowed").not.toBe("stop");
      for (const { judgement } of room.added) expect(judgement.verdict).not.toBe("stop");
      const gates = begun ? ["passed", "not-needed"] : ["not-tested", "not-needed"];
      expect(gates).toContain(room.gate);
    }
    // Oxygen powder in a sprayer is said at the mix; nothing there must never meet.
    expect(care.vessels.filter(({ hazard }) => hazard.inVessel === "never")).toEqual([]);
  });
});

test("at whatever hour it is made, jobs start at working hours, one is half done and one still drying", () => {
  for (let hour = 0; hour < 24; hour++) {
    const now = new Date(`2026-03-10T${String(hour).padStart(2, "0")}:40:00Z`);
    const states = demoJobs(now)
      .slice(0, 2)
      .map(({ job, log }) => {
        const startsAtMs = Date.parse(`${job.day}T${job.startsAt}Z`);
        expect(job.startsAt >= "08:00" && job.startsAt <= "15:00").toBe(true);
        for (const entry of log) expect(Date.parse(entry.at)).toBeLessThanOrEqual(now.getTime());
        const plan = planJob(toJobInput(job, { ...around, log, startsAtMs }));
        const rooms = plan.rooms.filter(({ passage }) => !passage);
        const finished = rooms.filter(({ finishLogged }) => finishLogged).length;
        if (finished === 0) return "planned";
        if (finished < rooms.length) return "half done";
        return startsAtMs + (plan.dryAt ?? Number.POSITIVE_INFINITY) * 3_600_000 > now.getTime()
          ? "drying"
          : "dry";
      });
    expect([hour, states]).toEqual([hour, ["half done", "drying"]]);
  }
});
