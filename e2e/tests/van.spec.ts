/** The van as it is: one hand sprayer for wool and tile, and floors that take their own mix. */
import { expect, type Page } from "@playwright/test";
import { now, step } from "../support/card.ts";
import { allSent } from "../support/device.ts";
import { dyeTest } from "../support/dyeTest.ts";
import { test } from "../support/stack.ts";

const id = (kind: string, n: number) => `01930000-0000-7000-8${kind}00-${n.toString(16).padStart(12, "0")}`;
const JOB = id("4", 0xaa);
const [MEADOW, TEASEL, TILE_WASH, HAND_SPRAYER] = [id("2", 1), id("2", 2), id("2", 9), id("3", 3)];
const room = (n: number, name: string, more: object) => ({
  id: id("5", 0xaa0 + n),
  name,
  shape: { kind: "rectangle", length: 3, width: 2 },
  ...more,
});
const mix = (n: number, productId: string) => ({
  id: id("6", 0xaa0 + n),
  productId,
  vesselId: HAND_SPRAYER,
  measure: 5e-6,
});
const door = (n: number, to?: number) => ({
  id: id("8", 0xaa0 + n),
  from: id("5", 0xaa0 + n),
  ...(to === undefined ? {} : { to: id("5", 0xaa0 + to) }),
});

/** Wool, tile, wool, each left through the next, both mixes in one hand sprayer. */
const WOOL_TILE_WOOL = {
  id: JOB,
  siteId: id("1", 1),
  title: "Study, kitchen, hall",
  day: "2026-03-10",
  startsAt: "09:00",
  rooms: [
    room(1, "Study", { fibre: "wool", batchId: id("6", 0xaa1) }),
    room(2, "Kitchen", { covering: "ceramic", batchId: id("6", 0xaa2) }),
    room(3, "Hall", { fibre: "wool", batchId: id("6", 0xaa1) }),
  ],
  doors: [door(1, 2), door(2, 3), door(3)],
  batches: [mix(1, TEASEL), mix(2, TILE_WASH)],
};

async function put(page: Page): Promise<void> {
  const answer = await page.request.put(`/api/jobs/${JOB}`, {
    data: { baseVersion: 0, job: WOOL_TILE_WOOL },
  });
  expect([200, 201]).toContain(answer.status());
}
const rinses = (page: Page) => page.getByRole("button", { name: "Rinse the sprayer" });

test("wool, tile, wool with one hand sprayer: two rinses; with a second one, none", async ({ page }) => {
  await put(page);
  await page.goto(`/jobs/${JOB}/run`);
  await page.getByText("Step list").click();
  await expect(rinses(page)).toHaveCount(2);
  const advice = page.getByText(/saves 2 rinses, 9\smin/);
  await expect(advice).toBeVisible();
  // The fill that follows says so too, for whoever mixes without looking at the steps.
  await page.getByRole("link", { name: "Mix", exact: true }).click();
  await expect(page.getByText(/^Empty and rinse Hand sprayer, 2 L before this fill/).first()).toBeVisible();
  await page.getByRole("link", { name: "Run", exact: true }).click();
  await page.getByText("Step list").click();
  await page.getByRole("button", { name: "Use this", exact: true }).click();
  await expect(advice).toHaveCount(0);
  await expect(rinses(page)).toHaveCount(0);
});

