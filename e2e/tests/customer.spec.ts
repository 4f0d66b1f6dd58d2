/** What the customer sees: a quote accepted offline, what changed since, and the page handed over at the end. */
import { type Browser, expect, type Locator, type Page } from "@playwright/test";
import { onDevice, settledText } from "../support/device.ts";
import { pdfText, unspaced } from "../support/pdf.ts";
import { type Stack, test } from "../support/stack.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const GUESTHOUSE = "/jobs/01930000-0000-7000-8400-000000000004";
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };
test.use({ ...PHONE, serviceWorkers: "allow" });

const otherPhone = async (browser: Browser, stack: Stack) =>
  (await browser.newContext({ ...PHONE, baseURL: stack.address })).newPage();

/** Draws in the signature field. */
async function sign(page: Page, sheet: Locator): Promise<void> {
  const field = sheet.getByRole("img", { name: "Signature, if you like" });
  await field.scrollIntoViewIfNeeded();
  const box = await field.boundingBox();
  if (!box) throw new Error("no field to sign in");
  await page.mouse.move(box.x + 30, box.y + 80);
  await page.mouse.down();
  for (let i = 1; i <= 20; i++) await page.mouse.move(box.x + 30 + 8 * i, box.y + 80 + 30 * Math.sin(i));
  await page.mouse.up();
  await expect(sheet.getByRole("button", { name: "Clear" })).toBeVisible();
}

/** The PDF of the page in sight says what the page says, in the same order. */
async function expectSamePdf(page: Page, sheet: Locator): Promise<void> {
  const download = page.waitForEvent("download");
  await sheet.getByRole("button", { name: "PDF" }).click();
  const text = unspaced(await pdfText(await download));
  expect(text).toBe(unspaced(await sheet.getByRole("article").innerText()));
}

test("three offers are quoted offline and one is accepted: it holds on both phones whatever the price book says, and a spot added later is shown as a change", async ({
  page,
  browser,
  stack,
}) => {
  await page.goto(`${GUESTHOUSE}/quote`);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  const offers = page.getByRole("list", { name: "Offers" }).getByRole("listitem");
  await expect(offers).toContainText("Earns an hour");
  await page.context().setOffline(true);
  for (const count of [2, 3]) {
    await page.getByRole("button", { name: "Add an offer" }).click();
    await expect(offers).toHaveCount(count);
    await expect(offers.last()).toContainText("£");
  }
  await page.getByRole("button", { name: "Show the customer" }).click();
  const sheet = page.getByRole("dialog");
  await expect(sheet).toContainText("Three ways to do it");
  await expect(sheet).not.toContainText(/earns|an hour/i);
  await expectSamePdf(page, sheet);
  await sheet.getByRole("button", { name: /^Accept/ }).click();
  await expect(sheet).toContainText("Enter the name of the person who accepts.");
  await sheet.getByRole("radio", { name: /^Low moisture/ }).click();
  await sheet.getByLabel("Your name").fill("Rowan Ashby");
  await sign(page, sheet);
  const accept = sheet.getByRole("button", { name: /^Accept £/ });
  const agreed = ((await accept.innerText()).match(/£[\d.]+/) ?? [""])[0];
  await accept.click();
  await expect(sheet).toContainText("accepted by Rowan Ashby");
  await expect(sheet.getByRole("img", { name: "Signature" })).toBeVisible();
  await sheet.getByRole("button", { name: "Close" }).click();
  const status = page.getByRole("region", { name: "Latest quote" });
  await expect(status).toContainText(`Low moisture, ${agreed}: accepted by Rowan Ashby`);
  await expect(status).not.toContainText("Changed since");

  await page.context().setOffline(false);
  await expect.poll(async () => (await onDevice(page))?.waiting).toBe(0);
  const other = await otherPhone(browser, stack);
  await other.goto(`${GUESTHOUSE}/price`);
  await expect(other.getByText(/^Prices held by quote .*accepted by Rowan Ashby\.$/)).toBeVisible();
  await other.getByRole("button", { name: "Price book" }).click();
  const book = other.getByRole("dialog");
  await book.getByLabel("Low moisture").fill("9");
  await book.getByLabel("Low moisture").press("Enter");
  await book.getByRole("button", { name: "Close" }).click();
  await expect(other.getByText(agreed, { exact: true })).toBeVisible();

  await page.goto(`${GUESTHOUSE}/survey?room=01930000-0000-7000-8500-000000000011&part=spots`);
  await page.getByRole("button", { name: "+ Add spot in the middle" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Close" }).click();
  await expect
    .poll(async () => (await (await page.request.get(`/api${GUESTHOUSE}`)).json()).job.spots.length)
    .toBe(2);
  for (const phone of [page, other]) {
    await phone.goto(`${GUESTHOUSE}/quote`);
    await expect(phone.getByText("Changed since Rowan Ashby accepted")).toBeVisible();
    await expect(phone.getByRole("list", { name: "Changes" })).toContainText(/Spots.*£6.00 → £12.00/);
  }
});

test("a flat is handed over offline with a signature: the PDF says what the page says, and the other phone has it", async ({
  page,
  browser,
  stack,
}) => {
  await page.goto(`${FLAT}/hand-over`);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await page.context().setOffline(true);
  await page.getByLabel("Wet-floor signs up").check();
  const payment = page.getByRole("region", { name: "Payment" });
  await payment.getByLabel("Amount received").fill("79.27");
  await payment.getByLabel("Amount received").press("Enter");
  await payment.getByRole("button", { name: "Card" }).click();
  await expect(payment).toContainText(/Left to pay\s*£200.00/);
  await page.getByRole("button", { name: "Show the customer" }).click();
  const sheet = page.getByRole("dialog");
  await expect(sheet.getByRole("article")).toContainText("Walk on in socks from about");
  await expect(sheet.getByRole("article")).not.toContainText(/Marlow Lane.*an hour|earn/i);
  await sheet.getByLabel("Your name").fill("Łucja Ødegård");
  await sign(page, sheet);
  await sheet.getByRole("button", { name: "Hand over" }).click();
  await expect(sheet.getByRole("article")).toContainText("Łucja Ødegård, ");
  await settledText(sheet.getByRole("article"));
  await expectSamePdf(page, sheet);
  await sheet.getByRole("button", { name: "Close" }).click();
  await page.getByRole("region", { name: "Second look" }).getByRole("button", { name: "All well" }).click();
  await expect(page.getByRole("region", { name: "Second look" })).not.toContainText("Lounge");

  const other = await otherPhone(browser, stack);
  await other.goto(`${FLAT}/hand-over`);
  await expect(other.getByRole("heading", { name: "Payment" })).toBeVisible();
  await page.context().setOffline(false);
  await expect(other.getByText("Handed over to Łucja Ødegård")).toBeVisible();
  await expect(other.getByLabel("Wet-floor signs up")).toBeChecked();
  await expect(other.getByRole("region", { name: "Payment" })).toContainText("£200.00");
});
