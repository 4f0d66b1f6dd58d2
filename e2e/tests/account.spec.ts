/** People of a crew: how they get in, what each may do, and what becomes of a phone that is lost. */
import { type Browser, expect, type Page } from "@playwright/test";
import { now, onOneStep, press, step } from "../support/card.ts";
import { allSent, onDevice } from "../support/device.ts";
import { test } from "../support/stack.ts";

test.describe.configure({ timeout: 120_000 });

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true } as const;
const PASSWORD = "four words easy to type";

async function fillPerson(page: Page, name: string): Promise<void> {
  await page.getByLabel("Your name").fill(name);
  await page.getByLabel("Email").fill(`${name.toLowerCase()}@example.test`);
  await page.getByLabel("Password", { exact: true }).fill(PASSWORD);
}

/** A crew of one's own, with the demo's jobs read in from its file. */
async function ownCrew(page: Page, name = "Ana"): Promise<void> {
  await page.goto("/");
  const demo = await (await page.request.get("/api/crew/data")).text();
  await page.getByRole("link", { name: "Start your own crew" }).click();
  await page.getByLabel("Name of the crew").fill("Two Rivers");
  await fillPerson(page, name);
  await page.getByRole("button", { name: "Start crew" }).click();
  await expect(page.getByText("No jobs yet.")).toBeVisible();
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "crew.json", mimeType: "application/json", buffer: Buffer.from(demo) });
  await expect(page.getByText(/jobs imported/)).toBeVisible();
  await allSent(page);
}

