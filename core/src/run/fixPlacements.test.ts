import { expect, test } from "@jest/globals";
import { finishToStart, type Problem } from "../scheduling/index.ts";
import { fixPlacements } from "./fixPlacements.ts";

test("a step done sooner than planned lets go what waits for its end, and never cuts a dwell as long as it was planned", () => {
  const spray = { id: "spray", duration: 480, uses: [] };
  const agitate = { id: "agitate", duration: 60, uses: [] };
  const clean = { id: "clean", duration: 300, uses: [] };
  const problem: Problem = {
    tasks: [spray, agitate, clean],
    resources: [],
    // The label's dwell, start to start, happens to be the seconds the spraying was planned to take.
    lags: [finishToStart(spray, agitate), { from: "spray", to: "clean", minLag: 480 }],
  };
  const { problem: fixed } = fixPlacements(problem, {
    tasks: [{ ...spray, duration: 200 }, agitate, clean],
    sections: [],
    places: new Map([["spray", { start: 0, took: 200, passed: false }]]),
    now: 210,
    letGo: "nothing",
  });
  const lagTo = (id: string) => fixed.lags.find(({ from, to }) => from === "spray" && to === id)?.minLag;
  expect(lagTo("agitate")).toBe(200);
  expect(lagTo("clean")).toBe(480);
});
