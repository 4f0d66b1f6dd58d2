import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { expect, test } from "@jest/globals";

const ROOT = fileURLToPath(new URL("../../", import.meta.url));
const scutch = (args: readonly string[], input = "", TZ = "UTC") => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ["scripts/scutch.mjs", ...args], {
    cwd: ROOT,
    input,
    encoding: "utf8",
    env: { ...process.env, NODE_OPTIONS: "", TZ, INIT_CWD: ROOT },
  });
  return { status, stdout, lines: stderr.split("\n").filter(Boolean) };
};
const example = () => JSON.parse(readFileSync(`${ROOT}docs/example-job.json`, "utf8"));

test("plan prints the whole plan of the documented job: fills, times, drying", () => {
  const { status, stdout } = scutch(["plan", "docs/example-job.json"]);
  expect(status).toBe(0);
  const plan = JSON.parse(stdout);
  expect(plan.area).toBeCloseTo(3.8 * 4.2 + 14 + 5 * 1.2 + 2 * 1.5, 9);
  expect(plan.batches).toMatchObject([
    { outcome: "planned" },
    { outcome: "planned", strength: { spelling: "percent", value: 3 } },
  ]);
  for (const { fills } of plan.batches)
    for (const fill of fills) expect(fill.water + fill.concentrate).toBeCloseTo(fill.volume, 12);
  // Logged at 09:50 on a job that starts at 09:00: the truth, not the plan.
  expect(plan.rooms[0]).toMatchObject({ finishLogged: true, finishedAt: expect.closeTo(50 / 60, 9) });
  for (const { kind, startHours } of plan.rooms[1].steps)
    if (kind === "clean") expect(startHours).toBeGreaterThanOrEqual(50 / 60 - 1e-9);
  const last = Math.max(
    ...plan.rooms.map((room: { finishedAt: number; dryHours: number }) => room.finishedAt + room.dryHours),
  );
  expect(plan.dryAt).toBeCloseTo(last, 9);
  expect(plan.walkOut).toMatchObject({ outcome: "ordered", conflicts: [] });
  expect(plan.effects.map(({ kind }: { kind: string }) => kind)).toEqual(["edges", "slow-vacuum"]);
  // Tested where the fibre is known; where nobody has said it the alkaline mix is stopped, as on wool.
  expect(plan.care.rooms).toMatchObject([
    { verdict: "allowed", dyeTest: "passed" },
    { verdict: "stop", dyeTest: "not-tested" },
    { verdict: "stop", dyeTest: "not-tested" },
  ]);
  // It takes the mix that harms nothing it may be.
  expect(plan.batches[1].roomIds).toContain(plan.rooms[1].id);
}, 60_000);

// IANA time zones: London goes forward on 2026-03-29 at 01:00, Lord Howe back half an hour on 2026-04-05 at 02:00.
test.each([
  ["Europe/London", "2026-03-29", "00:30", "02:15", 45],
  ["Australia/Lord_Howe", "2026-04-05", "01:55", "02:05", 40],
])(
  "in %s on %s a job from %s has its break at %s when the clock shows it, after %d minutes",
  (zone, day, startsAt, at, minutes) => {
    const file = example();
    Object.assign(file.job, {
      day,
      startsAt,
      breaks: [{ id: "01930000-0000-7000-8a00-000000000001", at, length: 600 }],
    });
    delete file.log;
    const { status, stdout, lines } = scutch(["plan", "-"], JSON.stringify(file), zone);
    expect({ status, lines }).toEqual({ status: 0, lines: [] });
    const [rest] = JSON.parse(stdout).schedule.steps.filter(({ kind }: { kind: string }) => kind === "break");
    expect(rest?.start).toBe(60 * minutes);
  },
  60_000,
);

test("with the zone of its place a plan is the same on every machine: start, break, promise and logged finish", () => {
  const file = example();
  Object.assign(file.site, { zone: "Europe/London" });
  // The night clocks go forward at 01:00 UTC; its room is finished 50 minutes after the start.
  Object.assign(file.job, {
    ...{ day: "2026-03-29", startsAt: "00:30" },
    breaks: [{ id: "01930000-0000-7000-8a00-000000000001", at: "02:15", length: 600 }],
  });
  file.job.rooms[1].walkOnBy = "12:00";
  for (const entry of file.log) entry.at = "2026-03-29T01:20:00.000Z";
  const plans = ["UTC", "Asia/Kolkata", "America/New_York"].map((machine) => {
    const { status, stdout, lines } = scutch(["plan", "-"], JSON.stringify(file), machine);
    expect({ status, lines }).toEqual({ status: 0, lines: [] });
    return JSON.parse(stdout);
  });
  expect(plans[0].rooms[0].finishedAt).toBeCloseTo(50 / 60, 9);
  const [rest] = plans[0].schedule.steps.filter(({ kind }: { kind: string }) => kind === "break");
  expect(rest?.start).toBe(60 * 45);
  expect(plans[1]).toEqual(plans[0]);
  expect(plans[2]).toEqual(plans[0]);
  Object.assign(file.site, { zone: "Europe/Londn" });
  expect(scutch(["plan", "-"], JSON.stringify(file))).toMatchObject({
    ...{ status: 2, stdout: "" },
    lines: [expect.stringContaining("$.site.zone: “Europe/Londn” is no time zone known here")],
  });
}, 60_000);

