/** The whole of a crew: taken along as a zip, brought into an empty crew, deleted, kept. */
import { readFile } from "node:fs/promises";
import { expect, type Page } from "@playwright/test";
import { test } from "../support/stack.ts";

test.describe.configure({ timeout: 120_000 });

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const PHOTO = "01930000-0000-7000-8500-0000000009a1";

const answer = async (page: Page, path: string) => (await page.request.get(`/api${path}`)).json();

/** What a crew has, by everything that isn't about who wrote or imported it. */
async function whole(page: Page) {
  const file = await answer(page, "/crew/data");
  const nameless = (entry: object) => ({
    ...entry,
    by: undefined,
    importedBy: undefined,
    confirmed: undefined,
  });
  const logs = file.jobs.map(({ job, log }: { job: object; log: object[] }) => ({
    job,
    log: log.map(nameless),
  }));
  const { used } = await answer(page, "/stock");
  const { photos } = await answer(page, `${FLAT}/photos`);
  return {
    ...file,
    jobs: logs,
    crew: undefined,
    used: used.toSorted((a: object, b: object) => JSON.stringify(a).localeCompare(JSON.stringify(b))),
    photos: photos.map(({ id, takenAt, by }: Record<string, unknown>) => ({ id, takenAt, by })),
  };
}

async function startCrew(page: Page, name: string): Promise<void> {
  await page.goto("/start");
  await page.getByLabel("Name of the crew").fill(name);
  await page.getByLabel("Your name").fill("Ana");
  await page.getByLabel("Email").fill("ana@example.test");
  await page.getByLabel("Password", { exact: true }).fill("four words easy to type");
  await page.getByRole("button", { name: "Start crew" }).click();
  await expect(page.getByText("No jobs yet.")).toBeVisible();
}

test("all of a crew goes out as a zip and into an empty crew, also in two goes; a crew is deleted by its name, and kept", async ({
  page,
  browser,
  stack,
}) => {
  await page.goto("/crew");
  await page.request.put(`/api${FLAT}/photos/${PHOTO}?moment=before&takenAt=2026-03-10T09:00:00.000Z`, {
    headers: { "content-type": "image/jpeg" },
    data: Buffer.from(await jpegOf(page)),
  });
  const before = await whole(page);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Export all crew data" }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^scutch-crew-.*\.zip$/);
  const zip = await readFile(await file.path());

  await startCrew(page, "Two Rivers");
  await page.goto("/crew");
  const data = page.locator("section", { has: page.getByRole("heading", { name: "Crew data" }) });
  const give = (name: string, buffer: Buffer) =>
    data.locator("input[type=file]").setInputFiles({ name, mimeType: "application/zip", buffer });
  await give("notes.zip", Buffer.from("not a zip"));
  await expect(data.getByRole("status")).toContainText("This isn’t a Scutch crew zip, or it’s damaged");
  await give("half.zip", zip.subarray(0, zip.length / 2));
  await expect(data.getByRole("status")).toContainText("This isn’t a Scutch crew zip, or it’s damaged");

  // The signal goes in the middle of the log, and comes again.
  let logs = 0;
  await page.route("**/api/jobs/*/log", (route) => (++logs > 2 ? route.abort() : route.continue()));
  await give("crew.zip", zip);
  await expect(data.getByRole("status")).toContainText("Import the same file again to go on from here");
  await page.unroute("**/api/jobs/*/log");
  await give("crew.zip", zip);
  await expect(data.getByRole("status")).toContainText(
    /All imported\. Added: 0 jobs, \d+ log entries, \d+ photos?\. Here already: \d+ jobs\.$/,
  );
  const { jobs, ...rest } = await whole(page);
  expect(rest).toEqual({ ...before, jobs: undefined });
  expect(jobs).toEqual(before.jobs);
  // Once more changes nothing.
  await give("crew.zip", zip);
  await expect(data.getByRole("status")).toContainText(
    /Added: 0 jobs, 0 log entries, 0 photos\. Here already: \d+ jobs\.$/,
  );

  await data.getByRole("button", { name: "Delete the crew" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("textbox").fill("Two River");
  await dialog.getByRole("button", { name: "Delete in 14 days" }).click();
  await expect(dialog).toContainText("This isn’t the crew’s name");
  const other = await (
    await browser.newContext({ baseURL: stack.address, storageState: await page.context().storageState() })
  ).newPage();
  await other.goto("/");
  await expect(other.getByText("Quillhaven Library").first()).toBeVisible();
  await dialog.getByRole("textbox").fill("two rivers");
  await dialog.getByRole("button", { name: "Delete in 14 days" }).click();
  await expect(page.getByRole("alert")).toContainText("This crew will be deleted on");
  // Every device hears of it, and any owner keeps the crew.
  await other.getByRole("button", { name: "Keep the crew" }).click();
  await expect(other.getByRole("alert")).toHaveCount(0);
  await expect(page.getByRole("alert")).toHaveCount(0);
});

/** A picture of the browser's own making. */
const jpegOf = (page: Page) =>
  page.evaluate(async () => {
    const canvas = Object.assign(document.createElement("canvas"), { width: 200, height: 150 });
    canvas.getContext("2d")?.fillRect(20, 20, 90, 40);
    const blob = await new Promise<Blob>((done) => canvas.toBlob((made) => done(made as Blob), "image/jpeg"));
    return [...new Uint8Array(await blob.arrayBuffer())];
  });
