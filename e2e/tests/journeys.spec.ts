import { readFileSync } from "node:fs";
import AxeBuilder from "@axe-core/playwright";
import { expect, type Locator, type Page } from "@playwright/test";
import { dyeTest } from "../support/dyeTest.ts";
import { test } from "../support/stack.ts";

test.use({ serviceWorkers: "allow" });

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const GUESTHOUSE = "/jobs/01930000-0000-7000-8400-000000000004";
const CORNER = "01930000-0000-7000-8500-000000000003";
const HALL = "01930000-0000-7000-8500-000000000011";
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };

const phase = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Phases of the job" }).getByRole("link", { name });
const roomInList = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
/** A figure that opens its working. */
const figure = (page: Page, name: string) =>
  page.getByRole("button", { name: `${name}: show the calculation` });

async function newJob(page: Page, place: string) {
  await page.goto("/");
  await page.getByRole("button", { name: "New job" }).click();
  await page.getByLabel("Place").fill(place);
  await page.getByRole("button", { name: "Create job" }).click();
  await expect(page.getByRole("heading", { name: new RegExp(place) })).toBeVisible();
}

async function addRoom(page: Page, name: string, size: string) {
  await page.getByLabel("Room", { exact: true }).fill(name);
  await page.getByLabel("Size, any unit").fill(size);
  await page.getByRole("button", { name: "Add room" }).click();
}

/** A time once it stays: the first one may be of a plan whose log is still being read. */
async function settled(time: Locator): Promise<string> {
  await expect(time).toHaveText(/\d\d:\d\d/);
  for (let before = ""; ; ) {
    const now = await time.innerText();
    if (now === before) return now;
    before = now;
    await time.page().waitForTimeout(1500);
  }
}

/** No violation of the rules; the page has no frames, and without looking for any the check takes a third of the time. */
async function expectAccessible(page: Page, path: string, rules: "all" | "colours") {
  const checks = new AxeBuilder({ page }).setLegacyMode(true);
  const { violations } = await (rules === "all"
    ? checks.withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"])
    : checks.withRules(["color-contrast"])
  ).analyze();
  expect(violations.map(({ id, nodes }) => `${path} ${id}: ${nodes[0]?.html}`)).toEqual([]);
}

