/** In Chromium slowed down fourfold: from a lever to the redrawn hour, and opening the app with the server stopped. */

import { chromium, type Page } from "@playwright/test";
import { itemAt } from "@scutch/core";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import config from "../playwright.config.ts";
import { fixedLoopOnce, percentile, row, times } from "./row.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const settings = { databaseUrl: process.env.BENCH_DATABASE_URL as string };
await prepareDatabase(settings);
const scutch = await startServer(settings);
const api = `${scutch.address}/api`;
const { job } = await (await fetch(`${api}${FLAT}`)).json();

/** A job like the flat, with as many rooms as wanted, on some day. */
async function makeJob(n: number, rooms: number, day: string): Promise<string> {
  const id = `01930000-0000-7000-8400-${(0xb000 + n).toString(16).padStart(12, "0")}`;
  const many = Array.from({ length: rooms }, (_, i) => ({
    ...job.rooms[i % job.rooms.length],
    id: `01930000-0000-7000-8500-${(0xb0000 + n * 100 + i).toString(16).padStart(12, "0")}`,
    name: `Room ${i + 1}`,
  }));
  const body = JSON.stringify({
    baseVersion: 0,
    job: { ...job, id, day, rooms: many, doors: [], spots: [] },
  });
  const headers = { "content-type": "application/json" };
  const { status } = await fetch(`${api}/jobs/${id}`, { method: "PUT", headers, body });
  if (status !== 200) throw new Error(`a job could not be made: ${status}`);
  // The lounge: an air mover more changes its hour for certain.
  return `/jobs/${id}/dry?room=${many[2]?.id}`;
}
const day = (offset: number) => new Date(Date.now() + offset * 86_400_000).toISOString().slice(0, 10);
const six = await makeJob(1, 6, day(1));
const sixty = await makeJob(2, 60, day(1));
for (let n = 3; n < 30; n++) await makeJob(n, 6, day(n % 9));

const browser = await chromium.launch(config.use?.launchOptions ?? {});
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
const page = await context.newPage();
const session = await context.newCDPSession(page);
const slow = (rate: number) => session.send("Emulation.setCPUThrottlingRate", { rate });

/** Times of changes of a room's air movers to its redrawn figures, ms. */
async function redraws(path: string, edits: number): Promise<number[]> {
  await slow(1);
  await page.goto(`${scutch.address}${path}`);
  await page.getByRole("button", { name: "Dry by: show the calculation" }).waitFor();
  await slow(4);
  // tsx names functions through a helper that the page doesn't have.
  await page.evaluate("globalThis.__name = (each) => each");
  return page.evaluate(async (count) => {
    const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
    const figure = () => document.querySelector('[aria-label="Dry by: show the calculation"]');
    const results: number[] = [];
    for (let i = 0; i < count + 3; i++) {
      const more = document.querySelector<HTMLButtonElement>('[aria-label="One more: Air movers"]');
      const fewer = document.querySelector<HTMLButtonElement>('[aria-label="One less: Air movers"]');
      const before = figure()?.textContent;
      const drawn = new Promise<number>((resolve, reject) => {
        setTimeout(() => reject(new Error("nothing was redrawn in 20 s")), 20_000);
        const observer = new MutationObserver(() => {
          if (figure()?.textContent === before) return;
          observer.disconnect();
          resolve(performance.now());
        });
        observer.observe(document.body, { subtree: true, childList: true, characterData: true });
      });
      const start = performance.now();
      (i % 2 ? fewer : more)?.click();
      results.push((await drawn) - start);
      await pause(500);
    }
    return results.slice(3);
  }, edits);
}

const loop = async (on: Page) => {
  const runs: number[] = [];
  for (let i = 0; i < 5; i++) runs.push(await on.evaluate(fixedLoopOnce));
  return percentile(runs, 0.5);
};
const small = await redraws(six, 40);
const pace = await loop(page);
row(
  "web: a change to the redrawn figures, 6 rooms, CPU slowed 4×, p95 of 40",
  `${percentile(small, 0.95).toFixed(0)} ms`,
  "≤ 50 ms",
  `median ${percentile(small, 0.5).toFixed(0)} ms, ${times(percentile(small, 0.95), pace, "loop")}`,
);
const large = await redraws(sixty, 6);
row(
  "web: the same with 60 rooms, median",
  `${percentile(large, 0.5).toFixed(0)} ms`,
  "",
  times(percentile(large, 0.5), pace, "loop"),
);

/** The run sheet's marker dragged across it: ms from one frame drawn to the next. */
async function dragged(path: string): Promise<number[]> {
  await slow(1);
  await page.goto(`${scutch.address}${path}`);
  const marker = page.getByRole("slider", { name: "Time shown" });
  await marker.waitFor();
  await page.waitForTimeout(1500);
  const box = await marker.boundingBox();
  if (!box) throw new Error("no marker to drag");
  await slow(4);
  await page.evaluate("globalThis.__name = (each) => each");
  await page.evaluate(() => {
    const frames: number[] = [];
    Object.assign(globalThis, { frames });
    const next = (at: number) => {
      frames.push(at);
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  });
  const y = box.y + box.height / 2;
  await page.mouse.move(box.x + box.width / 2, y);
  await page.mouse.down();
  for (let x = 0; x < 300; x += 3) await page.mouse.move(box.x + box.width / 2 + x, y);
  await page.mouse.up();
  const frames = await page.evaluate(() => (globalThis as unknown as { frames: number[] }).frames);
  return frames.slice(1).map((at, i) => at - itemAt(frames, i));
}
const frames = await dragged(six.replace(/dry.*/, "run"));
row(
  "web: the run sheet's marker dragged, CPU slowed 4×, p95 of a frame",
  `${percentile(frames, 0.95).toFixed(0)} ms`,
  "≤ 17 ms",
  `median ${percentile(frames, 0.5).toFixed(0)} ms of ${frames.length}, ${times(percentile(frames, 0.95), pace, "loop")}`,
);

await slow(1);
await page.goto(scutch.address);
await page.evaluate(async () => void (await navigator.serviceWorker.ready));
await page.getByText("Between tenants, whole flat").first().waitFor();
await page.waitForTimeout(3000);
await scutch.stop();
await slow(4);
const opened: number[] = [];
for (let i = 0; i < 5; i++) {
  const start = performance.now();
  await page.goto(scutch.address);
  await page.getByText("Between tenants, whole flat").first().waitFor();
  opened.push(performance.now() - start);
}
row(
  "web: opening the app, 30 jobs kept, server stopped, CPU slowed 4×",
  `${percentile(opened, 0.5).toFixed(0)} ms`,
  "",
  times(percentile(opened, 0.5), pace, "loop"),
);
await browser.close();