/** A new person, invited by the link on the owner's screen, on a device of their own. */
async function invited(
  owner: Page,
  browser: Browser,
  stack: { readonly address: string },
  { name, role }: { readonly name: string; readonly role: string },
): Promise<Page> {
  await owner.goto("/crew");
  await owner.getByRole("radio", { name: role }).click();
  await owner.getByRole("button", { name: "Make invite" }).click();
  const link = await owner.getByText(/\/join#/).innerText();
  const page = await (await browser.newContext({ ...PHONE, baseURL: stack.address })).newPage();
  await page.goto(link);
  await expect(page.getByRole("heading", { name: "Join Two Rivers" })).toBeVisible();
  await expect(page.getByText(`Ana invites you as ${role.toLowerCase()}`)).toBeVisible();
  await fillPerson(page, name);
  await page.getByRole("button", { name: "Join crew" }).click();
  await expect(page.getByText("Quillhaven Library")).toBeVisible();
  return page;
}

async function note(page: Page, text: string): Promise<void> {
  await page.getByRole("radio", { name: "Note" }).click();
  await page.getByLabel("Note", { exact: true }).last().fill(text);
  await page.getByRole("button", { name: "Log entry" }).click();
  await expect(page.getByText(text)).toBeVisible();
}

const logOf = async (page: Page, job: string) =>
  (await (await page.request.get(`/api${job}/log`)).json()).entries as {
    kind: string;
    by?: string;
    importedBy?: string;
  }[];

test("a technician invited by link works one job with the owner, live on two devices, one of them offline for a while", async ({
  page,
  browser,
  stack,
}) => {
  await ownCrew(page);
  const other = await invited(page, browser, stack, { name: "Ben", role: "Technician" });
  await page.goto(`${LIBRARY}/run`);
  await press(page, "Start job");
  await page
    .getByRole("button", { name: "Move to now and start" })
    .click({ timeout: 2000 })
    .catch(() => undefined);
  await expect(step(page)).toBeVisible();
  await other.goto(`${LIBRARY}/run`);
  await expect(step(other)).toBeVisible();
  await onOneStep(page, other, { timeout: 20_000 });
  // The other phone says who is at what.
  await now(page).getByRole("button", { name: "Start", exact: true }).click();
  await expect(other.getByText(/^Ana: .*, since \d\d:\d\d$/)).toBeVisible();
  await expect(page.getByText(/^Ana: .*, since/)).toHaveCount(0);

  // The technician has no signal: what is logged there says who did it, here and once it is sent.
  await other.goto(`${LIBRARY}/log`);
  await expect(other.getByText("Room finished").first()).toBeVisible();
  await other.context().setOffline(true);
  await note(other, "Key left with the caretaker");
  await expect(other.getByText("Note · Ben")).toBeVisible();
  await page.goto(`${LIBRARY}/log`);
  await expect(page.getByText("Key left with the caretaker")).toHaveCount(0);
  await other.context().setOffline(false);
  await allSent(other);
  await expect(page.getByText("Key left with the caretaker")).toBeVisible();
  await expect(page.getByText("Note · Ben")).toBeVisible();
  // What came from the demo's file keeps its writers, and says who read it in.
  const entries = await logOf(page, LIBRARY);
  expect(entries.filter(({ importedBy }) => importedBy === "Ana").length).toBeGreaterThan(3);
  expect(entries.find(({ kind }) => kind === "run-started")).toMatchObject({ by: "Ana" });
});

test("a trainee looks and practises but logs nothing; a bookkeeper sees money and not the log", async ({
  page,
}) => {
  await page.goto("/");
  await page.getByLabel("See the demo as").selectOption("trainee");
  await expect(page.getByText("Demo: you are Tamsin")).toBeVisible();
  await expect(page.getByRole("button", { name: "New job" })).toHaveCount(0);
  await page.goto(`${LIBRARY}/log`);
  await expect(page.getByText("Room finished").first()).toBeVisible();
  const before = (await logOf(page, LIBRARY)).length;
  await expect(page.getByRole("button", { name: /^Log / })).toHaveCount(0);
  await expect(page.getByRole("button", { name: /^Cross out/ })).toHaveCount(0);
  await page.goto(`${LIBRARY}/survey`);
  await page.getByLabel("Room", { exact: true }).fill("Porch");
  await page.getByLabel("Size, any unit").fill("2 x 2");
  await page.getByRole("button", { name: "Add room" }).click();
  await expect(page.getByText("as a trainee you look and practise")).toBeVisible();
  expect(await logOf(page, LIBRARY)).toHaveLength(before);
  expect((await onDevice(page))?.waiting).toBe(0);
  await page.goto(`${LIBRARY}/run`);
  await page.getByRole("link", { name: "Practise this job" }).first().click();
  await expect(page.getByText("Nothing here is saved to your records")).toBeVisible();

  await page.goto("/");
  await page.getByLabel("See the demo as").selectOption("bookkeeper");
  await expect(page.getByText("Demo: you are Ilse")).toBeVisible();
  await expect(page.getByRole("link", { name: "Week" }).first()).toBeVisible();
  await page.goto(`${FLAT}/survey`);
  await expect(page.getByRole("link", { name: "Hand over" })).toBeVisible();
  for (const phase of ["Run", "Dry", "Log"])
    await expect(page.getByRole("link", { name: phase, exact: true })).toHaveCount(0);
  // Hours that only the log's readings tell are left out, not told wrong.
  await expect(page.getByText("all touch-dry")).toHaveCount(0);
  await page.getByRole("link", { name: "Hand over" }).click();
  await expect(page.getByText("An owner or a technician shows it.")).toBeVisible();
  await expect(page.getByRole("button", { name: /^Show the/ })).toHaveCount(0);
  const kinds = new Set((await logOf(page, FLAT)).map(({ kind }) => kind));
  for (const kind of ["reading", "note", "fill-made", "step-done"]) expect(kinds).not.toContain(kind);
  const rows = (await onDevice(page))?.rows ?? "";
  expect(rows).not.toMatch(/"kind":"(?:reading|fill-made|step-done)"/);
});

test("a lost phone is signed out at once and keeps what it hasn’t sent, until its person signs in again", async ({
  page,
  browser,
  stack,
}) => {
  await ownCrew(page);
  const lost = await invited(page, browser, stack, { name: "Ben", role: "Technician" });
  await lost.goto(`${LIBRARY}/log`);
  await expect(lost.getByText("Room finished").first()).toBeVisible();
  await lost.context().setOffline(true);
  await note(lost, "Left the spare key");
  await expect(lost.getByText("Note · Ben")).toBeVisible();

  await page.goto("/crew");
  const devices = page.getByRole("listitem").filter({ hasText: "Ben, Chrome" });
  await devices.getByRole("button", { name: "Sign out" }).click();
  await expect(devices).toHaveCount(0);

  await lost.context().setOffline(false);
  await expect(lost.getByText(/You are signed out\. 1 change saved here/)).toBeVisible({ timeout: 20_000 });
  const download = lost.waitForEvent("download");
  await lost.getByRole("button", { name: "Save unsent changes to a file" }).click();
  expect((await download).suggestedFilename()).toMatch(/^scutch-unsent-.*\.json$/);
  expect(JSON.stringify(await logOf(page, LIBRARY))).not.toContain("Left the spare key");

  await lost.getByRole("button", { name: "Sign in" }).click();
  await lost.getByLabel("Email").fill("ben@example.test");
  await lost.getByLabel("Password", { exact: true }).fill(PASSWORD);
  await lost.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(lost.getByText("Two Rivers")).toBeVisible();
  await allSent(lost);
  expect(JSON.stringify(await logOf(page, LIBRARY))).toContain("Left the spare key");
});

test("signing out asks about unsent work and takes the crew’s work off the device; the next person there sees only their own", async ({
  page,
  browser,
  stack,
}) => {
  await ownCrew(page);
  const phone = await invited(page, browser, stack, { name: "Ben", role: "Technician" });
  await expect(phone.getByText("Quillhaven Library")).toBeVisible();
  // What is needed offline is opened before: an offline copy of the app is another journey's.
  await phone.goto(`${LIBRARY}/log`);
  await expect(phone.getByText("Room finished").first()).toBeVisible();
  // The line is bad: pages come, the server's answers don't.
  await phone.route("**/api/**", (route) => route.abort());
  await note(phone, "Left the spare key");
  await phone.getByRole("button", { name: "Settings" }).click();
  await phone.getByRole("button", { name: "Sign out" }).click();
  await expect(phone.getByText(/isn’t sent yet/)).toBeVisible();
  await phone.getByRole("button", { name: "Stay signed in" }).click();
  await phone.unroute("**/api/**");
  await allSent(phone);
  await phone.getByRole("button", { name: "Sign out" }).click();
  await expect(phone.getByRole("heading", { name: "Sign in" })).toBeVisible();
  const left = () => phone.evaluate(async () => (await indexedDB.databases()).map(({ name }) => name));
  expect(await left()).toEqual([]);
  expect((await phone.request.get("/api/me")).status()).toBe(401);

  // A wrong password says so and is no way in; the owner signs in on the same phone.
  await phone.getByLabel("Email").fill("ana@example.test");
  await phone.getByLabel("Password", { exact: true }).fill("not the password");
  await phone.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(phone.getByText("Email or password is wrong.")).toBeVisible();
  await phone.getByLabel("Password", { exact: true }).fill(PASSWORD);
  await phone.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(phone.getByText("Quillhaven Library")).toBeVisible();
  expect(JSON.stringify(await logOf(phone, LIBRARY))).toContain("Left the spare key");
  expect(await left()).toHaveLength(1);
});

test("a passkey kept on the device signs in without a password", async ({ page, stack }) => {
  const local = stack.address.replace("127.0.0.1", "localhost");
  await page.goto(`${local}/start`);
  await page.getByLabel("Name of the crew").fill("Two Rivers");
  await fillPerson(page, "Ana");
  await page.getByRole("button", { name: "Start crew" }).click();
  await expect(page.getByText("No jobs yet.")).toBeVisible();
  const devtools = await page.context().newCDPSession(page);
  await devtools.send("WebAuthn.enable");
  await devtools.send("WebAuthn.addVirtualAuthenticator", {
    options: {
      protocol: "ctap2",
      transport: "internal",
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await page.goto(`${local}/crew`);
  await page.getByRole("button", { name: "Add a passkey" }).click();
  await expect(page.getByText("Passkey added.")).toBeVisible();
  await page.getByRole("button", { name: "Settings" }).first().click();
  await page.getByRole("button", { name: "Sign out" }).click();
  await page.getByRole("button", { name: "Use a passkey" }).click();
  await expect(page.getByText("No jobs yet.")).toBeVisible();
  expect(await (await page.request.get(`${local}/api/me`)).json()).toMatchObject({ person: { name: "Ana" } });
});
