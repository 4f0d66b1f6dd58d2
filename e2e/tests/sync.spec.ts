/** What a person entered is never lost: two tabs, two devices, a full disk, a server with a fault, another crew, a new version. */
import { expect, type Page } from "@playwright/test";
import { test } from "../support/stack.ts";

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const GUESTHOUSE = "/jobs/01930000-0000-7000-8400-000000000004";

async function addRoom(page: Page, name: string, size: string): Promise<void> {
  await page.getByLabel("Room", { exact: true }).fill(name);
  await page.getByLabel("Size, any unit").fill(size);
  await page.getByRole("button", { name: "Add room" }).click();
}
const inList = (page: Page, name: string) => page.getByRole("button", { name, exact: true });

type Request = Parameters<Parameters<typeof test>[2]>[0]["request"];
const read = async (request: Request, path: string) => (await request.get(`/api${path}`)).json();
const rooms = async (request: Request, path: string) =>
  ((await read(request, path)).job.rooms as { name: string }[]).map(({ name }) => name);
const saveElsewhere = async (request: Request, path: string, change: (job: never) => object) => {
  const { version, job } = await read(request, path);
  const answer = await request.put(`/api${path}`, {
    data: { baseVersion: version, job: change(job as never) },
  });
  expect(answer.status()).toBe(200);
};

test("two tabs on one job each add a room, with the server and without it: both rooms are in both and on the server", async ({
  page,
  context,
  request,
  stack,
}) => {
  const other = await context.newPage();
  for (const tab of [page, other]) {
    await tab.goto(`${LIBRARY}/survey`);
    await expect(inList(tab, "Study")).toBeVisible();
  }
  await Promise.all([addRoom(page, "Cloakroom", "3 x 2"), addRoom(other, "Archive", "4 x 3")]);
  for (const tab of [page, other])
    for (const name of ["Cloakroom", "Archive"]) await expect(inList(tab, name)).toBeVisible();
  await expect.poll(() => rooms(request, LIBRARY)).toEqual(expect.arrayContaining(["Cloakroom", "Archive"]));

  await stack.stop();
  await addRoom(page, "Cellar", "3 x 3");
  await addRoom(other, "Attic", "5 x 3");
  for (const tab of [page, other])
    for (const name of ["Cellar", "Attic"]) await expect(inList(tab, name)).toBeVisible();
  await expect(page.getByText(/You’re offline\. .* saved on this device/)).toBeVisible();
  await stack.start();
  await expect
    .poll(() => rooms(request, LIBRARY), { timeout: 30_000 })
    .toEqual(expect.arrayContaining(["Cloakroom", "Archive", "Cellar", "Attic"]));
});

test("another device saves, Today looks at it, and an edit on the job seen before joins with it; one field said twice is asked", async ({
  page,
  context,
  request,
}) => {
  await page.goto(`${GUESTHOUSE}/survey`);
  await expect(inList(page, "Landing")).toBeVisible();
  await saveElsewhere(request, GUESTHOUSE, (job: { rooms: object[] }) => ({
    ...job,
    rooms: [
      ...job.rooms,
      { id: "01930000-0000-7000-8500-00000000beef", name: "Porch", shape: { kind: "area", area: 6 } },
    ],
  }));
  await page.getByRole("link", { name: "scutch" }).first().click();
  await expect(page.getByText("The Lantern Guesthouse")).toBeVisible();
  await page.goBack();
  await addRoom(page, "Pantry", "2 x 2");
  await expect.poll(() => rooms(request, GUESTHOUSE)).toEqual(expect.arrayContaining(["Porch", "Pantry"]));
  await expect(page.getByText(/changed on two devices/)).toHaveCount(0);

  // Both change what is done, to two different things, before either hears of the other.
  await context.setOffline(true);
  await saveElsewhere(request, GUESTHOUSE, (job: object) => ({ ...job, title: "Hall and stairs only" }));
  await page.getByLabel("Job description").fill("All but the washroom");
  await page.getByLabel("Job description").press("Enter");
  await context.setOffline(false);
  await expect(page.getByText(/changed on two devices/)).toBeVisible();
  // The job goes on meanwhile, and the question outlives a reload.
  await addRoom(page, "Larder", "2 x 2");
  await expect.poll(() => rooms(request, GUESTHOUSE)).toContain("Larder");
  await page.reload();
  await page.getByRole("button", { name: /This device: All but the washroom/ }).click();
  await expect(page.getByText(/changed on two devices/)).toHaveCount(0);
  await expect.poll(async () => (await read(request, GUESTHOUSE)).job.title).toBe("All but the washroom");
});

