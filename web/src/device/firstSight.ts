import { rememberedCrew } from "./rememberedCrew.ts";

/** Longer than this after the page began, what can wait doesn't any more, ms. */
const LONGEST = 6000;
/** On a device that has been here before, asking the server waits no longer than this for the first screen, ms. */
const ASK_AFTER = 1500;

/** Long enough for the browser to draw, ms. */
const SOON = 100;

const { promise: seen, resolve: noteSeen } = later();
const { promise: lacking, resolve: noteLacking } = later();
function later() {
  let resolve: () => void = () => undefined;
  const promise = new Promise<void>((done) => {
    resolve = done;
  });
  return { promise, resolve: () => resolve() };
}
const after = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
const isFirstVisit = rememberedCrew() === undefined;

/** The first screen shows what it was opened for. */
export const noteFirstSight = noteSeen;
/** What the first screen was opened for isn't on this device: the server has to be asked before anything shows. */
export const noteFirstLacking = noteLacking;

/** When the browser is idle, or after `timeout` ms. Not every browser says when it is idle: there it is soon. */
export const idle = (timeout: number): Promise<void> =>
  "requestIdleCallback" in globalThis
    ? new Promise((resolve) => requestIdleCallback(() => resolve(), { timeout }))
    : after(SOON);

/** When the first screen shows and the browser is idle: the time for work that can wait. */
export async function firstIdle(): Promise<void> {
  await Promise.race([seen, after(LONGEST)]);
  await idle(LONGEST);
}

/** When to ask the server: what this device has is shown first; a device that has nothing asks at once. */
export const firstAsk = (): Promise<void> =>
  isFirstVisit ? Promise.resolve() : Promise.race([seen, lacking, after(ASK_AFTER)]);
