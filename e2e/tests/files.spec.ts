/** A job as a whole: done again, moved, taken out and put back, purged; out to files and in again; what to load. */
import { readFile } from "node:fs/promises";
import { expect, type Page } from "@playwright/test";
import { onDevice } from "../support/device.ts";
import { test } from "../support/stack.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const menu = async (page: Page) => {
  await page.getByRole("button", { name: /^Job menu/ }).click();
  return page.getByRole("dialog");
};
const button = (page: Page, name: string | RegExp) =>
  page.getByRole("button", { name, exact: typeof name === "string" });
const download = async (page: Page, press: () => Promise<void>) => {
  const [file] = await Promise.all([page.waitForEvent("download"), press()]);
  return { name: file.suggestedFilename(), text: await readFile(await file.path(), "utf8") };
};
const readIn = (page: Page, text: string) =>
  page
    .getByLabel("Import job or crew data")
    .setInputFiles({ name: "job.json", mimeType: "application/json", buffer: Buffer.from(text) });

test("a job is done again on another day with its rooms, doors and mixes, and nothing that was found that day", async ({
  page,
}) => {
  await page.goto(`${FLAT}/survey`);
  await (await menu(page)).getByRole("button", { name: "Repeat this job" }).click();
  await page.getByLabel("On", { exact: true }).fill("2027-03-01");
  await button(page, "Create job").click();
  await expect(page.getByText(/Mon 1 Mar/)).toBeVisible();
  const twin = `/api/jobs/${page.url().split("/jobs/")[1]?.split("/")[0]}`;
  await expect.poll(async () => (await page.request.get(twin)).status()).toBe(200);
  const { job } = await (await page.request.get(twin)).json();
  const model = (await (await page.request.get(`/api${FLAT}`)).json()).job;
  expect(job.rooms.map(({ name }: { name: string }) => name)).toEqual(
    model.rooms.map(({ name }: { name: string }) => name),
  );
  expect(job.doors).toHaveLength(model.doors.length);
  expect(job.spots).toBeUndefined();
  const ids = (plan: { rooms: { id: string }[] }) => plan.rooms.map(({ id }) => id);
  expect(ids(job).some((id) => ids(model).includes(id))).toBe(false);
});

test("a job taken out is gone from the crew's jobs, is put back with one tap, and purged only by asking twice", async ({
  page,
  request,
}) => {
  await page.goto(`${FLAT}/survey`);
  await (await menu(page)).getByRole("button", { name: "Remove this job" }).click();
  const taken = page.getByRole("region", { name: "Removed" });
  await expect(taken.getByText("Flat 6, Weir House")).toBeVisible();
  await expect(page.getByRole("link", { name: /Flat 6, Weir House/ })).toHaveCount(0);
  await taken.getByRole("button", { name: "Restore" }).click();
  await expect(page.getByRole("link", { name: /Flat 6, Weir House/ })).toBeVisible();

  await page.getByRole("link", { name: /Flat 6, Weir House/ }).click();
  await (await menu(page)).getByRole("button", { name: "Remove this job" }).click();
  await expect.poll(async () => (await (await request.get(`/api${FLAT}`)).json()).job.removed).toBe(true);
  await taken.getByRole("button", { name: "Delete for good" }).click();
  await taken.getByRole("button", { name: "Delete plan, log and photos for good" }).click();
  await expect(taken).toHaveCount(0);
  expect((await request.get(`/api${FLAT}`)).status()).toBe(404);
  await page.reload();
  await expect(page.getByRole("link", { name: /Quillhaven/ })).toBeVisible();
  await expect(page.getByText("Flat 6, Weir House")).toHaveCount(0);
});

