/** From a change of a room's windows to the redrawn hour, in Chromium slowed down fourfold. */
import { chromium } from "@playwright/test";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import config from "../playwright.config.ts";
import { row } from "./row.ts";

const settings = { databaseUrl: process.env.BENCH_DATABASE_URL as string };
await prepareDatabase(settings);
const scutch = await startServer(settings);
const browser = await chromium.launch(config.use?.launchOptions ?? {});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(
  `${scutch.address}/jobs/01930000-0000-7000-8400-000000000002/dry?room=01930000-0000-7000-8500-000000000008`,
);
await page.getByRole("button", { name: "Dry by: show the working" }).waitFor();
const session = await page.context().newCDPSession(page);
await session.send("Emulation.setCPUThrottlingRate", { rate: 4 });
// tsx names functions through a helper that the page doesn't have.
await page.evaluate("globalThis.__name = (each) => each");
const times = await page.evaluate(async () => {
  const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
  const figure = () => document.querySelector('[aria-label="Dry by: show the working"]');
  const results: number[] = [];
  for (let i = 0; i < 12; i++) {
    const more = document.querySelector<HTMLButtonElement>('[aria-label="One more: Air movers"]');
    const fewer = document.querySelector<HTMLButtonElement>('[aria-label="One fewer: Air movers"]');
    const before = figure()?.textContent;
    const drawn = new Promise<number>((resolve, reject) => {
      setTimeout(() => reject(new Error("nothing was redrawn in 10 s")), 10_000);
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
    await pause(700);
  }
  return results.slice(2).sort((a, b) => a - b);
});
row(
  "web: a change to the redrawn figures, CPU slowed 4×",
  `${(times[Math.floor(times.length / 2)] as number).toFixed(0)} ms`,
  "≤ 50 ms",
);
await browser.close();
await scutch.stop();
