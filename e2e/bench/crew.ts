/** A crew of many devices: from signing in to Today on a slow phone, and from a save to every device's event stream. */
import { chromium } from "@playwright/test";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import config from "../playwright.config.ts";
import { makeCrew } from "../torture/crew.ts";
import { fixedLoopOnce, percentile, row, times } from "./row.ts";

const SLOWED = 4;
const DEVICES = 200;
const SAVES = 20;
const VISITS = 5;
const NAME = "the loop";

const settings = { databaseUrl: process.env.BENCH_DATABASE_URL as string };
await prepareDatabase({ ...settings, resetDemo: true });
const scutch = await startServer(settings);
const { address } = scutch;
const [owner, other] = await makeCrew(address);

const browser = await chromium.launch(config.use?.launchOptions ?? {});
const signIns: number[] = [];
const loads: number[] = [];
const loops: number[] = [];
for (let i = 0; i < VISITS; i++) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  const devtools = await context.newCDPSession(page);
  await devtools.send("Emulation.setCPUThrottlingRate", { rate: SLOWED });
  const opened = performance.now();
  await page.goto(`${address}/sign-in`);
  await page.getByLabel("Email").fill(owner.email);
  loads.push(performance.now() - opened);
  await page.getByLabel("Password", { exact: true }).fill(owner.password);
  loops.push(percentile(await Promise.all([1, 2, 3].map(() => page.evaluate(fixedLoopOnce))), 0.5));
  const pressed = performance.now();
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await page.getByText("Quillhaven Library").first().waitFor();
  signIns.push(performance.now() - pressed);
  await context.close();
}
await browser.close();
const signIn = percentile(signIns, 0.5);
const load = percentile(loads, 0.5);
row(
  "signing in until Today shows its jobs, CPU at 4×",
  `${(signIn / 1000).toFixed(1)} s`,
  "≤ 1 s",
  `${times(signIn, load, "opening the sign-in page")}, ${times(signIn, percentile(loops, 0.5), NAME)}`,
);

/** Streams that note when each mark came. */
const heard = new Map<number, number[]>();
const streams = await Promise.all(
  Array.from({ length: DEVICES }, async (_, i) => {
    const given = new AbortController();
    const { cookie } = i % 2 === 0 ? owner : other;
    const answer = await fetch(`${address}/api/events`, { headers: { cookie }, signal: given.signal });
    if (!answer.ok || !answer.body) throw new Error(`a stream was refused with ${answer.status}`);
    const read = async (body: ReadableStream<Uint8Array>) => {
      const text = new TextDecoder();
      let rest = "";
      for await (const piece of body) {
        rest += text.decode(piece, { stream: true });
        const parts = rest.split("\n\n");
        rest = parts.pop() ?? "";
        for (const part of parts) {
          const seq = /^id: (\d+)$/m.exec(part)?.[1];
          if (seq) heard.set(Number(seq), [...(heard.get(Number(seq)) ?? []), performance.now()]);
        }
      }
    };
    void read(answer.body).catch(() => undefined);
    return given;
  }),
);
await new Promise((resolve) => setTimeout(resolve, 1500));
const headers = { cookie: owner.cookie, origin: address, "content-type": "application/json" };
const delays: number[] = [];
const requests: number[] = [];
for (let n = 0; n < SAVES; n++) {
  heard.clear();
  const from = performance.now();
  const saved = await fetch(`${address}/api/stock`, { headers });
  requests.push(performance.now() - from);
  await saved.text();
  const sent = performance.now();
  const answer = await fetch(`${address}/api/records`, {
    method: "POST",
    headers,
    body: JSON.stringify({ kind: "settings", value: { prices: {}, contact: `Call ${n}` } }),
  });
  if (!answer.ok) throw new Error(`a save was refused with ${answer.status}`);
  for (let i = 0; i < 100 && [...heard.values()].flat().length < DEVICES; i++)
    await new Promise((resolve) => setTimeout(resolve, 50));
  const all = [...heard.values()].flat();
  if (all.length < DEVICES) throw new Error(`${all.length} of ${DEVICES} devices heard of a save`);
  delays.push(...all.map((at) => at - sent));
}
for (const stream of streams) stream.abort();
const p95 = percentile(delays, 0.95);
row(
  `a save until ${DEVICES} devices heard of it, p95`,
  `${(p95 / 1000).toFixed(2)} s`,
  "≤ 1 s",
  times(p95, percentile(requests, 0.5), "a request read"),
);
await scutch.stop();
process.exit();