test("a job goes out as a file and comes in again; read in twice it is a copy; what isn't a file of ours is said", async ({
  page,
  request,
}) => {
  await page.goto(`${FLAT}/log`);
  const dialog = await menu(page);
  const file = await download(page, () => dialog.getByRole("button", { name: /^Export job/ }).click());
  expect(JSON.parse(file.text)).toMatchObject({
    format: "scutch-job",
    job: { title: "Between tenants, whole flat" },
  });
  const csv = await download(page, () =>
    dialog.getByRole("button", { name: "Export log as a table (CSV)" }).click(),
  );
  const lines = csv.text.split("\r\n");
  const { entries } = await (await request.get(`/api${FLAT}/log`)).json();
  expect(lines[0]).toBe("at,what,said,room,by,stands,kind,id");
  expect(lines).toHaveLength(entries.length + 1);
  const json = await download(page, () =>
    dialog.getByRole("button", { name: /^Export log as JSON/ }).click(),
  );
  expect(JSON.parse(json.text)).toHaveLength(entries.length);

  await page.goto("/");
  await readIn(page, file.text);
  await expect(page.getByText("Imported as a copy")).toBeVisible();
  await expect(page.getByText("Between tenants, whole flat, copy")).toBeVisible();
  // One that nobody has: as it was, with its log.
  const other = file.text
    .replaceAll("01930000-0000-7000-8400-000000000002", "01930000-0000-7000-8400-0000000000aa")
    .replaceAll(/01930000-0000-7000-8(7|a|b)00/g, "01930000-0000-7000-9$100");
  const fresh = JSON.parse(other);
  fresh.log = fresh.log.map((entry: { id: string }, i: number) => ({
    ...entry,
    id: `01930000-0000-7000-9700-${(i + 1).toString(16).padStart(12, "0")}`,
  }));
  await readIn(page, JSON.stringify(fresh));
  await expect(page.getByText("One job imported.")).toBeVisible();
  await expect
    .poll(
      async () => {
        const answer = await request.get("/api/jobs/01930000-0000-7000-8400-0000000000aa/log");
        return answer.ok() ? (await answer.json()).entries.length : 0;
      },
      { timeout: 20_000 },
    )
    .toBe(fresh.log.length);

  await readIn(page, "name,size\nhall,3");
  await expect(page.getByRole("alert")).toContainText("This isn’t a Scutch file");
  await readIn(page, JSON.stringify({ ...fresh, job: { ...fresh.job, rooms: "none" } }));
  await expect(page.getByRole("alert")).toContainText("damaged or was edited at job › rooms");
});

test("the day goes into a calendar, the whole crew into a file, and what to load is ticked off and kept", async ({
  page,
}) => {
  await page.goto("/");
  const day = await download(page, () => button(page, "Export today to calendar").click());
  expect(day.name).toMatch(/\.ics$/);
  expect(day.text).toMatch(/^BEGIN:VCALENDAR\r\n/);
  expect(day.text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
  expect(day.text).toContain("SUMMARY:Quillhaven Library: Reading rooms and foyer");
  for (const line of day.text.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);

  const crew = await (await page.request.get("/api/crew/data")).text();
  expect(JSON.parse(crew)).toMatchObject({
    format: "scutch-crew",
    crew: { name: "Marlow Lane Carpet Care" },
  });
  await readIn(page, crew);
  await expect(page.getByText(/0 jobs imported; \d+ were here already and are unchanged/)).toBeVisible();

  await page.goto("/van");
  const load = page.getByRole("region", { name: "To load for tomorrow" });
  for (const what of ["Meadow pre-spray", "White cloths", "Signs for wet floors", "Moisture meter"])
    await expect(load.getByText(what).first()).toBeVisible();
  await load.getByLabel(/White cloths/).check();
  await expect.poll(async () => (await onDevice(page))?.rows).toMatch(/"keys":\["/);
  await page.reload();
  await expect(load.getByLabel(/White cloths/)).toBeChecked();
});

test("hours, money and pace are the crew's: one device sets them, the plan follows, another device has them", async ({
  page,
  browser,
  stack,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  const finish = page.getByRole("button", { name: "Finish of Foyer: show the calculation" });
  await expect(finish).toHaveText(/\d\d:\d\d/);
  await button(page, "Settings").click();
  await page.getByRole("radio", { name: "4:20 PM" }).click();
  await page.getByRole("textbox", { name: "Vacuuming per hour, m²" }).fill("120");
  await page.getByRole("textbox", { name: "Vacuuming per hour, m²" }).press("Enter");
  await page.getByRole("textbox", { name: "Currency" }).fill("€");
  await page.getByRole("textbox", { name: "Currency" }).press("Enter");
  await page.keyboard.press("Escape");
  await expect(finish).toHaveText(/(AM|PM)/);

  const other = await (await browser.newContext({ baseURL: stack.address })).newPage();
  await expect
    .poll(async () => (await (await page.request.get("/api/crew")).json()).settings)
    .toMatchObject({ clock: "12", currency: "€", pace: { vacuum: expect.closeTo(120 / 3600, 9) } });
  await other.goto(`${LIBRARY}/survey`);
  // Each shows better plans until the search ends; then both show the same.
  await expect
    .poll(async () => {
      const shown = other.getByRole("button", { name: "Finish of Foyer: show the calculation" });
      return (await shown.innerText()) === (await finish.innerText());
    })
    .toBe(true);
});
