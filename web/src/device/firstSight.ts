import { rememberedCrew } from "./rememberedCrew.ts";

/** Longer than this after the page began, what can wait doesn't any more, ms. */
const LONGEST = 6000;
/** On a device that has been here before, asking the server waits no longer than this for the first screen, ms. */
const ASK_AFTER = 1500;

let note: () => void = () => undefined;
const seen = new Promise<void>((resolve) => {
  note = resolve;
});
const after = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
const isFirstVisit = rememberedCrew() === undefined;

/** The first screen shows what it was opened for. */
export const noteFirstSight = (): void => note();

/** When the first screen shows and the browser has nothing better to do: time for what isn't needed yet. */
export async function firstIdle(): Promise<void> {
  await Promise.race([seen, after(LONGEST)]);
  await new Promise<void>((resolve) => {
    if ("requestIdleCallback" in globalThis) requestIdleCallback(() => resolve(), { timeout: LONGEST });
    else setTimeout(resolve, 300);
  });
}

/** When to ask the server: what this device has is shown first; a device that has nothing asks at once. */
export const firstAsk = (): Promise<void> =>
  isFirstVisit ? Promise.resolve() : Promise.race([seen, after(ASK_AFTER)]);
