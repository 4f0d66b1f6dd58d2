/** The run sheet: sections, people and hours that follow from the survey, and what a change does to them. */
import { expect, type Locator, type Page } from "@playwright/test";
import { test } from "../support/stack.ts";

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const HOUSE = "/jobs/01930000-0000-7000-8400-000000000004";

const phase = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Phases of the job" }).getByRole("link", { name });
const button = (page: Page | Locator, name: string | RegExp) =>
  page.getByRole("button", { name, exact: typeof name === "string" });
const region = (page: Page, name: string | RegExp) => page.getByRole("region", { name });
const sheet = (page: Page) => page.getByRole("img", { name: /^Run sheet/ });
const planOf = async (page: Page, job: string) => (await (await page.request.get(`/api${job}`)).json()).job;
const done = (page: Page) => region(page, "Run sheet").getByText(/^Done at \d\d:\d\d/);
const minutes = async (where: Locator) => {
  const [, hours = "", rest = ""] = /(\d\d):(\d\d)/.exec(await where.innerText()) ?? [];
  return 60 * Number(hours) + Number(rest);
};

/** Rows of the table of steps: from, what. */
async function steps(page: Page): Promise<{ readonly from: string; readonly what: string }[]> {
  const table = region(page, "Run sheet").getByRole("table");
  if (!(await table.isVisible())) await page.getByText("Step list").click();
  return table.getByRole("row").evaluateAll((rows) =>
    rows.slice(1).map((row) => {
      const cells = [...row.children].map((cell) => cell.textContent?.trim() ?? "");
      return { from: cells[0] ?? "", what: cells.at(-2) ?? "" };
    }),
  );
}

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test("three sizes give a run sheet with no further typing; the hour looked at tells every room, and survives a reload", async ({
    page,
  }) => {
    await page.goto("/");
    await button(page, "New job").click();
    await page.getByLabel("Place").fill("2 Sedge Row");
    await button(page, "Create job").click();
    for (const [name, size] of [
      ["Bedroom", "3.8 x 4.2"],
      ["Lounge", "5.4 x 4"],
      ["Hall", "5 x 1.2"],
    ] as const) {
      await page.getByLabel("Room", { exact: true }).fill(name);
      await page.getByLabel("Size, any unit").fill(size);
      await button(page, "Add room").click();
      await expect(page.getByRole("listitem").filter({ hasText: name })).toBeVisible();
    }
    await phase(page, "Run").click();
    await expect(done(page)).toBeVisible();
    await expect(sheet(page)).toBeVisible();
    const all = await steps(page);
    for (const what of [
      /^Set up/,
      /^Mix fill/,
      /^Vacuum, Bedroom/,
      /^Spray.*, Lounge/,
      /^Clean.*, Hall/,
      /^Pack up/,
    ])
      expect(all.some((step) => what.test(step.what))).toBe(true);
    // Nothing is wider than the phone.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    const slider = page.getByRole("slider", { name: "Time shown" });
    await slider.focus();
    await slider.press("End");
    const at = region(page, "At the time shown");
    await expect(at.getByText("Packed up at")).toBeVisible();
    const lounge = at
      .getByRole("region", { name: /^At / })
      .getByRole("listitem")
      .filter({ hasText: "Lounge" });
    await expect(lounge).toContainText("dry");
    await slider.press("Home");
    await expect(lounge).toContainText(/to do|prepared/);
    await page.reload();
    await expect(done(page)).toBeVisible();
  });
});

