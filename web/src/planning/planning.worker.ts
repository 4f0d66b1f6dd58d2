import { dryingRangeInSteps, type RoomRange, rankMoves } from "@scutch/core/drying";
import { compareScenarios } from "@scutch/core/plan";
import { scheduleJob } from "@scutch/core/run";
import { planWhole } from "./planInWorker.ts";
import type { WorkerRequest, WorkerResponse } from "./workerClient.ts";

/** What takes long enough to be felt, off the page's own thread, and dropped as soon as something newer is asked. */

/** ms between looks at whether something newer was asked. */
const SLICE = 12;
const latest = new Map<string, number>();

/** Lets messages in. */
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve));

async function ranges({ id, lane, building }: Extract<WorkerRequest, { what: "range" }>) {
  const runs = dryingRangeInSteps(building);
  for (let until = performance.now() + SLICE; ; ) {
    const { done, value } = runs.next();
    if (done) return value as RoomRange[];
    if (performance.now() < until) continue;
    await breathe();
    if (latest.get(lane) !== id) return undefined;
    until = performance.now() + SLICE;
  }
}

addEventListener("message", async ({ data }: MessageEvent<WorkerRequest>) => {
  latest.set(data.lane, data.id);
  await breathe();
  if (latest.get(data.lane) !== data.id) return;
  const { id, lane } = data;
  try {
    const answer = await answerTo(data);
    if (answer) postMessage({ id, lane, answer } satisfies WorkerResponse);
  } catch (error) {
    console.error(error);
    postMessage({ id, lane, failed: true } satisfies WorkerResponse);
  }
});

async function answerTo(data: WorkerRequest) {
  switch (data.what) {
    case "range":
      return ranges(data);
    case "rank":
      return rankMoves(data.building, data.index, data.moves);
    case "run":
      return scheduleJob(data.input, data.search);
    case "plan":
      return planWhole(data);
    case "ways":
      return compareScenarios(data.cases);
  }
}
