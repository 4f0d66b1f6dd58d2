/** Two phones whose server is brought back to a moment: they have seen more than it knows. */
import { setTimeout as pause } from "node:timers/promises";
import { type Browser, expect, type Page, test } from "@playwright/test";
import { allSent } from "../support/device.ts";
import { DataFolder } from "../support/startCommand.ts";
import { makeCrew, type Person } from "../torture/crew.ts";

// Databases on a real disk, started four times.
test.describe.configure({ timeout: 300_000 });

const PHONE = { viewport: { width: 390, height: 844 } };
const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
/** A port no other test asks for. */
const PORT = "4391";
const SOON = { timeout: 30_000 };

let folder: DataFolder;
test.beforeEach(() => {
  folder = new DataFolder();
});
test.afterEach(() => folder.clear());

async function phoneOf(
  browser: Browser,
  address: string,
  { email, password }: Person,
  path: string,
): Promise<Page> {
  const page = await (await browser.newContext({ ...PHONE, baseURL: address })).newPage();
  await page.goto("/sign-in");
  await page.getByLabel("Email").fill(email);
  await page.getByLabel("Password", { exact: true }).fill(password);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByText("Quillhaven Library").first()).toBeVisible();
  await page.goto(path);
  await page.evaluate(() => Object.assign(globalThis, { samepage: true }));
  return page;
}

async function note(page: Page, text: string): Promise<void> {
  await page.getByRole("radio", { name: "Note" }).click();
  await page.getByLabel("Note", { exact: true }).last().fill(text);
  await page.getByRole("button", { name: "Log entry" }).click();
  await expect(page.getByText(text, { exact: true })).toBeVisible();
}

test("a job deleted for good is back on both phones as of 14:05; what they logged after that is back on the server, and they hear each other again", async ({
  browser,
}) => {
  const backups = folder.beside("backups");
  let app = folder.start([], { PORT });
  const address = await app.address();
  const [ana, ben] = await makeCrew(address);
  const call = async (method: string, path: string, body?: object) => {
    const answer = await fetch(`${address}/api${path}`, {
      method,
      headers: { cookie: ana.cookie, origin: address, "content-type": "application/json" },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    return { status: answer.status, body: await answer.json() };
  };
  const change = async (path: string, job: object) => {
    const { body } = await call("GET", path);
    const save = { baseVersion: body.version, job: { ...body.job, ...job } };
    expect((await call("PUT", path, save)).status).toBe(200);
  };
  const [log, today] = [
    await phoneOf(browser, address, ben, `${FLAT}/log`),
    await phoneOf(browser, address, ana, "/"),
  ];
  const other = await await today.context().newPage();
  await other.goto(`${FLAT}/log`);
  await note(log, "Before the moment");
  await expect(other.getByText("Before the moment", { exact: true })).toBeVisible(SOON);
  const backup = folder.run("backup", [backups]);
  expect([await backup.ended, backup.output()]).toEqual([0, expect.stringContaining("Backed up")]);
  await pause(1200);
  const moment = new Date(Math.ceil(Date.now() / 1000) * 1000);
  await pause(moment.getTime() - Date.now() + 1200);

  // After it: work goes on, a plan is renamed, and a job is deleted by mistake.
  await note(log, "After the moment");
  await note(other, "Of the owner, after it");
  await change(FLAT, { title: "Renamed after the moment" });
  await expect(today.getByText("Renamed after the moment").first()).toBeVisible(SOON);
  await change(LIBRARY, { removed: true });
  expect((await call("DELETE", LIBRARY)).status).toBe(200);
  await expect(today.getByText("Reading rooms and foyer")).toHaveCount(0, SOON);
  for (const each of [log, other]) await allSent(each);
  app.child.kill("SIGINT");
  await app.ended;
  // Without the server one phone goes on.
  await note(log, "While it was away");

  const back = folder.run("restore", [backups, "--at", moment.toISOString()]);
  expect([await back.ended, back.output()]).toEqual([0, expect.stringContaining("Restored as of")]);
  app = folder.start([], { PORT });
  expect(await app.address()).toBe(address);

  await expect(today.getByText("Reading rooms and foyer").first()).toBeVisible(SOON);
  await expect(today.getByText("Between tenants, whole flat").first()).toBeVisible(SOON);
  const texts = async () => {
    const { body } = await call("GET", `${FLAT}/log`);
    return body.entries.map(({ text }: { text?: string }) => text).filter(Boolean);
  };
  const all = ["Before the moment", "After the moment", "Of the owner, after it", "While it was away"];
  await expect.poll(texts, SOON).toEqual(expect.arrayContaining(all));
  for (const each of [log, other]) {
    await allSent(each);
    for (const text of all) await expect(each.getByText(text, { exact: true })).toHaveCount(1, SOON);
  }
  // They hear each other again, of plans too.
  await note(log, "Afterwards");
  await expect(other.getByText("Afterwards", { exact: true })).toBeVisible(SOON);
  await change(FLAT, { title: "Renamed again" });
  await expect(today.getByText("Renamed again").first()).toBeVisible(SOON);
  for (const each of [log, today]) {
    expect(await each.evaluate(() => "samepage" in globalThis)).toBe(true);
    await each.context().close();
  }
  app.child.kill("SIGINT");
  await app.ended;
});
