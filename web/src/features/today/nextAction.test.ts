import { describe, expect, test } from "@jest/globals";
import type { Job, LogEntry, Product, Shelf } from "@scutch/contract";
import { TIMES } from "../../format/time.ts";
import { computePlan } from "../../planning/computePlan.ts";
import { nextAction, nextText } from "./nextAction.ts";

const L = 1e-3;
const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const shelf = {
  products: [
    {
      id: "meadow",
      name: "Meadow",
      kind: "pre-spray",
      ratioMeans: "one-to-n",
      light: ratio(32),
      ordinary: ratio(24),
      heavy: ratio(16),
      dwellLeast: 300,
      dwellMost: 900,
      phInUse: 10.4,
      cautions: [],
    } as unknown as Product,
  ],
  vessels: [
    {
      id: "pump",
      name: "Pump",
      nominal: 8 * L,
      heel: 0,
      headSpace: 0,
      graduation: 0.1 * L,
      sprayFlow: L / 60,
    },
  ],
  gear: [],
  sites: [],
} as unknown as Shelf;
const room = (id: string, more: object = {}) => ({
  id,
  name: id,
  shape: { kind: "area", area: 12 },
  ...more,
});
const job = (rooms: object[]) =>
  ({
    id: "j",
    title: "Carpets",
    day: "2026-03-09",
    startsAt: "09:00",
    rooms,
    batches: [{ id: "b", productId: "meadow", vesselId: "pump", measure: 5e-6 }],
  }) as unknown as Job;
let n = 0;
const entry = (kind: string, more: object) =>
  ({ id: `e${++n}`, at: "2026-03-09T10:00:00", kind, ...more }) as unknown as LogEntry;
const next = (rooms: object[], log: LogEntry[] = []) =>
  nextText(nextAction(computePlan(job(rooms), shelf, log)), TIMES["24"]);

describe("the next action on a job, in the order it is worked", () => {
  const nylon = { fibre: "nylon" };
  const passed = (roomId: string) =>
    entry("dye-test", { roomId, productId: "meadow", result: "no-colour", place: "x", pressed: 30 });
  const fill = entry("fill-made", {
    batchId: "b",
    productId: "meadow",
    fill: 1,
    water: 1e-3,
    concentrate: 1e-4,
  });

  test("survey, fibre, dye test, fill, cleaning, looking again", () => {
    expect(next([])).toBe("Survey: add rooms");
    expect(next([room("Hall")])).toBe("Pick the fibre for Hall");
    expect(next([room("Hall", nylon)])).toBe("Dye test: Meadow in Hall");
    expect(next([room("Hall", nylon)], [passed("Hall")])).toBe("Mix fill 1 for Hall");
    expect(next([room("Hall", nylon)], [passed("Hall"), fill])).toMatch(
      /^Clean Hall, done about \d\d:\d[05]$/,
    );
    const done = entry("room-finished", { roomId: "Hall" });
    expect(next([room("Hall", nylon)], [passed("Hall"), fill, done])).toMatch(/^Recheck/);
  });

  test("a danger comes before everything; a room that is finished asks for nothing more", () => {
    expect(next([room("Hall", { fibre: "wool" }), room("Den")])).toMatch(/^Hall is blocked/);
    const finished = [entry("room-finished", { roomId: "Hall" })];
    expect(next([room("Hall", { fibre: "wool" }), room("Den")], finished)).toBe("Pick the fibre for Den");
  });

  test("of a run under way it is the step in hand, else the next one, until all is packed up", () => {
    const at = (minute: number) => `2026-03-09T09:${String(minute).padStart(2, "0")}:00`;
    const step = (kind: string, does: string, minute: number) =>
      entry(kind, { step: does, does, at: at(minute), who: 1 });
    const rooms = [room("Hall", nylon)];
    const begun = [passed("Hall"), entry("run-started", { at: at(0) }), step("step-started", "set-up", 1)];
    expect(next(rooms, begun)).toMatch(/^Set up, done about/);
    expect(next(rooms, [...begun, step("step-done", "set-up", 16)])).toMatch(/^Vacuum, Hall, done about/);
    const packed = [...begun, entry("room-finished", { roomId: "Hall" }), step("step-done", "pack-up", 50)];
    expect(next(rooms, packed)).toMatch(/^Recheck/);
  });
});
