/** A job's price: by the crew's book, changed for one job, on two phones, with no signal. */
import { expect, type Page } from "@playwright/test";
import { onDevice } from "../support/device.ts";
import { test } from "../support/stack.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const total = (page: Page) =>
  page.getByText("Price", { exact: true }).locator("xpath=following-sibling::p[1]");
const lines = (page: Page) => page.getByRole("list", { name: "Lines" });
/** What the lines add up to, in pence, those left out not counted. */
const sumOf = async (page: Page) => {
  const texts = await lines(page).locator("li > button").allInnerTexts();
  return texts
    .filter((text) => !text.includes("left out"))
    .reduce((sum, text) => sum + Math.round(Number(/£([\d.]+)\s*$/.exec(text)?.[1]) * 100), 0);
};
const pence = async (page: Page) =>
  Math.round(Number((await total(page).innerText()).replace("£", "")) * 100);

test("a flat is priced from Survey and changed by two phones at once, one of them with no signal: both have all of it", async ({
  page,
  browser,
  stack,
}) => {
  await page.goto(`${FLAT}/survey`);
  await page.getByRole("link", { name: /^Price/ }).click();
  await expect(total(page)).toHaveText(/£\d/);
  expect(await pence(page)).toBe(await sumOf(page));
  const first = await pence(page);
  const other = await (
    await browser.newContext({ baseURL: stack.address, viewport: { width: 390, height: 844 } })
  ).newPage();
  await other.goto(`${FLAT}/price`);
  await expect(total(other)).toHaveText(await total(page).innerText());

  await page.context().setOffline(true);
  await page.getByRole("button", { name: "Protector" }).click();
  await expect(lines(page)).toContainText("Protector");
  await lines(page).getByRole("button", { name: /^Hall/ }).click();
  await page.getByRole("button", { name: "Leave out" }).click();
  await expect(lines(page).getByRole("button", { name: /^Hall.*left out/ })).toBeVisible();
  expect(await pence(page)).toBe(await sumOf(page));
  expect(await pence(page)).toBeGreaterThan(first);
  await expect.poll(async () => (await onDevice(page))?.waiting).toBe(1);

  await lines(other)
    .getByRole("button", { name: /^Lounge/ })
    .click();
  await other.getByLabel("Price of the line").fill("80");
  await other.getByLabel("Price of the line").press("Enter");
  await expect(
    lines(other).getByRole("button", { name: /^Lounge.*changed for this job.*£80.00/ }),
  ).toBeVisible();
  await other.getByLabel("Discount").fill("10%");
  await other.getByLabel("Discount").press("Enter");
  await expect(other.getByText(/ less £/)).toBeVisible();

  await page.context().setOffline(false);
  for (const phone of [page, other]) {
    await expect(lines(phone)).toContainText("Protector");
    await expect(lines(phone).getByRole("button", { name: /^Lounge.*£80.00/ })).toBeVisible();
    await expect(lines(phone).getByRole("button", { name: /^Hall.*left out/ })).toBeVisible();
    const sum = await sumOf(phone);
    await expect.poll(() => pence(phone)).toBe(sum - Math.round(sum / 10));
  }
});

test("a gap in the book, a discount over the price and a tax over 100% are named or refused, and earnings under the minimum are red", async ({
  page,
}) => {
  await page.goto(`${FLAT}/price`);
  const earns = page.getByRole("region", { name: "What it earns" });
  await expect(earns).toContainText("an hour");
  await page.getByLabel("Discount").fill("5000");
  await page.getByLabel("Discount").press("Enter");
  await expect(page.getByRole("alert")).toHaveText(/The discount is more than the price/);
  await page.getByLabel("Discount").fill("55%");
  await page.getByLabel("Discount").press("Enter");
  await expect(earns).toContainText("Below your minimum, £35.00");
  await page.getByRole("button", { name: "Price book" }).click();
  const book = page.getByRole("dialog");
  await book.getByLabel("Rate").fill("120%");
  await book.getByLabel("Rate").press("Enter");
  await expect(book.getByRole("alert")).toHaveText("Enter 0 to 100%.");
  // A room up to 6 m² at 35: the hall, whatever a m² costs.
  await book.getByLabel("Up to, m²").fill("6");
  await book.getByLabel("Up to, m²").press("Enter");
  await expect(book.getByLabel("Up to, m²")).toHaveCount(1);
  await book.getByLabel("For the room").fill("35");
  await book.getByLabel("For the room").press("Enter");
  await expect(book.getByLabel("Up to, m²")).toHaveCount(2);
  await book.getByLabel("Extraction").fill("");
  await book.getByLabel("Extraction").press("Enter");
  await book.getByRole("button", { name: "Close" }).click();
  await expect(page.getByText("No price for extraction", { exact: true })).toBeVisible();
  await expect(page.getByText(/3 lines are missing from the total/)).toBeVisible();
  await expect(lines(page).getByRole("button", { name: /^Hall.*£35.00/ })).toBeVisible();
  await expect(earns).toHaveCount(0);
  await page.getByRole("button", { name: "Add a line" }).click();
  await page.getByLabel("What for").fill("Whole flat");
  await page.getByRole("region", { name: "Add a line" }).getByLabel("Price").fill("150");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(lines(page)).toContainText("Whole flat");
});
