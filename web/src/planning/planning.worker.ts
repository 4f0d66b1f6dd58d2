import { jointMovesInSteps, type Levers, laterMovesInSteps, whatLimitsInSteps } from "@scutch/core/drying";
import { compareScenarios, drierWorkInSteps } from "@scutch/core/plan";
import { scheduleJob } from "@scutch/core/run";
import { type DryingRanges, rangesInSteps } from "./dryingForecast.ts";
import { planWhole } from "./planInWorker.ts";
import type { WorkerRequest, WorkerResponse } from "./workerClient.ts";

/** What takes long enough to be felt, off the page's own thread, and dropped as soon as something newer is asked. */

/** ms between looks at whether something newer was asked. */
const SLICE = 12;
/** h; a carpet wet so long is worth renting for. */
const LONG_WET = 24;
const latest = new Map<string, number>();

/** Lets messages in. */
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve));

/** Runs steps to their end, breathing between them, and hears what they yield; undefined once something newer is asked. */
async function inSlices<T, R>(
  steps: Generator<T | undefined, R, void>,
  { id, lane }: Pick<WorkerRequest, "id" | "lane">,
  hear: (value: T) => void = () => undefined,
): Promise<{ readonly end: R } | undefined> {
  for (let until = performance.now() + SLICE; ; ) {
    const { done, value } = steps.next();
    if (done) return { end: value };
    if (value !== undefined) hear(value);
    if (performance.now() < until) continue;
    await breathe();
    if (latest.get(lane) !== id) return undefined;
    until = performance.now() + SLICE;
  }
}

/** Answers again whenever the ranges are better, and a last time as they end. */
async function ranges({ id, lane, ...asked }: Extract<WorkerRequest, { what: "range" }>) {
  let best: DryingRanges | undefined;
  const ended = await inSlices(rangesInSteps(asked), { id, lane }, (better) => {
    best = better;
    postMessage({ id, lane, answer: better, isPart: true } satisfies WorkerResponse);
  });
  return ended && best;
}

/** What to move, given up as soon as something newer is asked; with what could be rented where a room doesn’t dry without. */
async function bestMoves({
  id,
  lane,
  building,
  levers,
  rented,
  aim,
}: Extract<WorkerRequest, { what: "moves" }>) {
  const search = (from: Levers) => inSlices(jointMovesInSteps(building, from, aim), { id, lane });
  const found = await search(levers);
  if (!found) return undefined;
  const own = found.end;
  const isLongWet = own.touchDry.some((hours) => hours === null || hours > LONG_WET);
  const goesOn = isLongWet || aim.kind === "all" || aim.kind === "room";
  if (!goesOn) return { own };
  postMessage({ id, lane, answer: { own }, isPart: true } satisfies WorkerResponse);
  if (isLongWet) {
    const withRented = await search(rented);
    return withRented && { own, rented: withRented.end };
  }
  const later = await inSlices(laterMovesInSteps(building, levers, aim, own), { id, lane });
  return later && { own, ...(later.end ? { later: later.end } : {}) };
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
    case "moves":
      return bestMoves(data);
    case "drier":
      return (await inSlices(drierWorkInSteps(data.input), data))?.end;
    case "limits":
      return (await inSlices(whatLimitsInSteps(data), data))?.end;
    case "run":
      return scheduleJob(data.input, data.search);
    case "plan":
      return planWhole(data);
    case "ways":
      return compareScenarios(data.cases);
  }
}
