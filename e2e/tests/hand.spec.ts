/** In the technician's hand: few taps, Back that leads back, and a record that says what happened. */
import { expect, type Locator, type Page } from "@playwright/test";
import { allSent } from "../support/device.ts";
import { dyeTest } from "../support/dyeTest.ts";
import { test } from "../support/stack.ts";

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const phase = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Phases of the job" }).getByRole("link", { name });
const button = (page: Page | Locator, name: string | RegExp) =>
  page.getByRole("button", { name, exact: typeof name === "string" });
const region = (page: Page, name: string | RegExp) => page.getByRole("region", { name });
const logOf = async (page: Page, job: string) =>
  (await (await page.request.get(`/api${job}/log`)).json()).entries as Record<string, unknown>[];
const jobOf = (page: Page) => `/jobs/${page.url().split("/jobs/")[1]?.split("/")[0]}`;

/** A thumb that counts: one for each tap and each Enter, two for a list opened and chosen from; letters are typing. */
class Thumb {
  taps = 0;
  constructor(private readonly page: Page) {}
  async tap(where: Locator) {
    this.taps++;
    await where.click();
  }
  async choose(where: Locator, label: string) {
    this.taps += 2;
    await where.selectOption({ label });
  }
  async type(text: string) {
    await this.page.keyboard.type(text);
  }
  async enter() {
    this.taps++;
    await this.page.keyboard.press("Enter");
  }
}

