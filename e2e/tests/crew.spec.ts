/** Two people and one who is late: roles, sections done as one, and a spray left standing. */
import { expect, type Page } from "@playwright/test";
import { goOn, later, now, step, until } from "../support/card.ts";
import { dyeTest } from "../support/dyeTest.ts";
import { test } from "../support/stack.ts";

test.describe.configure({ timeout: 120_000 });

const id = (kind: string, n: number) => `01930000-0000-7000-8${kind}00-${n.toString(16).padStart(12, "0")}`;
const JOB = id("4", 0xbb);
const [MEADOW, PUMP_SPRAYER] = [id("2", 1), id("3", 1)];
const room = (n: number, name: string, length: number, width: number) => ({
  id: id("5", 0xbb0 + n),
  name,
  shape: { kind: "rectangle", length, width },
  covering: "loop-pile",
  fibre: "olefin",
  soil: 2,
  batchId: id("6", 0xbb1),
});
/** A job that begins now, by this machine's clock, as the page sees it. */
async function put(page: Page, rooms: readonly object[], people: number): Promise<void> {
  const time = new Date();
  const two = (n: number) => String(n).padStart(2, "0");
  const job = {
    id: JOB,
    siteId: id("1", 1),
    title: "Hall and study",
    day: `${time.getFullYear()}-${two(time.getMonth() + 1)}-${two(time.getDate())}`,
    startsAt: `${two(time.getHours())}:${two(time.getMinutes())}`,
    rooms,
    batches: [{ id: id("6", 0xbb1), productId: MEADOW, vesselId: PUMP_SPRAYER, measure: 5e-6 }],
    run: { people },
  };
  const answer = await page.request.put(`/api/jobs/${JOB}`, { data: { baseVersion: 0, job } });
  expect([200, 201]).toContain(answer.status());
}

/** Tests the carpet for the mix and starts the job. */
async function begin(page: Page): Promise<void> {
  await page.goto(`/jobs/${JOB}/mix`);
  const toTest = page.getByRole("button", { name: "Do the dye test" });
  await expect(toTest.first()).toBeVisible();
  // One floor is asked for at a time.
  await expect(async () => {
    if ((await toTest.count()) > 0) await dyeTest(page, "Behind the door");
    await expect(toTest).toHaveCount(0, { timeout: 1500 });
  }).toPass();
  await page.goto(`/jobs/${JOB}/run`);
  await page.getByRole("button", { name: "Start job" }).click();
  await expect(step(page)).toBeVisible();
  await later(page);
}
const stepsLogged = async (page: Page) =>
  (await (await page.request.get(`/api/jobs/${JOB}/log`)).json()).entries.map(
    (each: { entry?: object }) => each.entry ?? each,
  ) as { kind: string; does?: string; at: string; who?: number; joined?: unknown[] }[];
const seat = (page: Page, n: number) =>
  page.getByRole("radiogroup", { name: "This device shows steps for" }).getByRole("radio").nth(n).click();

test("one of two cleans: its sections are one step, begun and ended with one tap, and each has its share of the time", async ({
  page,
}) => {
  await page.clock.install();
  await put(page, [room(1, "Hall", 9, 8)], 2);
  await begin(page);
  const isJoined = async () => /Clean, Hall\s+sections \d+–\d+ of/.test(await now(page).innerText());
  for (let turn = 0; turn < 60 && !(await isJoined()); turn++) {
    await seat(page, turn % 2);
    if (await isJoined()) break;
    // Whoever waits for the other has no step to begin.
    const waits = /waits/.test(await now(page).getByRole("timer").innerText());
    if (waits) continue;
    await goOn(page);
    await later(page, 240);
  }
  await expect(step(page)).toHaveText(/^Clean, Hall/);
  const begins = now(page).getByRole("button", { name: "Start", exact: true });
  if (await begins.isVisible()) {
    await goOn(page);
  }
  const ends = now(page).getByRole("button", { name: "Done", exact: true });
  await expect(ends).toBeVisible();
  // Opened again half-way through, it is still one step in hand.
  await later(page, 300);
  await page.reload();
  await expect(now(page).getByText(/sections \d+–\d+ of/)).toBeVisible();
  await later(page, 300);
  await ends.click();
  await expect
    .poll(
      async () =>
        (await stepsLogged(page)).filter(({ kind, does }) => kind === "step-done" && does === "clean").length,
    )
    .toBeGreaterThan(1);
  const logged = await stepsLogged(page);
  const start = logged.find(({ joined }) => (joined?.length ?? 0) > 0);
  const done = logged
    .filter(({ kind, does, who }) => kind === "step-done" && does === "clean" && who === start?.who)
    .map(({ at }) => Date.parse(at))
    .toSorted((a, b) => a - b);
  for (const [i, at] of done.entries())
    expect(at - (done[i - 1] ?? Date.parse(start?.at ?? ""))).toBeGreaterThan(20_000);
});

test("what was sprayed and left standing is cleaned next, with its mist of water, before the next room is touched", async ({
  page,
}) => {
  await page.clock.install();
  await put(page, [room(1, "Study", 4, 3), room(2, "Den", 4, 3), room(3, "Hall", 5, 4)], 1);
  await begin(page);
  await until(page, /^Spray, Study/);
  await goOn(page);
  if (/^Spray, Study/.test(await step(page).innerText())) await goOn(page);
  // Something else is begun while it dwells, and takes an hour.
  await expect(step(page)).not.toHaveText(/^Clean/);
  if (await now(page).getByRole("button", { name: "Start", exact: true }).isVisible()) await goOn(page);
  await later(page, 3600);
  await now(page).getByRole("button", { name: "Done", exact: true }).click();
  await expect(step(page)).toHaveText(/^Clean, Study/);
  await expect(now(page).getByText("Past its dwell limit: mist with water first.")).toBeVisible();
});
