import { describe, expect, test } from "@jest/globals";
import type { LogEntry, Room } from "@scutch/contract";
import { aJob, anEntry, aProduct, aRoom, aShelf, idFor } from "@scutch/contract/testing";
import { timesIn } from "../../format/time.ts";
import { computePlan } from "../../planning/computePlan.ts";
import { nextAction, nextText } from "./nextAction.ts";

const shelf = aShelf({ products: [aProduct("Meadow", { phInUse: 10.4 })] });
let n = 0;
const localTime = (clock: string) => new Date(`2026-03-09T${clock}`).toISOString();
const entry = (kind: string, more: object) =>
  anEntry(`entry ${++n}`, { at: localTime("10:00"), kind, ...more });
const next = (rooms: Room[], log: LogEntry[] = []) =>
  nextText(nextAction(computePlan(aJob({ rooms }), shelf, log)), timesIn("24"));

describe("the next action on a job, in the order it is worked", () => {
  const nylon = { fibre: "nylon" } as const;
  const passed = (roomId: string) =>
    entry("dye-test", {
      roomId: idFor(roomId),
      productId: idFor("Meadow"),
      result: "no-colour",
      place: "x",
      pressed: 30,
    });
  const fill = entry("fill-made", {
    batchId: idFor("mix"),
    productId: idFor("Meadow"),
    fill: 1,
    water: 1e-3,
    concentrate: 1e-4,
  });

  test("survey, fibre, dye test, fill, cleaning, looking again", () => {
    expect(next([])).toBe("Survey: add rooms");
    expect(next([aRoom("Hall")])).toBe("Pick the fibre for Hall");
    expect(next([aRoom("Hall", nylon)])).toBe("Dye test: Meadow in Hall");
    expect(next([aRoom("Hall", nylon)], [passed("Hall")])).toBe("Mix fill 1 for Hall");
    expect(next([aRoom("Hall", nylon)], [passed("Hall"), fill])).toMatch(
      /^Clean Hall, done about \d\d:\d[05]$/,
    );
    const done = entry("room-finished", { roomId: idFor("Hall") });
    expect(next([aRoom("Hall", nylon)], [passed("Hall"), fill, done])).toMatch(/^Hand over/);
    const handed = entry("handed-over", { name: "Ashby" });
    expect(next([aRoom("Hall", nylon)], [passed("Hall"), fill, done, handed])).toMatch(/^Recheck/);
    const treated = entry("spot-attempt", {
      roomId: idFor("Hall"),
      spotId: idFor("Tea"),
      agent: "water",
      result: "better",
    });
    expect(next([aRoom("Hall", nylon)], [passed("Hall"), treated, fill, done, handed])).toMatch(
      /^Second look: Hall about \d\d:\d\d$/,
    );
  });

  test("a danger comes before everything; a room that is finished asks for nothing more", () => {
    expect(next([aRoom("Hall", { fibre: "wool" }), aRoom("Den")])).toMatch(/^Hall is blocked/);
    const finished = [entry("room-finished", { roomId: idFor("Hall") })];
    expect(next([aRoom("Hall", { fibre: "wool" }), aRoom("Den")], finished)).toBe("Pick the fibre for Den");
  });

  test("of a run under way it is the step in hand, else the next one, until all is packed up", () => {
    const at = (minute: number) => localTime(`09:${String(minute).padStart(2, "0")}`);
    const step = (kind: string, does: string, minute: number) =>
      entry(kind, { step: does, does, at: at(minute), who: 1 });
    const rooms = [aRoom("Hall", nylon)];
    const begun = [passed("Hall"), entry("run-started", { at: at(0) }), step("step-started", "set-up", 1)];
    expect(next(rooms, begun)).toMatch(/^Set up, done about/);
    expect(next(rooms, [...begun, step("step-done", "set-up", 16)])).toMatch(/^Vacuum, Hall, done about/);
    const packed = [
      ...begun,
      entry("room-finished", { roomId: idFor("Hall") }),
      step("step-done", "pack-up", 50),
    ];
    expect(next(rooms, packed)).toMatch(/^Hand over/);
  });
});
