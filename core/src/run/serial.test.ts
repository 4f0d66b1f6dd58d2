import { describe, expect, test } from "@jest/globals";
import { workInTurn } from "./serial.ts";

const room = (finished?: number) => ({
  area: 12,
  cleaningTimePerArea: 40,
  dwell: 480,
  ...(finished === undefined ? {} : { finished }),
});
const starts = (rooms: ReturnType<typeof room>[]) =>
  workInTurn(rooms).map(({ steps }) => steps[0]?.start ?? 0);
const [, usual = 0] = starts([room(), room()]);

describe("rooms worked in turn", () => {
  test("each starts where the one before it ended, or was really finished, sooner or later", () => {
    expect(usual).toBeGreaterThan(480);
    expect(starts([room(300), room()])[1]).toBe(300);
    expect(starts([room(5000), room()])[1]).toBe(5000);
  });

  test("a room finished out of turn doesn't set the clock back behind the rooms before it", () => {
    // The second was done first; the third can't start before the first is through.
    expect(starts([room(), room(200), room()])[2]).toBe(usual);
    expect(starts([room(5000), room(200), room()])[2]).toBe(5000);
  });
});
