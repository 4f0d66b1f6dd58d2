/** Devices of one crew hear each other: no page is loaded again here, whatever the other did. */
import { type Browser, expect, type Page } from "@playwright/test";
import { goOn, now, onOneStep, press, step } from "../support/card.ts";
import { test } from "../support/stack.ts";

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const PHONE = { viewport: { width: 390, height: 844 } };
/** How soon another device shows what was done, ms: a second for the news, the rest for a busy machine to draw it. */
const SOON = { timeout: 5000 };

/** Another device of the crew, on a page; in the tests' own zone, or in another. */
async function device(browser: Browser, url: string, timezoneId?: string): Promise<Page> {
  const page = await (
    await browser.newContext({ ...PHONE, ...(timezoneId ? { timezoneId } : {}) })
  ).newPage();
  await page.clock.install();
  await page.goto(url);
  await page.evaluate(() => Object.assign(window, { firstLoad: true }));
  return page;
}
/** Whether a device's page is still the one it was first given. */
const isFirstLoad = (page: Page) => page.evaluate(() => "firstLoad" in window);

test.describe("two phones on one run", () => {
  test.use(PHONE);

  test("a tap on one is on the other within a moment, a step taken isn't offered twice; one offline for ten minutes catches up", async ({
    page,
    browser,
  }) => {
    await page.clock.install();
    await page.goto(`${LIBRARY}/run`);
    const address = page.url();
    const other = await device(browser, address);
    await expect(other.getByRole("button", { name: "Start job" })).toBeVisible();
    await press(page, "Start job");
    // The other phone has begun too, on the same step.
    await onOneStep(page, other, SOON);

    await press(now(page), "Start");
    await expect(now(other).getByRole("button", { name: "Done" })).toBeVisible(SOON);
    const first = await step(page).innerText();
    await page.clock.fastForward(60_000);
    await other.clock.fastForward(60_000);
    await press(now(page), "Done");
    await expect(step(page)).not.toHaveText(first);
    await onOneStep(page, other, SOON);

    // Taken over by the other one: the first shows it as in hand.
    await goOn(other);
    await onOneStep(page, other, SOON);

    // Out of reach for ten minutes, while the work goes on.
    await other.context().setOffline(true);
    for (let i = 0; i < 3; i++) await goOn(page);
    await other.clock.fastForward(600_000);
    await page.clock.fastForward(600_000);
    await expect(step(other)).not.toHaveText(await step(page).innerText());
    await other.context().setOffline(false);
    await onOneStep(page, other, { timeout: 15_000 });
    expect(await isFirstLoad(other)).toBe(true);
    await other.context().close();
  });
});