test.describe("on a phone", () => {
  test.use(PHONE);

  test("three room sizes in any unit become fills, hours and a log that is there tomorrow", async ({
    page,
    stack,
  }) => {
    await page.clock.install();
    await newJob(page, "14 Teasel Street");
    await addRoom(page, "Bedroom", "3.8 x 4.2");
    await addRoom(page, "Lounge", "17'6 x 13");
    await addRoom(page, "Hall", "5 x 1.2 + 2 x 1.5");
    await expect(figure(page, "Area of Lounge")).toHaveText("21.1 m²");
    await expect(figure(page, "Area of Hall")).toHaveText("9 m²");

    await phase(page, "Mix").click();
    // 16.0 + 21.1 + 9 m² at 68 ml/m² is 3.14 L; to the mark 3.2 L, with the heel of the first sprayer on top.
    await expect(page.getByText(/Total/)).toBeVisible();
    await page.getByRole("button", { name: /sprayer.*Change$/i }).click();
    await page.getByLabel("Sprayer", { exact: true }).selectOption({ label: "Pump sprayer, 8 L" });
    await expect(page.getByText(/Total 3.4\sL of mix, 135\sml/)).toBeVisible();
    await figure(page, "Concentrate").click();
    await expect(page.getByRole("dialog")).toContainText("V c ⁄ (1 + c)");
    await page.keyboard.press("Escape");
    // Nobody has said what the carpet is: an alkaline product waits until somebody has, and until it is dye-tested.
    await expect(page.getByText("Which fibre is the carpet in Bedroom, Lounge, Hall?")).toBeVisible();
    await expect(page.getByText("First pick the fibre for Bedroom, Lounge, Hall.")).toBeVisible();
    await expect(page.getByRole("alert")).toHaveCount(0);
    await expect(page.getByRole("button", { name: "Mark as mixed" })).toHaveCount(0);
    await page.getByRole("button", { name: "Nylon", exact: true }).click();
    // The cup for the cloth comes before the fill.
    await page.getByRole("button", { name: "Do the dye test" }).click();
    await expect(page.getByRole("dialog")).toContainText(/Test cup: \d+\sml of water, then \d+\sml/);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toHaveCount(0);
    // A test passes one carpet; that it is one in all three rooms, the person says.
    await page.getByRole("button", { name: "Same carpet in Bedroom, Lounge, Hall" }).click();
    await dyeTest(page, "Under the bed");
    await page.getByRole("button", { name: "Mark as mixed" }).click();
    await expect(page.getByText(/Mixed at/)).toBeVisible();

    await phase(page, "Dry").click();
    await expect(figure(page, "Dry by")).toHaveText(/\d\d:\d\d/);

    await phase(page, "Log").click();
    await page.getByLabel("Meter reading").fill("31");
    await page.getByRole("button", { name: "Log entry" }).click();
    await expect(page.getByText("31% in Bedroom")).toBeVisible();

    await stack.stop();
    await stack.start();
    await page.reload();
    await expect(page.getByText("31% in Bedroom")).toBeVisible();
    await expect(page.getByText(/Meadow|Bramble/).first()).toBeVisible();
  });

  test("no screen is wider than the phone, and each is accessible by day and by night", async ({ page }) => {
    test.setTimeout(600_000);
    // One job is under way: its run shows the step in hand and its clock.
    await page.goto(`${LIBRARY}/run`);
    await page.getByRole("button", { name: "Start job" }).click();
    // The second tap of a double one begins no step: people take longer than that.
    await page.waitForTimeout(1000);
    await page
      .getByRole("region", { name: "Now" })
      .getByRole("button", { name: "Start", exact: true })
      .click();
    await expect(page.getByRole("button", { name: "Done", exact: true })).toBeVisible();
    // A device set to dark opens by night.
    await page.addInitScript(() => localStorage.clear());
    await page.emulateMedia({ colorScheme: "dark" });
    await page.goto("/");
    await expect(page.locator("html")).toHaveAttribute("data-theme", "night");
    await page.emulateMedia({ colorScheme: "light" });
    for (const path of [
      "/",
      `${LIBRARY}/survey`,
      `${LIBRARY}/survey?room=${CORNER}&part=size`,
      `${LIBRARY}/survey?room=${CORNER}&part=floor`,
      `${LIBRARY}/survey?room=${CORNER}&part=spots`,
      `${LIBRARY}/survey?room=${CORNER}&part=photos`,
      `${GUESTHOUSE}/survey?room=${HALL}`,
      `${GUESTHOUSE}/mix`,
      `${LIBRARY}/mix`,
      `${GUESTHOUSE}/run`,
      `${LIBRARY}/run`,
      `${GUESTHOUSE}/price`,
      `${GUESTHOUSE}/quote`,
      `${FLAT}/hand-over`,
      `${GUESTHOUSE}/practice`,
      `${FLAT}/dry`,
      `${FLAT}/mix`,
      `${FLAT}/log`,
      "/week?days=28",
      "/places",
      "/places/01930000-0000-7000-8100-000000000005",
      "/shelf",
      "/van",
      "/mixer",
      "/reference?page=rules",
      "/reference?find=wine+on+wool",
      "/reference?page=ways",
    ]) {
      await page.goto(path);
      await expect(page.getByText(/^Opening/)).toHaveCount(0);
      await expect(page.getByRole("heading").first()).toBeVisible();
      // Drawings follow the window's width with the next frame.
      const overflow = () =>
        page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      await expect.poll(overflow, { message: path }).toBe(0);
      // The smallest phone there is.
      await page.setViewportSize({ width: 320, height: 640 });
      await expect.poll(overflow, { message: `${path} at 320 px` }).toBe(0);
      await page.setViewportSize(PHONE.viewport);
      await expectAccessible(page, path, "all");
      // By night only the colours differ.
      await page.evaluate(() => document.documentElement.setAttribute("data-theme", "night"));
      await expectAccessible(page, path, "colours");
    }
  });
});