test("a second person, a break and a promise plan it anew and say what that did; all of it is there on another device", async ({
  page,
  browser,
}) => {
  await page.goto(`${HOUSE}/run`);
  await expect(done(page)).toBeVisible();
  const alone = await minutes(done(page));
  await page.getByRole("radiogroup", { name: "Crew" }).getByRole("radio", { name: "2" }).click();
  await expect(page.getByRole("status").getByText(/^Done \d.* sooner/)).toBeVisible();
  await expect.poll(() => minutes(done(page))).toBeLessThan(alone);
  await steps(page);
  // No tool is in two hands: of steps with the extractor none begins before the one before it ends.
  const rows = await region(page, "Run sheet")
    .getByRole("row")
    .evaluateAll((each) =>
      each.slice(1).map((row) => [...row.children].map((cell) => cell.textContent?.trim() ?? "")),
    );
  const cleaning = rows.filter(
    ([, , , what = ""]) => what.startsWith("Clean") && what.endsWith("extraction"),
  );
  expect(cleaning.length).toBeGreaterThan(3);
  for (const [i, [from = ""]] of cleaning.entries())
    if (i > 0) expect(from >= (cleaning[i - 1]?.[1] ?? "")).toBe(true);

  // One of the two cleans, the other sprays and agitates; a tap swaps them.
  const whoDoes = async (kinds: RegExp) => {
    const all = await region(page, "Run sheet").getByRole("row").allInnerTexts();
    const own = all.filter((row) => kinds.test(row));
    return own.filter((row) => row.includes("Person 1")).length / own.length;
  };
  expect(await whoDoes(/\bClean\b/)).toBeGreaterThan(0.8);
  expect(await whoDoes(/\b(Spray|Agitate)\b/)).toBeLessThan(0.2);
  await page
    .getByRole("radiogroup", { name: /^Who cleans/ })
    .getByRole("radio", { name: "Person 2" })
    .click();
  await expect.poll(() => whoDoes(/\bClean\b/)).toBeLessThan(0.2);

  await button(page, "Add break").click();
  const breaks = page.getByLabel("From", { exact: true });
  await expect(breaks).toBeVisible();
  await breaks.fill("10:05");
  await expect(page.getByRole("status").getByText(/^Done .* later/)).toBeVisible();
  await expect
    .poll(async () => (await steps(page)).find(({ what }) => what.startsWith("Break"))?.from)
    .toBe("10:05");

  await page.getByLabel("Add promised time for").selectOption({ label: "Hall" });
  await page.getByLabel("Hall", { exact: true }).fill("11:00");
  await expect(page.getByText("Hall won’t be touch-dry by 11:00.")).toBeVisible();
  await expect
    .poll(async () => (await planOf(page, HOUSE)).run)
    .toEqual({ people: 2, roles: "second-cleans" });
  await expect.poll(async () => (await planOf(page, HOUSE)).breaks?.[0]?.at).toBe("10:05");

  const other = await (await browser.newContext()).newPage();
  await other.goto(`${new URL(page.url()).origin}${HOUSE}/run`);
  await expect(other.getByText("Hall won’t be touch-dry by 11:00.")).toBeVisible();
  // Until its worker answers, the other device shows a schedule like the last one.
  await expect.poll(() => minutes(done(other))).toBe(await minutes(done(page)));
  await other.context().close();
});

test("a step put off moves the rest, is locked, and is let go again; undo names it", async ({ page }) => {
  await page.goto(`${HOUSE}/run`);
  await expect(done(page)).toBeVisible();
  const before = await minutes(done(page));
  const [first] = (await steps(page)).filter(({ what }) => what.startsWith("Set up"));
  await button(page, /^Set up/).click();
  await button(page, "30 min later").click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await expect
    .poll(async () => (await steps(page)).find(({ what }) => what.startsWith("Set up"))?.from)
    .not.toBe(first?.from);
  await expect.poll(() => minutes(done(page))).toBeGreaterThanOrEqual(before);
  await expect(page.getByLabel("locked").first()).toBeVisible();
  // At an hour before anything is there to clean, a cleaning can't be held: it is said, and stands where it fits.
  await button(page, /^Clean, Hall/).click();
  await page.getByLabel("Starts at").fill("09:31");
  await button(page, "Lock start time").click();
  await expect(page.getByText("A step can’t keep its locked time.")).toBeVisible();
  await button(page, "Unlock").click();
  await expect(page.getByText("A step can’t keep its locked time.")).toHaveCount(0);
  await page.keyboard.press("u");
  await page.keyboard.press("u");
  await page.keyboard.press("u");
  await expect.poll(() => minutes(done(page))).toBe(before);
});

test("two ways are compared side by side and one is taken; what can't be done here is stopped, not planned over", async ({
  page,
}) => {
  await page.goto(`${HOUSE}/run`);
  await button(page, "Compare two options").click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Option B").selectOption({ label: "Low moisture, crew of 2" });
  await expect(dialog.getByRole("row", { name: /^Water/ })).toBeVisible();
  const [one = "", other = ""] = await dialog
    .getByRole("row", { name: /^Water/ })
    .getByRole("cell")
    .allInnerTexts();
  expect(Number.parseFloat(other)).toBeLessThan(Number.parseFloat(one));
  await button(dialog, "Use option B").click();
  await expect(dialog).toHaveCount(0);
  await expect.poll(async () => (await planOf(page, HOUSE)).run?.people).toBe(2);
  const { rooms } = await planOf(page, HOUSE);
  const byName = new Map(rooms.map((room: { name: string; method?: string }) => [room.name, room.method]));
  expect(byName.get("Room 2")).toBe("low-moisture");
  expect(byName.get("Washroom")).not.toBe("low-moisture");
});

test("a section that would dry out is told with what to change, and changing it mends it; the sheet fits a page", async ({
  page,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  const inside = page.getByRole("group", { name: "Indoor air" });
  await inside.getByLabel("Temperature").fill("35");
  await inside.getByLabel("Temperature").press("Enter");
  await inside.getByLabel("Humidity").fill("10");
  await inside.getByLabel("Humidity").press("Enter");
  await phase(page, "Run").click();
  await page.getByLabel("Ceiling fans run while we work").check();
  await expect(page.getByText(/Spray no more than .* ahead/)).toBeVisible();
  const ahead = () => page.getByText(/Spray no more than .* ahead/).innerText();
  const withFans = await ahead();
  await page.getByLabel("Ceiling fans run while we work").uncheck();
  await expect.poll(ahead).not.toBe(withFans);
  const pdf = await page.pdf({ format: "A4" });
  expect(pdf.toString("latin1").match(/\/Type\s*\/Page[^s]/g)?.length).toBe(1);
});