test("what one device changes shows on the others: the job's rooms, the shelf, and Today", async ({
  page,
  browser,
  request,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  const origin = new URL(page.url()).origin;
  const shelf = await device(browser, `${origin}/shelf`);
  const today = await device(browser, `${origin}/`);
  const survey = await device(browser, `${origin}${LIBRARY}/survey`);
  await expect(today.getByText("Reading rooms and foyer").first()).toBeVisible();
  await expect(survey.getByRole("button", { name: "Study", exact: true })).toBeVisible();
  await expect(shelf.getByText("Meadow pre-spray").first()).toBeVisible();

  await page.getByLabel("Room", { exact: true }).fill("Cloakroom");
  await page.getByLabel("Size, any unit").fill("3 x 2");
  await page.getByRole("button", { name: "Add room" }).click();
  await expect(survey.getByRole("button", { name: "Cloakroom", exact: true })).toBeVisible(SOON);

  const { products } = await (await request.get("/api/shelf")).json();
  const meadow = products.find(({ name }: { name: string }) => name === "Meadow pre-spray");
  const renamed = { ...meadow, name: "Hedgerow pre-spray" };
  expect((await request.put(`/api/products/${meadow.id}`, { data: renamed })).status()).toBe(200);
  await expect(shelf.getByText("Hedgerow pre-spray").first()).toBeVisible(SOON);

  // Called off, another day found for it, and deleted for good: Today keeps no card of what isn't there.
  const read = async (path: string) => (await request.get(`/api${path}`)).json();
  const save = async (change: object) => {
    const { version, job } = await read(LIBRARY);
    const answer = await request.put(`/api${LIBRARY}`, {
      data: { baseVersion: version, job: { ...job, ...change } },
    });
    expect(answer.status()).toBe(200);
  };
  await save({ title: "Reading rooms only" });
  await expect(today.getByText("Reading rooms only").first()).toBeVisible(SOON);
  await save({ removed: true });
  await expect(today.getByRole("link", { name: /Reading rooms only/ })).toHaveCount(0, SOON);
  expect((await request.delete(`/api${LIBRARY}`)).status()).toBe(200);
  await expect
    .poll(() => today.evaluate(() => document.body.innerText.includes("Reading rooms only")), SOON)
    .toBe(false);
  for (const each of [shelf, today, survey]) {
    expect(await isFirstLoad(each)).toBe(true);
    await each.context().close();
  }
});

test("a product renamed offline keeps the caution another device added meanwhile", async ({
  page,
  browser,
}) => {
  await page.goto("/shelf");
  const other = await device(browser, page.url());
  const open = async (on: Page, name: string) => {
    await on.getByRole("button", { name, exact: true }).click();
    return on.getByRole("dialog");
  };
  await expect(other.getByRole("button", { name: "Meadow pre-spray", exact: true })).toBeVisible();
  await other.context().setOffline(true);
  const renamed = await open(other, "Meadow pre-spray");
  await renamed.getByLabel("Name", { exact: true }).fill("Hedgerow pre-spray");
  await press(renamed, "Save product");
  const cautioned = await open(page, "Meadow pre-spray");
  await cautioned.getByLabel("Label cautions, one per line").fill("Gloves on.\nKeep the fumes off children.");
  await press(cautioned, "Save product");
  await other.context().setOffline(false);
  // Both are on both.
  for (const on of [other, page])
    await expect(async () => {
      const dialog = await open(on, "Hedgerow pre-spray");
      const cautions = await dialog.getByLabel("Label cautions, one per line").inputValue();
      await on.keyboard.press("Escape");
      await expect(dialog).toHaveCount(0);
      expect(cautions).toContain("Keep the fumes off children");
    }).toPass({ timeout: 30_000 });
  expect(await isFirstLoad(other)).toBe(true);
  await other.context().close();
});

test("one fill logged on two phones comes off the stock once, and the log says so", async ({
  page,
  browser,
  request,
}) => {
  const mix = `${LIBRARY}/mix`;
  const usedOf = async () => {
    const { used } = await (await request.get("/api/stock")).json();
    return (used as { amount: number }[]).reduce((sum, { amount }) => sum + amount, 0);
  };
  await page.goto(mix);
  const other = await device(browser, page.url());
  const before = await usedOf();
  const mixed = (on: Page) => on.getByRole("button", { name: "Mark as mixed" }).first();
  for (const on of [page, other]) await expect(mixed(on)).toBeVisible();
  // Neither hears of the other's before both have tapped.
  await other.context().setOffline(true);
  await mixed(page).click();
  await expect.poll(usedOf).toBeGreaterThan(before);
  const once = await usedOf();
  await mixed(other).click();
  await other.context().setOffline(false);
  await other.goto(`${new URL(page.url()).origin}${LIBRARY}/log?kind=fills`);
  await expect(other.getByText("Logged twice. Only the later entry counts.")).toBeVisible({
    timeout: 20_000,
  });
  await expect.poll(usedOf).toBeCloseTo(once, 9);
  await other.context().close();
});

test("the hours of a job are those of its place, on a phone in another zone too, and a zone put right is heard", async ({
  page,
  browser,
  request,
}) => {
  await page.goto(`${LIBRARY}/log`);
  const far = await device(browser, page.url(), "Pacific/Chatham");
  const header = (on: Page) => on.getByText(/in 5 rooms · /);
  const list = (on: Page) => on.getByRole("region", { name: "What happened" }).getByRole("list").first();
  await expect(header(page)).toContainText(/\d\d:\d\d ·/);
  await expect(header(far)).toContainText(/\d\d:\d\d, (UTC|\w+ time)/);
  const startOn = async (on: Page) => /· (\w+ \d+ \w+ \d\d:\d\d)/.exec(await header(on).innerText())?.[1];
  expect(await startOn(far)).toBe(await startOn(page));
  await expect(list(far)).toHaveText(await list(page).innerText(), { useInnerText: true });

  // Written down two hours later on the far phone: the hour is the place's, which is the tests' own.
  const at = new Date(Math.floor(Date.now() / 60_000 - 120) * 60_000);
  const [day, hour] = [at.toLocaleDateString("sv"), at.toLocaleTimeString("sv").slice(0, 5)];
  await far.getByRole("radio", { name: "Note" }).click();
  await far.getByRole("textbox", { name: "Note" }).fill("Rain on the steps");
  await far.getByRole("button", { name: "Set an earlier time" }).click();
  await far.getByLabel("Day", { exact: true }).fill(day);
  await far.getByLabel("Time", { exact: true }).fill(hour);
  await far.getByRole("button", { name: "Log entry" }).click();
  await expect(list(page).getByRole("listitem").filter({ hasText: "Rain on the steps" })).toContainText(
    hour,
    SOON,
  );
  const { entries } = await (await request.get(`/api${LIBRARY}/log`)).json();
  expect(entries).toContainEqual(
    expect.objectContaining({ text: "Rain on the steps", at: at.toISOString() }),
  );

  await page.getByRole("button", { name: /^Job menu/ }).click();
  await page.getByRole("button", { name: "Change time zone" }).click();
  // Half an hour off: never the zone of the tests themselves.
  await page.getByLabel("Time zone of this place").selectOption("Asia/Kabul");
  await page.keyboard.press("Escape");
  for (const on of [page, far]) await expect(header(on)).toContainText("Kabul time", SOON);
  expect(await isFirstLoad(far)).toBe(true);
  await far.context().close();
});
