/** Opening the app with 30 jobs on a phone, its CPU slowed down fourfold: the first time, later, and offline; then a large log. */
import { type BrowserContext, chromium, type Page } from "@playwright/test";
import { Job, type LogEntry } from "@scutch/contract";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import config from "../playwright.config.ts";
import { fixedLoopOnce, median, percentile, row, times } from "./row.ts";
import { sendTo } from "./send.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const JOBS = 30;
const IMPORTED = 3000;
const LONG = 5000;
const SLOWED = 4;
const settings = { databaseUrl: process.env.BENCH_DATABASE_URL as string };
await prepareDatabase(settings);
const scutch = await startServer(settings);
const api = `${scutch.address}/api`;
const id = (kind: string, n: number) =>
  `01930000-0000-7000-8${kind}00-${(0xd0000 + n).toString(16).padStart(12, "0")}`;
const flat = Job.parse((await (await fetch(`${api}${FLAT}`)).json()).job);

const send = sendTo(api);
const dayAfter = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
for (let n = 0; n < JOBS; n++) {
  const job = Job.parse({ ...flat, id: id("4", n), title: `Job ${n}`, day: dayAfter(n - 5), spots: [] });
  await send("PUT", `/jobs/${job.id}`, { baseVersion: 0, job });
}

/** A log of a run with readings and notes, as one that was imported. */
const logOf = (n: number, count: number): LogEntry[] =>
  Array.from({ length: count }, (_, k) => {
    const room = flat.rooms[k % flat.rooms.length];
    const own = { id: id("6", n * 10_000 + k), at: new Date(Date.now() - (count - k) * 5000).toISOString() };
    const does =
      k % 2 === 0
        ? { kind: "note", text: `Note ${k}`, roomId: room?.id }
        : { kind: "product-used", productId: flat.batches[0]?.productId, amount: 1e-5, roomId: room?.id };
    return { ...own, ...does } as LogEntry;
  });

/** When Today can be used, and the longest task until then, ms; noted in the page, so that this process adds nothing. */
const watchToday = () => {
  const seen = { usable: 0, longest: 0 };
  Object.assign(globalThis, { seen });
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) seen.longest = Math.max(seen.longest, duration);
  }).observe({ type: "longtask", buffered: true });
  const look = () => {
    const adding = [...document.querySelectorAll("button")].find(
      ({ textContent }) => textContent?.trim() === "New job",
    );
    if (adding && !adding.disabled && document.querySelector("main li a[href^='/jobs/']"))
      seen.usable ||= performance.now();
    else requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
};
interface Visit {
  readonly usable: number;
  readonly longest: number;
}
async function newPage(context: BrowserContext): Promise<Page> {
  const page = await context.newPage();
  await page.addInitScript("globalThis.__name = (each) => each");
  await page.addInitScript(watchToday);
  const session = await context.newCDPSession(page);
  await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWED });
  return page;
}
async function visit(page: Page): Promise<Visit> {
  await page.goto(scutch.address, { waitUntil: "commit" });
  await page.waitForTimeout(500);
  for (let tries = 0; (await page.evaluate("globalThis.seen.usable")) === 0; tries++) {
    if (tries === 300) throw new Error("Today never came");
    await page.waitForTimeout(100);
  }
  await page.waitForTimeout(4000); // what follows the first sight belongs to the visit
  return page.evaluate("globalThis.seen");
}

/** How many log entries this device still has to send. */
const waitingEntries = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        void indexedDB.databases().then(([found]) => {
          const opening = indexedDB.open(found?.name ?? "");
          opening.onerror = () => reject(opening.error);
          opening.onsuccess = () => {
            const counting = opening.result
              .transaction("entries")
              .objectStore("entries")
              .index("waiting")
              .count();
            counting.onsuccess = () => {
              opening.result.close();
              resolve(counting.result);
            };
          };
        }, reject);
      }),
  );