test("a device that can't keep anything says so at once, sends what it can, and asks before the page is left", async ({
  page,
  request,
  stack,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  await expect(inList(page, "Study")).toBeVisible();
  // What comes after the list is fetched by itself, and the server is about to stop.
  await expect(page.getByRole("region", { name: "Ask the customer" })).toBeVisible();
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException("full", "QuotaExceededError");
    };
  });
  await stack.stop();
  await addRoom(page, "Cloakroom", "3 x 2");
  await expect(page.getByText(/This device can’t save the last change/)).toBeVisible();
  await expect(inList(page, "Cloakroom")).toBeVisible();
  const asked = new Promise<string>((resolve) =>
    page.once("dialog", async (dialog) => {
      resolve(dialog.type());
      await dialog.dismiss();
    }),
  );
  await page.close({ runBeforeUnload: true });
  expect(await asked).toBe("beforeunload");
  await stack.start();
  await expect.poll(() => rooms(request, LIBRARY), { timeout: 30_000 }).toContain("Cloakroom");
  await expect(page.getByText(/This device can’t save/)).toHaveCount(0);
});

test("prices set one after the other on a device that can't keep them leave each other and the crew's units standing", async ({
  page,
  request,
}) => {
  const settings = { units: "metric", prices: { stairs: 3 } };
  expect((await request.put("/api/crew/settings", { data: settings })).status()).toBe(200);
  await page.goto("/");
  await page.getByRole("button", { name: "Settings" }).first().click();
  await page.getByRole("button", { name: "Price book" }).click();
  await expect(page.getByLabel(/^Stairs/)).toHaveValue("3.00");
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException("full", "QuotaExceededError");
    };
  });
  await page.getByLabel(/^Odour treatment/).fill("4.50");
  await page.getByLabel(/^Edges by hand/).fill("2");
  await page.getByLabel(/^Edges by hand/).press("Enter");
  await expect
    .poll(async () => (await read(request, "/crew")).settings)
    .toEqual({ units: "metric", prices: { stairs: 3, odour: 4.5, edges: 2 } });
});

test("one save the server always fails at is set aside by name, the log goes on, and there are three ways out", async ({
  page,
  request,
}) => {
  await page.route(
    (url) => url.pathname === `/api${LIBRARY}`,
    (route) =>
      route.request().method() === "PUT"
        ? route.fulfill({ status: 200, body: "<html>Sign in</html>" })
        : route.continue(),
  );
  await page.goto(`${LIBRARY}/survey`);
  await addRoom(page, "Cloakroom", "3 x 2");
  await page.getByRole("link", { name: "Log", exact: true }).click();
  await page.getByRole("radio", { name: "Note" }).click();
  await page.getByLabel("Note", { exact: true }).fill("Key under the mat");
  await page.getByRole("button", { name: "Log entry" }).click();
  await expect
    .poll(async () => JSON.stringify((await read(request, `${LIBRARY}/log`)).entries), { timeout: 20_000 })
    .toContain("Key under the mat");
  await expect(page.getByText(/Not sent\. It stays on this device/)).toBeVisible({ timeout: 30_000 });
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as a file" }).click();
  expect((await download).suggestedFilename()).toMatch(/^job-.*\.json$/);
  await page.unroute((url) => url.pathname === `/api${LIBRARY}`);
  await page.unrouteAll();
  await page.getByRole("button", { name: "Try again" }).click();
  await expect.poll(() => rooms(request, LIBRARY)).toContain("Cloakroom");
  await expect(page.getByText(/Not sent/)).toHaveCount(0);
});

