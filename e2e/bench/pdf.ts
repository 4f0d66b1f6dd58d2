/** The hand-over page as a PDF, made on a phone whose CPU is slowed down fourfold: asked for at once, after a read, and again. */
import { chromium } from "@playwright/test";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import config from "../playwright.config.ts";
import { fixedLoopOnce, median, percentile, row, times } from "./row.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const SLOWED = 4;
const RUNS = 3;
const settings = { databaseUrl: process.env.BENCH_DATABASE_URL as string };
await prepareDatabase(settings);
const scutch = await startServer(settings);
const browser = await chromium.launch(config.use?.launchOptions ?? {});
const took = { "asked for at once": [] as number[], "after 5 s": [] as number[], again: [] as number[] };
let pace = 0;
for (let i = 0; i < RUNS; i++)
  for (const wait of [0, 5000]) {
    const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    const save = async (): Promise<number> => {
      await page.evaluate("globalThis.began = performance.now()");
      const saved = page.waitForEvent("download", { timeout: 60_000 });
      await page.getByRole("dialog").getByRole("button", { name: "PDF" }).click();
      await saved;
      return page.evaluate("performance.now() - globalThis.began");
    };
    await page.goto(`${scutch.address}${FLAT}/hand-over`);
    await page.getByRole("button", { name: "Show the customer" }).waitFor();
    const throttle = await page.context().newCDPSession(page);
    await throttle.send("Emulation.setCPUThrottlingRate", { rate: SLOWED });
    await page.getByRole("button", { name: "Show the customer" }).click();
    await page.getByRole("dialog").getByRole("article").waitFor();
    await page.waitForTimeout(wait);
    took[wait === 0 ? "asked for at once" : "after 5 s"].push(await save());
    took.again.push(await save());
    pace = await median(5, () => page.evaluate(fixedLoopOnce));
    await page.context().close();
  }
for (const [when, all] of Object.entries(took)) {
  const ms = percentile(all, 0.5);
  row(
    `web: hand-over page as a PDF, ${when}, CPU slowed ${SLOWED}×`,
    `${(ms / 1000).toFixed(1)} s`,
    "≤ 2 s",
    times(ms, pace, "loop"),
  );
}
await browser.close();
await scutch.stop();