test("a four-bedroom house with stairs and two fibres is surveyed, asked about, tested and ready to mix in 45 taps", async ({
  page,
}) => {
  const thumb = new Thumb(page);
  await page.clock.install();
  await page.goto("/");
  const began = Date.now();
  await thumb.tap(button(page, "New job"));
  await expect(page.getByLabel("Place")).toBeFocused();
  await thumb.type("6 Alder Court");
  await thumb.enter();
  await expect(page.getByRole("heading", { name: /6 Alder Court/ })).toBeVisible();

  const room = async (template: string, size?: string) => {
    await thumb.tap(button(page, `Add ${template}`));
    if (!size) return;
    // What is typed over the usual size is taken with the next tap.
    await expect(page.getByRole("textbox", { name: new RegExp(`^Size of ${template}`) })).toBeFocused();
    await thumb.type(size);
  };
  await room("Hall", "4.2 x 1.1");
  await room("Lounge", "5.2 x 3.9");
  await thumb.tap(page.getByLabel("Room", { exact: true }));
  await thumb.type("Dining room");
  await thumb.tap(page.getByLabel("Size, any unit", { exact: true }));
  await thumb.type("4 x 3.2");
  await thumb.enter();
  await room("Flight of 13");
  // Upstairs is guessed from the landing after the stairs, and asked once.
  await room("Landing", "3 x 1.2");
  await thumb.tap(region(page, "Add room").getByRole("radio", { name: "Upstairs" }));
  for (const size of ["3.6 x 3.1", "3.1 x 2.9", "4 x 3.5", "2.8 x 2.4"]) await room("Bedroom", size);
  await page.keyboard.press("Tab");
  await expect(page.getByRole("list").first().getByRole("listitem")).toHaveCount(9);
  await expect(page.getByRole("button", { name: "Area of Bedroom 4: show the calculation" })).toHaveText(
    "6.7 m²",
  );

  const all = region(page, "Set all rooms");
  await thumb.tap(all.getByRole("radio", { name: "Nylon" }));
  await thumb.tap(all.getByRole("radio", { name: "3", exact: true }));
  await thumb.tap(all.getByRole("radio", { name: "One open" }));
  await thumb.tap(all.getByRole("radio", { name: "Same carpet" }));
  await thumb.tap(all.getByRole("radio", { name: "Some" }));
  await thumb.tap(button(all, "Lounge"));
  await thumb.tap(button(all, "Dining room"));
  await thumb.tap(all.getByRole("radio", { name: "Wool" }));
  await thumb.tap(all.getByRole("radio", { name: "Same carpet" }));
  await thumb.choose(page.getByLabel("Last cleaned"), "1–3 years ago");
  for (const [question, answer] of [
    [/^DIY cleaner/, "No"],
    ["Pets?", "Yes"],
    [/^Urine accidents/, "No"],
  ] as const)
    await thumb.tap(page.getByRole("radiogroup", { name: question }).getByRole("radio", { name: answer }));

  await thumb.tap(button(page, "Lounge").first());
  await thumb.tap(page.getByRole("radio", { name: "Spots" }));
  await thumb.tap(button(page, "+ Add spot in the middle"));
  await thumb.choose(page.getByLabel("What caused it"), "Coffee, tea");
  await thumb.tap(button(page.getByRole("dialog"), "Close"));
  await thumb.tap(button(page, "Close room"));

  await thumb.tap(phase(page, "Mix"));
  // Wool doesn't take what the nylon gets: the next mix is for its rooms and starts from what suits them.
  await thumb.tap(button(page, "Add a mix for Lounge, Dining room"));
  const wool = region(page, /wool/i);
  await expect(wool.getByRole("article")).toContainText("Lounge");
  await expect(page.getByRole("alert")).toHaveCount(0);
  await expect(page.getByText("Which fibre is")).toHaveCount(0);
  await expect(page.getByRole("article", { name: /^Fill 1 of/ })).toHaveCount(2);
  for (const tests of [2, 1]) {
    await expect(button(page, "Do the dye test")).toHaveCount(tests);
    await thumb.tap(button(page, "Do the dye test").first());
    await thumb.tap(button(page, "Inside closet"));
    await thumb.tap(button(page, "Start the 30 s"));
    await page.clock.fastForward(31_000);
    await thumb.tap(button(page, "No colour"));
  }
  await expect(button(page, "Mark as mixed")).toHaveCount(2);
  const seconds = (Date.now() - began) / 1000;
  console.log(`house: ${thumb.taps} taps, ${seconds.toFixed(0)} s of script`);
  expect(thumb.taps).toBeLessThanOrEqual(45);
  expect(seconds).toBeLessThan(150);

  await allSent(page);
  const { job } = await (await page.request.get(`/api${jobOf(page)}`)).json();
  const levels = Object.fromEntries(
    job.rooms.map(({ name, level = 0 }: { name: string; level?: number }) => [name, level]),
  );
  const mixes = new Map<string, string>(
    job.rooms.map(({ name, batchId }: { name: string; batchId: string }) => [name, batchId]),
  );
  expect(mixes.get("Dining room")).toBe(mixes.get("Lounge"));
  expect(mixes.get("Lounge")).toBe(job.batches[1].id);
  expect(levels).toMatchObject({
    Hall: 0,
    Lounge: 0,
    "Dining room": 0,
    Landing: 1,
    Bedroom: 1,
    "Bedroom 4": 1,
  });
});