test("server stopped, edit, log, reload, server back: all there once", async ({ page, stack, request }) => {
  await page.goto(`${LIBRARY}/survey`);
  await expect(roomInList(page, "Reading room A")).toBeVisible();
  // The offline copy of the app itself has to be in place, as it is after any first visit.
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await stack.stop();

  await addRoom(page, "Cloakroom", "2 x 3");
  await expect(page.getByText(/You’re offline/)).toBeVisible();
  await phase(page, "Log").click();
  await page.getByRole("radio", { name: "Note" }).click();
  await page.getByLabel("Note", { exact: true }).fill("Key is back with the porter");
  await page.getByRole("button", { name: "Log entry" }).click();
  await expect(page.getByText("Key is back with the porter")).toBeVisible();

  await page.reload();
  await expect(page.getByText("Key is back with the porter")).toBeVisible();
  await phase(page, "Survey").click();
  await expect(roomInList(page, "Cloakroom")).toBeVisible();

  await stack.start();
  await expect(page.getByText(/You’re offline/)).toHaveCount(0, { timeout: 20_000 });
  const read = async (path: string) => (await request.get(`/api${LIBRARY}${path}`)).json();
  const rooms = async () =>
    (await read("")).job.rooms.filter((room: { name: string }) => room.name === "Cloakroom").length;
  const notes = async () =>
    (await read("/log")).entries.filter(
      (entry: { text?: string }) => entry.text === "Key is back with the porter",
    ).length;
  // Any answer from the server sends what waits.
  await expect.poll(rooms, { timeout: 5000 }).toBe(1);
  await expect.poll(notes, { timeout: 5000 }).toBe(1);
  await page.reload();
  await expect(roomInList(page, "Cloakroom")).toHaveCount(1);
});

test("levers redraw at once, undo takes them back, and figures say the same in either system", async ({
  page,
}) => {
  // A job not begun: what is moved there is planned, and can be taken back.
  await page.goto(`${GUESTHOUSE}/dry`);
  const dryBy = figure(page, "Dry by");
  const before = await settled(dryBy);
  await page.getByRole("button", { name: "One more: Air movers" }).click();
  await expect(dryBy).not.toHaveText(before);
  const withFan = await dryBy.innerText();
  await page.getByRole("radio", { name: "Open both sides" }).click();
  await expect(page.getByRole("radio", { name: "Open both sides" })).toBeChecked();
  await expect(dryBy).not.toHaveText(withFan);
  await page.keyboard.press("u");
  await expect(dryBy).toHaveText(withFan);
  await page.keyboard.press("u");
  await expect(dryBy).toHaveText(before);

  await page.goto(`${FLAT}/dry`);
  await expect(dryBy).toBeVisible();
  await page.keyboard.press("1");
  await expect(figure(page, "Area of Lounge")).toHaveText("20.3 m²");
  await page.getByRole("button", { name: /^Units/ }).click();
  await expect(figure(page, "Area of Lounge")).toHaveText("218 sq ft");
  await page.getByRole("button", { name: /^Units/ }).click();
  await expect(figure(page, "Area of Lounge")).toHaveText("20.3 m²");
});

