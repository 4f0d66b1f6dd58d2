/** A run under way in Chromium: a tap to its next step slowed down fourfold, and opening one of 300 entries beside one just begun. */
import { chromium } from "@playwright/test";
import { Job, type LogEntry, type Shelf } from "@scutch/contract";
import { planWork, toJobInput } from "@scutch/core/plan";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import config from "../playwright.config.ts";
import { fixedLoopOnce, median, percentile, row, times } from "./row.ts";
import { sendTo } from "./send.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const ROOMS = 30;
const ENTRIES = 300;
const settings = { databaseUrl: process.env.BENCH_DATABASE_URL as string };
await prepareDatabase(settings);
const scutch = await startServer(settings);
const api = `${scutch.address}/api`;
const get = async (path: string) => (await fetch(`${api}${path}`)).json();
const flat = Job.parse((await get(FLAT)).job);
const shelf: Shelf = await get("/shelf");

const id = (kind: string, n: number) =>
  `01930000-0000-7000-8${kind}00-${(0xc0000 + n).toString(16).padStart(12, "0")}`;
const send = sendTo(api);

/** A job like the flat with many rooms, begun an hour and a half ago. */
async function makeJob(n: number): Promise<Job> {
  const began = new Date(Date.now() - 90 * 60_000);
  const two = (value: number) => String(value).padStart(2, "0");
  const rooms = Array.from({ length: ROOMS }, (_, i) => ({
    ...flat.rooms[i % flat.rooms.length],
    id: id("5", n * 100 + i),
    name: `Room ${i + 1}`,
  }));
  const job = Job.parse({
    ...flat,
    id: id("4", n),
    day: `${began.getFullYear()}-${two(began.getMonth() + 1)}-${two(began.getDate())}`,
    startsAt: `${two(began.getHours())}:${two(began.getMinutes())}`,
    rooms,
    doors: [],
    spots: [],
  });
  await send("PUT", `/jobs/${job.id}`, { baseVersion: 0, job });
  return job;
}

/** So many entries of a run: its first steps begun and done, with a note to each, all in the hour and a half gone by. */
async function logRun(job: Job, n: number, count: number): Promise<void> {
  const startsAtMs = new Date(`${job.day}T${job.startsAt}`).getTime();
  const { run } = planWork(toJobInput(job, { ...shelf, startsAtMs }));
  if (run.outcome !== "planned") throw new Error("the bench's job can't be planned");
  const steps = run.steps.filter(({ kind }) => kind !== "break" && kind !== "fill");
  const at = (share: number) => new Date(startsAtMs + share * 85 * 60_000).toISOString();
  const entries = Array.from({ length: count }, (_, k): LogEntry => {
    const own = { id: id("6", n * 1000 + k), at: at(k / count) } as Pick<LogEntry, "id" | "at">;
    if (k === 0) return { ...own, kind: "run-started" };
    const step = steps[Math.floor((k - 1) / 3)];
    if (!step || k % 3 === 0) return { ...own, kind: "note", text: "Pad turned or changed" };
    const section = run.sections.find((each) => each.id === step.sectionId);
    const of = {
      step: step.id,
      does: step.kind,
      ...(step.roomId ? { roomId: step.roomId as Job["rooms"][number]["id"] } : {}),
      ...(section ? { part: { number: section.number, from: section.from, to: section.to } } : {}),
      who: 1,
    };
    return { ...own, kind: k % 3 === 1 ? "step-started" : "step-done", ...of };
  });
  for (let i = 0; i < entries.length; i += 50)
    await send("POST", `/jobs/${job.id}/log`, { entries: entries.slice(i, i + 50) });
}

const [fresh, long] = [await makeJob(1), await makeJob(2)] as [Job, Job];
await logRun(fresh, 1, 1);
await logRun(long, 2, ENTRIES);