test("an app the server no longer takes is told to update and keeps its work; another crew's server gets none of it", async ({
  page,
  request,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  await expect(inList(page, "Study")).toBeVisible();
  // One route for both, so that no request slips through between them.
  let says: Record<string, string> = { "x-scutch-contract": "1" };
  await page.route("**/api/**", (route) =>
    route.continue({ headers: { ...route.request().headers(), ...says } }),
  );
  await addRoom(page, "Cloakroom", "3 x 2");
  await expect(page.getByText(/out of date.*1 change saved here/)).toBeVisible();
  says = { "x-scutch-crew": "01930000-0000-7000-8000-0000000000ff" };
  await page.evaluate(() => dispatchEvent(new Event("online")));
  await expect(page.getByText(/don’t belong to this crew any more.*not sent/)).toBeVisible();
  expect(await rooms(request, LIBRARY)).not.toContain("Cloakroom");
  await page.unrouteAll();
  await page.evaluate(() => dispatchEvent(new Event("online")));
  await expect.poll(() => rooms(request, LIBRARY)).toContain("Cloakroom");
  const names = await page.evaluate(async () => (await indexedDB.databases()).map(({ name }) => name));
  expect(names).toEqual(["scutch-01930000-0000-7000-8000-000000000001-01930000-0000-7000-8e00-000000000001"]);
});

test("undo takes back one's own room and leaves the one a colleague added meanwhile", async ({
  page,
  request,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  await addRoom(page, "Cloakroom", "3 x 2");
  await expect.poll(() => rooms(request, LIBRARY)).toContain("Cloakroom");
  await saveElsewhere(request, LIBRARY, (job: { rooms: object[] }) => ({
    ...job,
    rooms: [
      ...job.rooms,
      { id: "01930000-0000-7000-8500-00000000beef", name: "Porch", shape: { kind: "area", area: 6 } },
    ],
  }));
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(inList(page, "Cloakroom")).toHaveCount(0);
  await expect.poll(() => rooms(request, LIBRARY)).toContain("Porch");
  await expect.poll(() => rooms(request, LIBRARY)).not.toContain("Cloakroom");
});

test("with 500 jobs booked all over the year, today's are on the screen, and the rest come a page at a time", async ({
  page,
  request,
}) => {
  const { job } = await read(request, LIBRARY);
  const day = (offset: number) => new Date(Date.now() + offset * 86_400_000).toISOString().slice(0, 10);
  const make = (n: number) => ({
    ...job,
    id: `01930000-0000-7000-8400-${(4096 + n).toString(16).padStart(12, "0")}`,
    title: `Job ${n}`,
    day: n < 130 ? day(-7 - n) : day(n - 129),
    rooms: [],
    doors: [],
    spots: [],
    batches: [],
  });
  for (let n = 0; n < 200; n += 20)
    await Promise.all(
      Array.from({ length: 20 }, (_, i) => make(n + i)).map((each) =>
        request.put(`/api/jobs/${each.id}`, { data: { baseVersion: 0, job: each } }),
      ),
    );
  await page.goto("/");
  const group = (name: string) =>
    page.locator("section").filter({ has: page.getByRole("heading", { name }) });
  await expect(group("Today").getByText("Reading rooms and foyer")).toBeVisible({ timeout: 20_000 });
  await expect(group("Upcoming").getByRole("listitem")).toHaveCount(30);
  await group("Upcoming").getByRole("button", { name: "Later jobs" }).click();
  await expect(group("Upcoming").getByRole("listitem")).toHaveCount(60);
  await page.getByRole("button", { name: "Earlier jobs" }).click();
  await expect(page.getByText("Job 0", { exact: true })).toBeVisible();
});

test("a page whose database the browser deletes shows it, and opening again brings the job back", async ({
  page,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  await expect(inList(page, "Study")).toBeVisible();
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) if (name) indexedDB.deleteDatabase(name);
  });
  await expect(
    page.getByRole("alert").filter({ hasText: "deleted the jobs saved on this device" }),
  ).toBeVisible();
  await page.getByRole("button", { name: "Open again" }).click();
  await expect(inList(page, "Study")).toBeVisible();
  await expect(page.getByText("deleted the jobs saved on this device")).toBeHidden();
});
