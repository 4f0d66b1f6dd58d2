import { describe, expect, test } from "@jest/globals";
import { type JobDocument, toJobInput } from "./index.ts";

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