test("Back closes what lies on top before it leaves, a room has its neighbours at hand, and a copy its door", async ({
  page,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  await page.getByRole("button", { name: "Reading room B", exact: true }).click();
  const room = region(page, "Reading room B");
  await expect(room).toBeInViewport();
  await button(page, /^Next room/).click();
  await button(page, /^Previous room/).click();
  await expect(room).toBeVisible();
  await page.getByRole("radio", { name: "Spots" }).click();
  await button(page, "+ Add spot in the middle").click();
  await expect(page.getByRole("dialog")).toHaveCount(1);
  await page.goBack();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await expect(room).toBeVisible();
  await page.goBack();
  await expect(room).toHaveCount(0);
  await expect(region(page, "Add room")).toBeVisible();
  await expect(page).toHaveURL(/\/survey$/);

  const doors = async () =>
    (await (await page.request.get(`/api${LIBRARY}`)).json()).job.doors as { to?: string }[];
  const before = await doors();
  await page.getByRole("button", { name: "Reading room B", exact: true }).click();
  await page.getByRole("radio", { name: "Size" }).click();
  await button(page, "Copy").click();
  await expect(region(page, "Reading room B, copy")).toBeVisible();
  await expect.poll(async () => (await doors()).length).toBe(before.length + 1);

  // A side no house has is asked about, and what was said of it leaves with the field.
  await page.goBack();
  await page.getByLabel("Size, any unit").fill("120 x 80");
  await page.getByLabel("Size, any unit").press("Enter");
  await expect(page.getByText(/Is a side of 120\sm right\?/)).toBeVisible();
  await page.getByLabel("Temperature").first().focus();
  await expect(page.getByText(/Is a side of/)).toHaveCount(0);
});

test("the record stays true: names, fills, strengths over the label, slips and rooms taken out", async ({
  page,
}) => {
  await page.clock.install();
  await page.goto("/");
  await button(page, "New job").click();
  await page.getByLabel("Place").fill("2 Mill Bank");
  await page.getByLabel("Place").press("Enter");
  for (const [name, size] of [
    ["Snug", "3 x 3"],
    ["Study", "4 x 3"],
  ] as const) {
    await page.getByLabel("Room", { exact: true }).fill(name);
    await page.getByLabel("Size, any unit").fill(size);
    await page.getByLabel("Size, any unit").press("Enter");
  }
  const job = jobOf(page);
  await page.getByRole("radio", { name: "Nylon" }).click();
  await page.getByRole("radio", { name: "Same carpet" }).click();
  await phase(page, "Mix").click();
  const product = await page.getByLabel("Product", { exact: true }).locator("option:checked").innerText();
  await dyeTest(page, "Under the stairs");

  // More than the label allows is said first and logged with who answers for it.
  await page.getByLabel("I used other amounts, or mixed it earlier").check();
  await page.getByLabel("Concentrate", { exact: true }).fill("900 ml");
  await page.getByLabel("Concentrate", { exact: true }).press("Enter");
  await expect(page.getByText(`Stronger than the ${product} label allows.`)).toBeVisible();
  await button(page, "Mark as mixed").click();
  await page.getByLabel("Owner’s name").fill("Mira");
  await page.getByLabel("Reason").fill("Caked entrance, tried in the corner");
  await button(page, "I take responsibility").click();
  await expect
    .poll(async () => (await logOf(page, job)).at(-1))
    .toMatchObject({ kind: "fill-made", aboveLabel: { owner: "Mira" } });

  // A fill stays what it was: another product makes new fills to do.
  await expect(page.getByText(/^Mixed at/)).toBeVisible();
  await button(region(page, product), /Change$/).click();
  await page.getByLabel("Product", { exact: true }).selectOption({ label: "Teasel wool pre-spray" });
  await expect(page.getByText(new RegExp(`Already mixed: ${product}`))).toBeVisible();
  await expect(page.getByText(/^Mixed at/)).toHaveCount(0);

  // A slip is taken back within ten seconds without a word; after that it is a correction.
  await phase(page, "Dry").click();
  await button(page, "Mark room finished").click();
  await expect(page.getByText("Logged: room finished")).toBeVisible();
  await button(page, "Undo").click();
  await expect(button(page, "Mark room finished")).toBeVisible();
  await button(page, "Mark room finished").click();
  await page.clock.fastForward(11_000);
  await expect(button(page, "Undo")).toHaveCount(0);

  // A room that was worked goes only after a question, and its name stays; so does the one it had when it was written.
  await phase(page, "Survey").click();
  const finished = (await logOf(page, job)).findLast(({ kind }) => kind === "room-finished") as {
    roomId: string;
    names: Record<string, string>;
  };
  const name = finished.names[finished.roomId] as string;
  await page.getByRole("button", { name, exact: true }).click();
  await page.getByLabel("Name").fill("Den");
  await page.getByLabel("Name").press("Enter");
  await button(page, "Remove").click();
  await expect(page.getByRole("dialog")).toContainText("The log stays");
  await button(page, "Remove room").click();
  await phase(page, "Log").click();
  await expect(page.getByRole("listitem").filter({ hasText: "Room finished" })).toContainText(
    `${name}, now Den`,
  );
  await button(page, /^Show \d+ undone/).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Undone" })).toHaveCount(1);
});
