/** Customers and places: rooms from the last visit, what is asked again a year on, and a person deleted everywhere. */
import { readFile } from "node:fs/promises";
import { expect, type Page } from "@playwright/test";
import { onDevice } from "../support/device.ts";
import { test } from "../support/stack.ts";

const TERRACE = "/places/01930000-0000-7000-8100-000000000005";
const JOB = "/jobs/01930000-0000-7000-8400-000000000005";
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };
test.use(PHONE);

const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** A job at the terrace in some days, with the rooms of the last visit. */
async function jobFromLastVisit(page: Page, days: number): Promise<void> {
  await page.goto(TERRACE);
  await page.getByRole("button", { name: "New job here" }).click();
  await page.getByLabel("Day", { exact: true }).fill(inDays(days));
  await page.getByRole("button", { name: "Create job" }).click();
  await page.getByRole("button", { name: "Use its 2 rooms" }).click();
  await expect(page.getByText(/^From the visit of/)).toHaveCount(2);
}

test("a job at a known place starts from the rooms of its last visit; a dye test counts for a year and is then asked for again", async ({
  page,
}) => {
  await jobFromLastVisit(page, 1);
  const last = page.getByRole("region", { name: "Last visit" });
  await last.getByRole("button", { name: "Show" }).click();
  await expect(last).toContainText(/Products\s*Sedge encapsulant 1:/);
  await expect(page.getByText("To do: dye test")).toHaveCount(0);

  await jobFromLastVisit(page, 400);
  await expect(page.getByText("To do: dye test")).toHaveCount(2);
});

test("places are found by any word, but not by the code of their key safe, which shows only when it is asked for and is in no file", async ({
  page,
}) => {
  await page.goto("/places");
  const places = page.getByRole("list", { name: "Places" }).getByRole("listitem");
  await expect(places).toHaveCount(7);
  await page.getByLabel("Find").fill("calloway quay");
  await expect(places).toHaveCount(1);
  await page.getByLabel("Find").fill("4071");
  await expect(places).toHaveCount(0);
  await page.getByLabel("Find").fill("");
  const saved = async (button: string) => {
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: button }).click();
    return readFile(await (await download).path(), "utf8");
  };
  for (const text of [await saved("Table (CSV)"), await saved("Cards (vCard)")]) {
    expect(text).toContain("Wren Calloway");
    expect(text).not.toContain("4071");
  }
  await places.getByRole("link", { name: /14 Harbour Terrace/ }).click();
  await expect(page.getByLabel("Address")).toHaveValue("14 Harbour Terrace, Quillhaven");
  await expect(page.locator("main")).not.toContainText("4071");
  await page.getByRole("button", { name: "Show the key safe code" }).click();
  await expect(page.getByLabel("Key safe code")).toHaveValue("4071");
});

test("a customer deleted on one phone is gone on the other, also where it was offline and had just changed them; the job’s figures stay", async ({
  page,
  browser,
  stack,
}) => {
  const other = await (await browser.newContext({ ...PHONE, baseURL: stack.address })).newPage();
  await other.goto(`${JOB}/hand-over`);
  await expect(other.getByText("Handed over to Wren Calloway")).toBeVisible();
  await other.goto(TERRACE);
  await expect(other.getByLabel("Customer’s name")).toHaveValue("Wren Calloway");
  await other.context().setOffline(true);
  await other.getByLabel("Phone").fill("01632 960 555");
  await other.getByLabel("Phone").press("Enter");
  await expect.poll(async () => (await onDevice(other))?.waiting).toBe(1);

  await page.goto(TERRACE);
  await page.getByRole("button", { name: "Delete this customer" }).click();
  await page.getByRole("button", { name: "Delete for good" }).click();
  await expect(page.getByText("The customer was deleted.")).toBeVisible();
  await expect(page.getByRole("heading", { level: 1, name: "No name" })).toBeVisible();
  await expect.poll(async () => (await onDevice(page))?.waiting).toBe(0);

  await other.context().setOffline(false);
  await expect(other.getByText("The customer was deleted.")).toBeVisible();
  await expect(other.getByRole("link", { name: /Lounge and landing/ })).toBeVisible();
  await expect.poll(async () => (await onDevice(other))?.waiting).toBe(0);
  for (const phone of [page, other]) {
    await phone.goto(`${JOB}/hand-over`);
    await expect(phone.getByText("Handed over to No name")).toBeVisible();
    await expect
      .poll(async () => (await onDevice(phone))?.rows)
      .not.toMatch(/calloway|01632 960 (114|555)|harbour terrace/i);
  }
});