const browser = await chromium.launch(config.use?.launchOptions ?? {});
const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
const page = await context.newPage();
const session = await context.newCDPSession(page);
const slow = (rate: number) => session.send("Emulation.setCPUThrottlingRate", { rate });
const card = page.getByRole("region", { name: "Now" });
const open = async ({ id: jobId }: Job) => {
  await page.goto(`${scutch.address}/jobs/${jobId}/run`);
  await card.getByRole("heading", { level: 2 }).waitFor();
};
// Each other's turn, so that neither has the quiet minute; the first two bring them onto the device.
const opened = { fresh: [] as number[], long: [] as number[] };
for (let i = 0; i < 8; i++)
  for (const [name, job] of [
    ["fresh", fresh],
    ["long", long],
  ] as const) {
    const start = performance.now();
    await open(job);
    if (i > 0) opened[name].push(performance.now() - start);
  }
const [begun, full] = [percentile(opened.fresh, 0.5), percentile(opened.long, 0.5)];
row(
  `web: opening a run of ${ENTRIES} entries, ${ROOMS} rooms`,
  `${full.toFixed(0)} ms`,
  "≤ 1.2 × begun",
  times(full, begun, "one just begun"),
);

/** From a tap on the card to its next step, ms. */
async function tapped(path: string): Promise<number[]> {
  await page.goto(`${scutch.address}${path}`);
  await page.getByRole("button", { name: "Start job" }).click();
  await card.getByRole("button", { name: /^(Start|Done)$/ }).waitFor();
  await slow(4);
  await page.evaluate("globalThis.__name = (each) => each");
  return page.evaluate(async () => {
    const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
    const card = () => document.querySelector('[aria-label="Now"]');
    const button = () =>
      [...(card()?.querySelectorAll("button") ?? [])].find(({ textContent = "" }) =>
        /^(Start|Done)$/.test(textContent),
      );
    const shown = () => `${card()?.querySelector("h2")?.textContent} ${button()?.textContent}`;
    const named = (name: RegExp) =>
      [...document.querySelectorAll("button")].find(({ textContent = "" }) => name.test(textContent));
    const results: number[] = [];
    // What comes right after the tap that begins the job is taken for the same tap.
    await pause(1000);
    for (let i = 0; i < 22; i++) {
      // A fill is read and measured first: that is no tap.
      if (!button()) {
        named(/^Show amounts/)?.click();
        await pause(1500);
        named(/^Mark as mixed$/)?.click();
        await pause(1500);
        continue;
      }
      const before = shown();
      const drawn = new Promise<number>((resolve) => {
        const observer = new MutationObserver(() => {
          if (shown() === before && !document.querySelector('[role="dialog"]')) return;
          observer.disconnect();
          resolve(performance.now());
        });
        observer.observe(document.body, { subtree: true, childList: true, characterData: true });
      });
      const start = performance.now();
      button()?.click();
      const end = await drawn;
      // A dwell that isn't over is asked about: that is the end of what can be tapped at once.
      if (document.querySelector('[role="dialog"]')) break;
      results.push(end - start);
      await pause(1200);
    }
    return results.slice(2);
  });
}
const taps = await tapped(`${LIBRARY}/run`);
const pace = await median(5, () => page.evaluate(fixedLoopOnce));
row(
  "web: a tap on a run under way to its next step, CPU slowed 4×, median",
  `${percentile(taps, 0.5).toFixed(0)} ms`,
  "≤ 50 ms",
  `of ${taps.length}, ${times(percentile(taps, 0.5), pace, "loop")}`,
);

// From a note saved by one device until it is on the screen of another, and how much of that the save takes.
await slow(1);
await page.goto(`${scutch.address}${LIBRARY}/log`);
await page.getByRole("region", { name: "What happened" }).waitFor();
await page.waitForTimeout(2000);
const [saves, heard] = [[] as number[], [] as number[]];
for (let i = 0; i < 15; i++) {
  const text = `Heard from another device ${i}`;
  const note = { id: id("6", 900_000 + i), at: new Date().toISOString(), kind: "note", text };
  const start = performance.now();
  await send("POST", `${LIBRARY}/log`, { entries: [note] });
  saves.push(performance.now() - start);
  await page.getByText(text, { exact: true }).waitFor();
  heard.push(performance.now() - start);
}
row(
  "web: an entry saved on one device to another's screen, median",
  `${percentile(heard, 0.5).toFixed(0)} ms`,
  "≤ 1 s",
  `worst ${Math.max(...heard).toFixed(0)} ms, ${times(percentile(heard, 0.5), percentile(saves, 0.5), "the save")}`,
);

await browser.close();
await scutch.stop();
