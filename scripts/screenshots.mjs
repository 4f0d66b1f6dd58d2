// Pictures of the main views for docs/screenshots, from a fresh demo. Look at each before committing it.

import { inRoot } from "./paths.mjs";
import { prepareDatabase, startServer } from "./server.mjs";
import { withThrowawayDatabase } from "./throwaway.mjs";

const JOB = (n) => `/jobs/01930000-0000-7000-8400-00000000000${n}`;
const ROOM = (n) => `?room=01930000-0000-7000-8500-${n.toString(16).padStart(12, "0")}`;
const VIEWS = [
  { name: "today", path: "/", sees: "Dry, furniture back" },
  { name: "drying", path: "/drying", sees: "air movers out" },
  { name: "survey", path: `${JOB(1)}/survey${ROOM(3)}` },
  {
    name: "care",
    path: `${JOB(4)}/survey${ROOM(17)}&part=floor`,
    choose: ["Mix", "Meadow pre-spray"],
  },
  { name: "mix", path: `${JOB(1)}/mix` },
  { name: "run", path: `${JOB(1)}/run` },
  { name: "dry", path: `${JOB(2)}/dry${ROOM(8)}` },
  { name: "log", path: `${JOB(2)}/log` },
  { name: "van", path: "/van", sees: "to go" },
  { name: "shelf", path: "/shelf" },
  { name: "mixer", path: "/mixer", type: { Strength: "1:24", Total: "8 L" } },
  { name: "reference", path: "/reference?page=rules" },
  {
    name: "phone-quote",
    path: `${JOB(4)}/quote`,
    phone: true,
    press: "Add an offer",
    sees: "Earns an hour",
    until: "Recommended",
  },
  { name: "phone-hand-over", path: `${JOB(2)}/hand-over`, phone: true, press: "Show the customer" },
  { name: "week", path: "/week?days=28", sees: "7 of 7 finished jobs priced" },
  { name: "places", path: "/places", sees: "last visit" },
  { name: "phone-spot", path: `${JOB(2)}/survey${ROOM(8)}&part=spots`, phone: true, press: /Coffee, tea/ },
  { name: "phone-live", path: `${JOB(1)}/run`, phone: true, live: 7 },
  { name: "phone-dry-night", path: `${JOB(2)}/dry${ROOM(8)}`, phone: true, night: true, ranged: true },
];

await withThrowawayDatabase(async (url) => {
  const settings = { databaseUrl: url };
  await prepareDatabase(settings);
  const server = await startServer(settings);
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-dev-shm-usage"],
  });
  for (const view of VIEWS) {
    const page = await browser.newPage({
      viewport: view.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
      locale: "en-GB",
      colorScheme: view.night ? "dark" : "light",
    });
    await page.goto(`${server.address}${view.path}`);
    await page.waitForTimeout(1500);
    if (view.sees) await page.getByText(view.sees).waitFor();
    if (view.choose) await page.getByLabel(view.choose[0]).selectOption({ label: view.choose[1] });
    for (const [label, text] of Object.entries(view.type ?? {})) {
      await page.getByLabel(label, { exact: true }).fill(text);
      await page.getByLabel(label, { exact: true }).press("Enter");
    }
    if (view.live) {
      await page.getByRole("button", { name: "Start job" }).click();
      for (let tap = 0; tap < view.live; tap++) {
        await page.waitForTimeout(900);
        await page.getByRole("button", { name: /^(Start|Done|Show amounts)$/ }).click();
        const made = page.getByRole("dialog").getByRole("button", { name: "Mark as mixed" });
        await page.waitForTimeout(300);
        if (await made.isVisible()) await made.click();
      }
      await page.getByRole("button", { name: "Undo" }).waitFor({ state: "hidden", timeout: 20_000 });
    }
    if (view.press) await page.getByRole("button", { name: view.press }).click();
    if (view.until) await page.getByText(view.until, { exact: true }).waitFor();
    await page.waitForTimeout(300);
    // The ranges come after the figures; a phone has no room for the job's.
    if (view.path.startsWith("/jobs") && (!view.phone || view.ranged))
      await page
        .getByText(/\d\s?–.*\d:\d/)
        .filter({ visible: true })
        .first()
        .waitFor();
    if (/\/dry(\?|$)/.test(view.path)) await page.getByText(/touch-dry about.*sooner\.$/).waitFor();
    await page.screenshot({ path: inRoot("docs/screenshots", `${view.name}.png`) });
    await page.close();
  }
  await browser.close();
  await server.stop();
});