test("dry prints the cases with what is computed beside what was expected, keys alike; - reads standard input", () => {
  const cases = readFileSync(`${ROOT}core/test-data/drying.json`, "utf8");
  const { status, stdout } = scutch(["dry", "-"], cases);
  expect(status).toBe(0);
  for (const each of JSON.parse(stdout).cases)
    expect(each.computed.map(Object.keys)).toEqual(each.expected.map(Object.keys));
}, 60_000);

test("dry tells ranges before and after the readings of a case, and refuses a reading of a room that isn't there", () => {
  const { cases } = JSON.parse(readFileSync(`${ROOT}core/test-data/refit.json`, "utf8"));
  const two = cases.filter(({ rooms }: { rooms: unknown[] }) => rooms.length === 2).slice(0, 1);
  const { status, stdout } = scutch(["dry", "-"], JSON.stringify({ cases: two }));
  expect(status).toBe(0);
  const [{ ranges, doubtful, rooms }] = JSON.parse(stdout).cases;
  expect(doubtful).toEqual([]);
  for (const when of ["before", "after"]) {
    expect(ranges[when]).toHaveLength(rooms.length);
    for (const { touchDry, dry } of ranges[when])
      for (const hours of [touchDry, dry]) {
        expect(hours).toHaveLength(3);
        expect(hours.toSorted((a: number, b: number) => a - b)).toEqual(hours);
      }
  }
  two[0].readings[0].room = 7;
  expect(scutch(["dry", "-"], JSON.stringify({ cases: two }))).toMatchObject({
    status: 2,
    lines: [expect.stringContaining("readings[0].room")],
  });
}, 60_000);

test("convert gives what people type as SI, refuses by a code, or asks with both readings", () => {
  const list = [
    { kind: "length", text: "12'6" },
    { kind: "room-size", text: "12 x 10", bare: "ft" },
    { kind: "area", text: "150", bare: "ft2" },
    { kind: "strength", text: "1:4", reading: "one-in-n" },
    { kind: "strength", text: "30 g/L", matter: "powder" },
    { kind: "application-rate", text: "600 sq ft/gal" },
    { kind: "temperature", text: "68", bare: "f" },
    { kind: "share", text: "48 %" },
    { kind: "time", text: "1h30" },
    { kind: "length", text: "12" },
    { kind: "length", text: "12", bare: "parsec" },
    { kind: "length", text: "3m8" },
  ];
  const { status, stdout } = scutch(["convert", "-"], JSON.stringify(list));
  expect(status).toBe(0);
  const answers = JSON.parse(stdout);
  expect(answers.map(({ kind, text }: { kind: string; text: string }) => ({ kind, text }))).toEqual(
    list.map(({ kind, text }) => ({ kind, text })),
  );
  const close = (value: number) => ({ value: expect.closeTo(value, 9) });
  expect(answers).toMatchObject([
    close(3.81),
    close(120 * 0.09290304),
    close(150 * 0.09290304),
    close(1 / 3),
    close(0.03),
    close(67.909722e-6),
    close(20),
    close(0.48),
    close(5400),
    { refused: "unit-missing" },
    { refused: "unknown-unit" },
    { ask: [3.08, 3.8] },
  ]);
  expect(scutch(["convert", "-"], '[{"kind":"weight","text":"1"}]')).toMatchObject({ status: 2, stdout: "" });
}, 60_000);

test("a bad file: a line a fault with its place, exit 2, nothing on standard output", () => {
  const job = example();
  job.job.rooms[0].shape.length = 0;
  job.job.indoor.relativeHumidity = 1.4;
  job.job.batches[1].strength = { spelling: "one-to-n", value: 0 };
  job.job.rooms[2].colour = "red";
  const bad = scutch(["plan", "-"], JSON.stringify(job));
  expect(bad).toMatchObject({ status: 2, stdout: "" });
  expect(bad.lines).toEqual(
    expect.arrayContaining([
      "$.job.rooms[0].shape.length: is too small, at least 0.1",
      "$.job.indoor.relativeHumidity: is too large, at most 1",
      "$.job.rooms[2]: has keys this format doesn’t know: colour",
    ]),
  );
  expect(bad.lines.some((line) => line.startsWith("$.job.batches[1].strength.value: can’t be mixed"))).toBe(
    true,
  );
  expect(scutch(["dry", "-"], "{")).toMatchObject({ status: 2, stdout: "" });
  expect(scutch(["dry", "missing.json"]).lines).toEqual(["missing.json: can't be read (ENOENT)"]);
  expect(scutch(["sweep"])).toMatchObject({ status: 2, stdout: "" });
}, 60_000);