test("what can't be is said at its field in plain words, and nothing is saved", async ({ page, request }) => {
  await page.goto(`${LIBRARY}/survey`);
  const before = await (await request.get(`/api${LIBRARY}`)).json();
  await addRoom(page, "Void", "0 m²");
  await expect(page.getByRole("alert")).toHaveText(/Too small\. Enter at least 0\.1\sm²/);
  await addRoom(page, "Field", "100 x 100");
  await expect(page.getByRole("alert")).toHaveText(/Too large\. Enter 9999\sm² at most/);
  await addRoom(page, "Odd", "3 cubits");
  await expect(page.getByRole("alert")).toHaveText(/Can’t read “3 cubits”|isn’t a unit/);

  const humidity = page.getByRole("group", { name: "Indoor air" }).getByLabel("Humidity");
  await humidity.fill("140");
  await humidity.press("Enter");
  await expect(page.getByText("Humidity is 1% to 100%.")).toBeVisible();

  await phase(page, "Mix").click();
  const strength = page.getByRole("textbox", { name: "Strength" });
  await strength.fill("1:0");
  await strength.press("Enter");
  await expect(page.getByText("“1:0” can’t be mixed")).toBeVisible();

  await page.getByRole("button", { name: "Add sprayer" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("textbox", { name: "Name" }).fill("Empty can");
  await dialog.getByRole("textbox", { name: "Full to the brim" }).fill("1 L");
  await dialog.getByRole("textbox", { name: "Headspace for foam" }).fill("0.5 L");
  await dialog.getByRole("textbox", { name: "Left in bottom by pump" }).fill("0.5 L");
  await dialog.getByRole("button", { name: "Save sprayer" }).click();
  await expect(dialog.getByRole("alert")).toHaveText(/No usable volume after heel and head space/);
  await dialog.getByRole("textbox", { name: "Full to the brim" }).fill("1.1 L");
  await dialog.getByRole("textbox", { name: "Marks every" }).fill("50 ml");
  await dialog.getByRole("button", { name: "Save sprayer" }).click();
  // 100 ml usable at 1:16 takes 5.9 ml: fine at 5 ml marks, not at 10.
  await expect(dialog).toHaveCount(0);
  await page.getByLabel("Measured with").selectOption({ label: "Jug, 10 ml marks" });
  await expect(page.getByText(/less than one mark of the measure/)).toBeVisible();

  const after = await (await request.get(`/api${LIBRARY}`)).json();
  expect(after.job.rooms).toEqual(before.job.rooms);
  expect(after.job.indoor).toEqual(before.job.indoor);
  expect(after.job.batches[0].strength).toBeUndefined();
  expect(after.job.batches[0].measure).toBe(before.job.batches[0].measure);
});

test("a job nobody has is said, and so is one that can't be opened without a connection", async ({
  page,
  stack,
}) => {
  await page.goto("/jobs/01930000-0000-7000-8400-0000000000ff/survey");
  await expect(page.getByText("This job doesn’t exist.")).toBeVisible();
  await page.goto("/");
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await stack.stop();
  await page.goto("/jobs/01930000-0000-7000-8400-0000000000fe/survey");
  await expect(page.getByText(/You’re offline, and the job isn’t on this device yet/)).toBeVisible();
});

test("nothing is loaded from anywhere but here", async ({ page, stack }) => {
  const elsewhere: string[] = [];
  const faults: string[] = [];
  page.on("request", (request) => {
    if (
      !request.url().startsWith(stack.address) &&
      !request.url().startsWith("data:") &&
      !request.url().startsWith("blob:")
    )
      elsewhere.push(request.url());
  });
  page.on("console", (message) => message.type() === "error" && faults.push(message.text()));
  for (const path of ["/", `${FLAT}/dry`, "/api/docs/"]) {
    await page.goto(path);
    await page.waitForLoadState("networkidle");
  }
  await expect(page.getByText("/api/jobs/{jobId}").first()).toBeVisible();
  expect(elsewhere).toEqual([]);
  expect(faults).toEqual([]);
  expect(readFileSync(new URL("../../web/dist/index.html", import.meta.url), "utf8")).not.toMatch(
    /https?:\/\//,
  );
});
