import { describe, expect, test } from "@jest/globals";
import { isContended, isDatabaseGone } from "./driverErrors.ts";

const wrapped = (cause: object) =>
  new Error("Failed query", { cause: Object.assign(new Error("cause"), cause) });

describe("what the driver throws", () => {
  test.each([
    [{ code: "ECONNREFUSED" }],
    [{ code: "PROTOCOL_CONNECTION_LOST" }],
    [{ code: "ER_SERVER_SHUTDOWN" }],
    [{ code: "ER_DISK_FULL" }],
    [{ code: "ENOSPC" }],
    [{ message: "Can't add new command when connection is in closed state" }],
    [{ message: "Pool is closed." }],
  ])("%j is a database that is away or full, for the time being", (cause) => {
    expect(isDatabaseGone(wrapped(cause))).toBe(true);
  });

  test("a deadlock and a row just made are others winning, and a broken query is neither", () => {
    expect(isContended(wrapped({ code: "ER_LOCK_DEADLOCK" }))).toBe(true);
    expect(isContended(wrapped({ code: "ER_DUP_ENTRY" }))).toBe(true);
    const broken = wrapped({ code: "ER_PARSE_ERROR" });
    expect([isContended(broken), isDatabaseGone(broken), isDatabaseGone("text")]).toEqual([
      false,
      false,
      false,
    ]);
  });
});