const browser = await chromium.launch(config.use?.launchOptions ?? {});
const phone = { viewport: { width: 390, height: 844 }, serviceWorkers: "allow" } as const;
const visits = { first: [] as Visit[], later: [] as Visit[], offline: [] as Visit[] };
let pace = 0;
for (let i = 0; i < 5; i++) {
  const context = await browser.newContext(phone);
  const page = await newPage(context);
  visits.first.push(await visit(page));
  await page.evaluate("navigator.serviceWorker.ready");
  await page.waitForTimeout(3000);
  visits.later.push(await visit(page));
  await context.setOffline(true);
  visits.offline.push(await visit(page));
  pace = await median(5, () => page.evaluate(fixedLoopOnce));
  await context.close();
}
for (const [name, budget] of [
  ["first", 2500],
  ["later", 1200],
  ["offline", 1200],
] as const) {
  const usable = percentile(
    visits[name].map((each) => each.usable),
    0.5,
  );
  const longest = percentile(
    visits[name].map((each) => each.longest),
    0.5,
  );
  row(
    `web: Today with ${JOBS} jobs, ${name} visit, CPU slowed ${SLOWED}×`,
    `${usable.toFixed(0)} ms`,
    `≤ ${budget / 1000} s`,
    `longest task ${longest.toFixed(0)} ms of 200, ${times(usable, pace, "loop")}`,
  );
}

// A job with a large log read in from a file, until the last of it is on the server.
const context = await browser.newContext(phone);
const page = await context.newPage();
await page.goto(scutch.address);
const file = {
  format: "scutch-job",
  formatVersion: 1,
  ...(({ products, vessels, gear }) => ({ products, vessels, gear }))(
    await (await fetch(`${api}/shelf`)).json(),
  ),
  job: { ...flat, id: id("4", 900), spots: [] },
  log: logOf(1, IMPORTED),
};
const chooser = page.getByLabel("Import job or crew data");
await chooser.waitFor({ state: "attached" });
const began = performance.now();
await chooser.setInputFiles({
  name: "job.json",
  mimeType: "application/json",
  buffer: Buffer.from(JSON.stringify(file)),
});
await page.getByText(/One job imported/).waitFor();
await page.waitForTimeout(500);
while ((await waitingEntries(page)) > 0) await page.waitForTimeout(200);
const took = performance.now() - began;
const whole = await (await fetch(`${api}/jobs/${id("4", 900)}/log`)).json();
if (whole.total !== IMPORTED) throw new Error(`${whole.total} of ${IMPORTED} entries arrived`);
row(
  `web: ${IMPORTED} imported entries until the server has them`,
  `${(took / 1000).toFixed(1)} s`,
  "≤ 10 s",
  times(took, await median(5, () => page.evaluate(fixedLoopOnce)), "loop"),
);

// The log of a job with 5,000 entries, and of one with few, on this phone already.
const long = Job.parse({ ...flat, id: id("4", 901), spots: [] });
await send("PUT", `/jobs/${long.id}`, { baseVersion: 0, job: long });
const entries = logOf(2, LONG);
for (let i = 0; i < entries.length; i += 200)
  await send("POST", `/jobs/${long.id}/log`, { entries: entries.slice(i, i + 200) });
const slow = await newPage(context);
async function openLog(path: string): Promise<number> {
  await slow.goto(`${scutch.address}${path}/log`, { waitUntil: "commit" });
  await slow.getByRole("region", { name: "What happened" }).getByRole("listitem").first().waitFor();
  return slow.evaluate(() => performance.now());
}
const opened = { few: [] as number[], many: [] as number[] };
for (let i = 0; i < 4; i++) {
  const [few, many] = [await openLog(FLAT), await openLog(`/jobs/${long.id}`)];
  if (i === 0) continue;
  opened.few.push(few);
  opened.many.push(many);
}
const [few, many] = [percentile(opened.few, 0.5), percentile(opened.many, 0.5)];
row(
  `web: opening a log of ${LONG} entries, CPU slowed ${SLOWED}×`,
  `${many.toFixed(0)} ms`,
  "≤ 2 × few",
  times(many, few, "a log of few"),
);
await browser.close();
await scutch.stop();