/** Tests carpet and tile for their mixes and starts the job. */
async function testAndStart(page: Page): Promise<void> {
  await page.clock.install();
  await put(page);
  await page.goto(`/jobs/${JOB}/mix`);
  // Nothing is mixed for the tile before one of it was tried.
  const todo = page.getByText("To do: test one tile with Thistle tile wash.");
  await expect(todo).toBeVisible();
  await dyeTest(page, "Behind the door");
  await page.getByRole("button", { name: "Test one tile" }).click();
  const test = page.getByRole("dialog", { name: "Tile test: Thistle tile wash" });
  await test.getByRole("button", { name: "Start the 5 min" }).click();
  await expect(test.getByRole("button", { name: "No change" })).toBeDisabled();
  await page.clock.fastForward(301_000);
  await test.getByLabel("Which tile").fill("Corner by the window");
  await test.getByRole("button", { name: "No change" }).click();
  await expect(todo).toHaveCount(0);
  await allSent(page); // shown at once, kept a moment later: the page is left only then
  await page.goto(`/jobs/${JOB}/run`);
  await page.getByRole("button", { name: "Start job" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Move to now and start" }).click();
}

/** Works the card until a step of this name has been next so many times; the names seen. */
async function workUntil(page: Page, wanted: RegExp, times: number): Promise<string[]> {
  const seen: string[] = [];
  for (let taps = 0; taps < 60; taps++) {
    await page.clock.fastForward(2000);
    const name = await step(page).innerText();
    if (seen.at(-1) !== name) seen.push(name);
    if (wanted.test(name) && seen.filter((each) => wanted.test(each)).length === times) break;
    const amounts = now(page).getByRole("button", { name: "Show amounts" });
    if (await amounts.isVisible()) {
      await amounts.click();
      await page.getByRole("dialog").getByRole("button", { name: "Mark as mixed" }).click();
      await expect(page.getByRole("dialog")).toHaveCount(0);
      continue;
    }
    await now(page)
      .getByRole("button", { name: /^(Start|Done)$/ })
      .click();
    const wait = page.getByRole("dialog").getByRole("button", { name: "Wait", exact: true });
    await page.waitForTimeout(150);
    if (await wait.isVisible()) {
      await wait.click();
      await page.clock.fastForward(600_000);
    }
  }
  return seen;
}

test("the rinse is a step on the card, with what is poured out and why twice", async ({ page }) => {
  await testAndStart(page);
  await workUntil(page, /^Rinse/, 2);
  await expect(step(page)).toHaveText("Rinse the sprayer, Hand sprayer, 2 L");
  await expect(now(page)).toContainText(/Empty it first: about .+ is left/);
  await expect(now(page)).toContainText("Then rinse it twice with clean water.");
  await expect(now(page)).toContainText("can harm wool, plant fibre or stone");
});

test("the tile's mix made first by mistake: poured out and rinsed twice before the wool's, and made anew for the tile", async ({
  page,
}) => {
  await testAndStart(page);
  await page.getByRole("link", { name: "Mix", exact: true }).click();
  const tile = page.getByRole("region", { name: /Thistle tile wash/ });
  await tile.getByRole("button", { name: "Mark as mixed" }).click();
  await page.getByRole("link", { name: "Run", exact: true }).click();
  const seen = await workUntil(page, /^Mix fill.*Thistle/, 1);
  const sprayer = seen
    .filter((name) => /^(Rinse|Mix|Spray)/.test(name))
    .map((name) => name.split(/,| and /)[0]);
  expect(sprayer.slice(0, 3)).toEqual(["Rinse the sprayer", "Mix fill 1", "Spray"]);
  expect(seen.at(-1)).toMatch(/Thistle/);
  // Mix shows what the card asks for: the fill that was poured out is to mix again.
  await page.getByRole("link", { name: "Mix", exact: true }).click();
  await expect(tile.getByRole("button", { name: "Mark as mixed" })).toBeVisible();
});

test("a ceramic kitchen and a marble hall: the right product is offered, the wrong one stopped", async ({
  page,
}) => {
  await put(page);
  await page.goto(`/jobs/${JOB}/survey?room=${id("5", 0xaa1)}&part=floor`);
  const floor = page.getByRole("region", { name: "Study" });
  // A carpet that turns out to be tile leaves the wool's mix for the tile wash.
  await floor.getByLabel("Floor type", { exact: true }).selectOption({ label: "Ceramic tile" });
  await expect(floor.getByLabel("Mix", { exact: true }).locator("option:checked")).toHaveText(
    "Thistle tile wash",
  );
  // On marble the alkaline wash is a stop, and nothing of it is mixed.
  await floor
    .getByLabel("Floor type", { exact: true })
    .selectOption({ label: "Marble, limestone, unknown stone" });
  await page.getByRole("link", { name: "Mix", exact: true }).click();
  await expect(page.getByText(/strips the sealer/).first()).toBeVisible();
});

test("a job opened an hour late: Today says so, its times count from now, and the next job it runs into is named", async ({
  page,
}) => {
  await page.clock.install({ time: new Date(`${WOOL_TILE_WOOL.day}T10:03`) });
  await put(page);
  const next = { ...WOOL_TILE_WOOL, id: id("4", 0xaa2), title: "Next carpets", startsAt: "10:30" };
  const answer = await page.request.put(`/api/jobs/${next.id}`, { data: { baseVersion: 0, job: next } });
  expect([200, 201]).toContain(answer.status());
  await page.goto("/");
  const row = page.getByRole("listitem").filter({ hasText: WOOL_TILE_WOOL.title }).first();
  await expect(row).toContainText(/Not started: 1\sh late\. Times count from now\./);
  await expect(row).toContainText(/Overlaps .+, 10:30: this job ends about 1\d:\d\d\./);
  await row.getByRole("link").click();
  await page.getByRole("link", { name: "Run", exact: true }).click();
  await expect(page.getByText(/Not started: 1\sh late/)).toBeVisible();
  await page.getByText("Step list").click();
  await expect(page.getByRole("table").getByRole("row").nth(1)).toContainText("10:00");
  // Nobody has sprayed anything: the floor is shown as it is.
  await expect(page.getByRole("heading", { name: "Floor at 10:00" })).toBeVisible();
  await page.getByRole("button", { name: "Start job" }).click();
  await expect(page.getByRole("region", { name: "Now" })).toBeVisible();
  await expect(page.getByText(/Not started/)).toHaveCount(0);
});

test("cat urine: found, treated with its own bottle in the run, and told to dry later", async ({ page }) => {
  await page.clock.install();
  await put(page);
  const spot = {
    id: id("9", 0xaa1),
    roomId: id("5", 0xaa1),
    ...{ x: 0.5, y: 0.5, across: 0.4, origin: "urine", known: "told", nature: "not-sure", age: "old" },
  };
  const nylon = [room(1, "Study", { fibre: "nylon" })];
  const job = { ...WOOL_TILE_WOOL, rooms: nylon, doors: [door(1)], spots: [spot], batches: [mix(1, MEADOW)] };
  const answer = await page.request.put(`/api/jobs/${JOB}`, { data: { baseVersion: 1, job } });
  expect([200, 201]).toContain(answer.status());
  await page.goto(`/jobs/${JOB}/survey?room=${id("5", 0xaa1)}&part=spots`);
  await page.getByRole("button", { name: /Urine/ }).last().click();
  const dialog = page.getByRole("dialog", { name: "Urine in Study" });
  // 0.4 m across is 0.126 m² seen, four times that to treat, a litre on each square metre.
  await expect(dialog).toContainText(/Odour treatment after cleaning: 0\.5\sm² with Yarrow/);
  await expect(dialog).toContainText(/It takes 0\.5\sL/);
  await expect(dialog).toContainText("Clean the room first");
  await dialog.getByRole("button", { name: "Log product used" }).click();
  await expect(dialog.getByText("Use logged.")).toBeVisible();
  await page.goto(`/jobs/${JOB}/run`);
  await page.getByText("Step list").click();
  await expect(page.getByRole("table")).toContainText("Odour");
  await page.getByRole("link", { name: "Dry", exact: true }).click();
  await expect(page.getByText(/soaked for odour/)).toContainText("keep off it until then");
});
