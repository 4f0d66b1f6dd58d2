/** What the last weeks came to, from the server's record and from this device's. */
import { readFile } from "node:fs/promises";
import { expect } from "@playwright/test";
import Papa from "papaparse";
import { test } from "../support/stack.ts";

test("the weeks tell which job earned least and why, and what keeps coming back; the table says the same; a callback counts at once", async ({
  page,
}) => {
  await page.goto("/week?days=28");
  await expect(page.getByText("Olefin with low moisture: 3 of 4 jobs came back")).toBeVisible();
  await expect(
    page.getByText(/^14 Harbour Terrace earned least: .* It took longer than planned/),
  ).toBeVisible();
  const jobs = page.getByRole("list", { name: "Jobs" }).getByRole("link");
  await expect(jobs).toHaveCount(8);
  const totals = page.getByRole("region", { name: "Totals" });
  await expect(totals).toContainText(/Came back\s*3 of 7 jobs/);

  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export as a table (CSV)" }).click();
  const text = await readFile(await (await download).path(), "utf8");
  const { data } = Papa.parse<Record<string, string>>(text, { header: true });
  expect(data).toHaveLength(8);
  const done = data.filter((row) => row.Done === "yes");
  const sum = (column: string) =>
    done.reduce((total, row) => total + Math.round(100 * Number(row[column])), 0);
  const shown = async (name: string) =>
    Math.round(
      100 *
        Number((await totals.innerText()).match(new RegExp(`${name}\\s*£([\\d,.]+)`))?.[1]?.replace(",", "")),
    );
  expect(sum("Total")).toBe(await shown("Price, total"));
  expect(sum("Left after costs")).toBe(await shown("Left after costs"));

  // The customer of the clinic calls: it is one more, without a reload.
  await page.goto("/jobs/01930000-0000-7000-8400-000000000003/hand-over");
  await page.getByRole("button", { name: "Something came back" }).click();
  await page.getByLabel("Room").selectOption("Waiting room");
  await page.getByRole("button", { name: "Wicked back" }).click();
  await page.getByRole("link", { name: "Week" }).click();
  await page.getByRole("radio", { name: "4 weeks" }).click();
  await expect(totals).toContainText(/Came back\s*4 of 7 jobs/);
});
