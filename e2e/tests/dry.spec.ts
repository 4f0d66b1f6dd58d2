/** Readings and moves on Dry: the promise follows them, on the customer's page and on another phone too. */
import { expect, type Page } from "@playwright/test";
import { allSent, settledText } from "../support/device.ts";
import { test } from "../support/stack.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const FRONT = "01930000-0000-7000-8500-000000000007";
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };
test.use({ ...PHONE });

const head = (page: Page) => page.getByRole("region", { name: "Front bedroom" });
/** The hours a room's touch-dry time lies between, as said under it. */
const range = (page: Page) =>
  head(page)
    .getByText(/^\D*\d\d:\d\d ?– ?.*\d\d:\d\d$/)
    .first();

/** The range once it gets no better. */
const lastRange = (page: Page): Promise<string> => settledText(range(page));

async function logReading(page: Page, where: string, fill: Readonly<Record<string, string>>): Promise<void> {
  const form = page.getByRole("region", { name: "New entry" });
  await form.getByLabel("Room").selectOption({ label: "Front bedroom" });
  await form.getByText(where, { exact: true }).click();
  for (const [label, value] of Object.entries(fill)) await form.getByLabel(label).fill(value);
  await form.getByRole("button", { name: "Log entry" }).click();
  await expect(page.getByRole("region", { name: "What happened" })).toContainText(
    Object.values(fill)[0] ?? "",
  );
}

test("readings move the promise on both phones and on the customer's page; one that can't be is asked about and changes nothing", async ({
  page,
  browser,
  stack,
}) => {
  const customerPage = async () => {
    await page.goto(`${FLAT}/hand-over`);
    await page.getByRole("button", { name: "Show the customer" }).click();
    const said = await page.getByRole("dialog").getByRole("article").innerText();
    return /Front bedroom\s+(.+)\s+Dry about/.exec(said)?.[1];
  };
  const told = await customerPage();
  expect(told).toMatch(/\d\d:\d\d/);
  await page.goto(`${FLAT}/dry?room=${FRONT}`);
  await expect(head(page)).toContainText("Before your readings");
  const before = await lastRange(page);
  await page.goto(`${FLAT}/log`);
  // Much wetter than the meter would show by now.
  await logReading(page, "Cleaned carpet", { "Meter reading": "55%" });
  await logReading(page, "Room air", { Temperature: "19", Humidity: "62%" });
  await allSent(page);
  await page.goto(`${FLAT}/dry?room=${FRONT}`);
  await expect(range(page)).not.toHaveText(before);
  await expect(head(page)).toContainText(/(Wetter|Slower|Drying slower) than planned: about .+ later\./);
  const after = await lastRange(page);
  await expect.poll(customerPage, { timeout: 30_000 }).not.toBe(told);

  const other = await (await browser.newContext({ ...PHONE, baseURL: stack.address })).newPage();
  await other.goto(`${FLAT}/dry?room=${FRONT}`);
  await expect(range(other)).toHaveText(after, { timeout: 20_000 });
  await page.goto(`${FLAT}/log`);
  await logReading(page, "Cleaned carpet", { "Meter reading": "100%" });
  await allSent(page);
  await expect(other.getByText("One reading isn’t used.")).toBeVisible();
  await expect(other.getByText(/the end of its scale/)).toBeVisible();
  await expect(range(other)).toHaveText(after, { timeout: 20_000 });
});

test("gear moved while rooms dry counts from now: it is in the log, the rooms are sooner ready, and nothing is left to move", async ({
  page,
}) => {
  await page.goto(`${FLAT}/dry?room=${FRONT}`);
  const moves = page.getByRole("region", { name: "What to move" });
  await expect(moves.getByRole("listitem").first()).toContainText(/air mover|dehumidifier|window/i);
  await expect(moves).toContainText(/All rooms touch-dry about .+ sooner\./);
  await moves.getByRole("button", { name: "Done: update the plan" }).click();
  await expect(moves).toContainText("Nothing in the van makes it sooner.", { timeout: 20_000 });
  await allSent(page);
  const { entries } = await (await page.request.get(`/api${FLAT}/log`)).json();
  const changed = entries.filter((each: { kind: string }) => each.kind === "air-changed");
  expect(changed.length).toBeGreaterThan(0);
  await page.goto(`${FLAT}/log`);
  await expect(page.getByRole("region", { name: "What happened" })).toContainText("Drying changed");
});
