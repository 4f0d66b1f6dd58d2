import { afterEach, expect, jest, test } from "@jest/globals";
import { tapGuard } from "./tapGuard.ts";

afterEach(() => void jest.useRealTimers());

test("a double tap counts once; a clock set back, or another person, stops no tap", () => {
  jest.useFakeTimers({ now: Date.parse("2026-03-29T09:00:00Z") });
  tapGuard.forget();
  expect([tapGuard.isAgain(), tapGuard.isAgain()]).toEqual([false, true]);
  jest.advanceTimersByTime(800);
  expect(tapGuard.isAgain()).toBe(false);
  jest.setSystemTime(Date.parse("2026-03-29T08:57:00Z"));
  jest.advanceTimersByTime(800);
  expect(tapGuard.isAgain()).toBe(false);
  tapGuard.forget();
  expect(tapGuard.isAgain()).toBe(false);
});
