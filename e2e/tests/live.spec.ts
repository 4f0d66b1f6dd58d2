/** The job under way: one step after another on phones that lose the signal, are reloaded and contradict each other. */
import { expect, type Page } from "@playwright/test";
import { clock, goOn, later, now, onOneStep, press, step, until } from "../support/card.ts";
import { allSent } from "../support/device.ts";
import { test } from "../support/stack.ts";

// A job is worked off step by step here: longer than other journeys on a busy machine.
test.describe.configure({ timeout: 180_000 });

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true } as const;

type Entry = {
  id: string;
  at: string;
  kind: string;
  over?: number;
  moisture?: number;
  step?: string;
  does?: string;
  corrects?: string;
  joined?: readonly { step: string }[];
  reason?: string;
  roomId?: string;
};
const logOf = async (page: Page): Promise<Entry[]> =>
  (await (await page.request.get(`/api${LIBRARY}/log`)).json()).entries.map(
    (each: { entry?: Entry } & Entry) => each.entry ?? each,
  );
const kinds = async (page: Page, kind: string) => (await logOf(page)).filter((entry) => entry.kind === kind);

/** The demo's job, just begun, on a page whose clock the test moves. */
async function begin(page: Page): Promise<void> {
  await page.clock.install();
  await page.goto(`${LIBRARY}/run`);
  await press(page, "Start job");
  await expect(step(page)).toBeVisible();
  await later(page);
}

test.describe("on a phone", () => {
  test.use(PHONE);

  test("a room from its vacuum to its fans: the dwell is held, a slip taken back, and a reload and a lost signal change nothing", async ({
    page,
    context,
    browser,
  }) => {
    await begin(page);
    await until(page, /^Spray, Children/);
    const before = await step(page).innerText();
    if (await now(page).getByRole("button", { name: "Start", exact: true }).isVisible()) await goOn(page);
    await expect(now(page).getByRole("button", { name: "Done", exact: true })).toBeVisible();

    // Killed and opened again: the same step, its clock where it was.
    await later(page, 10);
    const shown = await clock(page).innerText();
    await page.reload();
    await expect(step(page)).toHaveText(before);
    await expect(clock(page)).toHaveText(/^\d+:\d\d$/);
    expect(shown).toMatch(/^\d+:\d\d$/);

    // A tick of the clock draws the clock, and nothing else on the screen.
    await page.evaluate("globalThis.drawn = []");
    await page.evaluate(() => {
      const drawn = (globalThis as unknown as { drawn: string[] }).drawn;
      new MutationObserver((changes) => {
        for (const { target } of changes) {
          const where = target instanceof Element ? target : target.parentElement;
          if (!where?.closest('[role="timer"]')) drawn.push(where?.outerHTML.slice(0, 80) ?? "");
        }
      }).observe(document.body, { subtree: true, childList: true, characterData: true });
    });
    // What the worker still had to answer may come in between: then the next three seconds tell.
    await expect
      .poll(
        async () => {
          await page.evaluate(() => void (globalThis as unknown as { drawn: string[] }).drawn.splice(0));
          const ticked = await clock(page).innerText();
          await page.clock.runFor(3000);
          await expect(clock(page)).not.toHaveText(ticked);
          return page.evaluate(() => (globalThis as unknown as { drawn: string[] }).drawn);
        },
        { timeout: 30_000 },
      )
      .toEqual([]);

    // What no plan has is begun and ended here too, and then the step in hand is as it was.
    await press(now(page), "Add a step");
    await press(page.getByRole("dialog"), "Talk with the customer");
    await expect(step(page)).toHaveText("Talk with the customer");
    await later(page, 45);
    await press(now(page), "Done");
    await expect(step(page)).toHaveText(before);
    await later(page);

    // With no signal: taps are kept, and the dwell's clock runs.
    await context.setOffline(true);
    await later(page, 60);
    await press(now(page), "Done");
    await later(page);
    const dwelling = page.getByRole("region", { name: "Dwelling" });
    await expect(dwelling).toContainText(/ready in \d+:\d\d/);
    await until(page, /^Clean, Children/);
    await expect(dwelling).toContainText("ready in");
    await press(now(page), "Start");
    const asked = page.getByRole("dialog", { name: "Dwell time isn’t up." });
    await press(asked, "Wait");
    await expect(now(page).getByRole("button", { name: "Done", exact: true })).toHaveCount(0);
    await later(page, 600);
    await expect(dwelling).toContainText("ready");
    await press(now(page), "Start");
    await expect(now(page).getByRole("button", { name: "Done", exact: true })).toBeVisible();
    // A slip of the finger.
    await press(page, "Undo");
    await expect(now(page).getByRole("button", { name: "Start", exact: true })).toBeVisible();
    await later(page);
    await press(now(page), "Start");
    await later(page, 200);
    await context.setOffline(false);
    await expect
      .poll(() => kinds(page, "step-started").then((each) => each.length), { timeout: 20_000 })
      .toBeGreaterThan(3);

    await until(page, /^Clean, (Study|Foyer)/);
    await expect
      .poll(() => kinds(page, "room-finished").then((each) => each.length), { timeout: 20_000 })
      .toBeGreaterThan(2);
    // The other phone is where this one is.
    const other = await (await browser.newContext(PHONE)).newPage();
    await other.clock.install({ time: await page.evaluate(() => Date.now()) });
    await other.goto(`${new URL(page.url()).origin}${LIBRARY}/run`);
    await allSent(page, () => later(page, 10));
    await Promise.all([page.reload(), other.reload()]);
    await onOneStep(page, other);
    // What was done was done once.
    const done = (await kinds(page, "step-done")).map((entry) => entry.step);
    expect(new Set(done).size).toBe(done.length);
    expect(done.some((id) => id?.startsWith("clean:"))).toBe(true);
    expect(await kinds(page, "fill-made")).not.toEqual([]);
    await other.context().close();
  });
});

test("two people on two devices: each has their own step, a step ended on both is said and counts once", async ({
  page,
  browser,
}) => {
  await page.clock.install();
  await page.goto(`${LIBRARY}/run`);
  await page.getByRole("radiogroup", { name: "Crew" }).getByRole("radio", { name: "2" }).click();
  await press(page, "Start job");
  await expect(step(page)).toBeVisible();
  await expect.poll(() => kinds(page, "run-started").then((each) => each.length)).toBe(1);
  const context = await browser.newContext();
  const other = await context.newPage();
  await other.goto(`${new URL(page.url()).origin}${LIBRARY}/run`);
  const seats = (on: Page) =>
    on.getByRole("radiogroup", { name: "This device shows steps for" }).getByRole("radio");
  await seats(other).nth(1).click();
  await expect(step(other)).not.toHaveText(await step(page).innerText());
  await later(page);
  await until(page, /^(?!Mix fill)/);
  const begins = now(page).getByRole("button", { name: "Start", exact: true });
  await expect(begins.or(now(page).getByRole("button", { name: "Done", exact: true }))).toBeVisible();
  if (await begins.isVisible()) await begins.click();
  await later(page);
  await expect.poll(() => kinds(page, "step-started").then((each) => each.length)).toBe(1);
  const mine = await step(page).innerText();
  // The second phone takes the first one's place and, with no signal, ends the same step.
  await seats(other).nth(0).click();
  await other.reload();
  await expect(step(other)).toHaveText(mine);
  await expect(now(other).getByRole("button", { name: "Done", exact: true })).toBeVisible();
  await context.setOffline(true);
  await press(now(other), "Done");
  await press(now(page), "Done");
  await context.setOffline(false);
  const doubt = page.getByText("is logged as done twice. The first counts.");
  await expect.poll(() => kinds(page, "step-done").then((each) => each.length), { timeout: 20_000 }).toBe(2);
  await page.reload();
  await expect(doubt).toBeVisible();
  await expect(step(page)).not.toHaveText(mine);
  await other.reload();
  await onOneStep(page, other);
  await context.close();

  // Asked about a step that a second tab ends meanwhile: the question goes, and nothing else is passed over in its place.
  const tab = await page.context().newPage();
  await tab.clock.install({ time: await page.evaluate(() => Date.now()) });
  await tab.goto(page.url());
  const asked = await step(page).innerText();
  await expect(step(tab)).toHaveText(asked);
  await press(now(page), "Skip");
  const question = page.getByRole("dialog", { name: `Skip: ${asked}` });
  await expect(question).toHaveCount(1);
  while ((await step(tab).innerText()) === asked) await goOn(tab);
  await expect(question).toHaveCount(0);
  await expect(page.getByRole("dialog")).toHaveCount(0);
  expect(await kinds(page, "step-skipped")).toEqual([]);
});

test("a whole job in practice at sixty times the clock: run to its end, told how it went, and no trace of it in the records", async ({
  page,
}) => {
  await page.clock.install();
  await page.goto(`${LIBRARY}/run`);
  const before = await logOf(page);
  await page.getByRole("link", { name: "Practise this job" }).click();
  await expect(page.getByText("Nothing here is saved to your records.")).toBeVisible();
  await page.getByRole("radio", { name: "60×" }).click();
  await press(page, "Start job");
  const over = page.getByRole("heading", { name: /^Packed up at/ });
  const tap = now(page).getByRole("button", { name: /^(Start|Done)$/ });
  const fill = now(page).getByRole("button", { name: /^Show amounts/ });
  const jump = page.getByRole("button", { name: /^Jump to what’s due, / });
  let skipped = 0;
  for (let i = 0; i < 200 && !(await over.isVisible()); i++) {
    await page.clock.fastForward(1000);
    await page.waitForTimeout(60);
    const wait = page.getByRole("dialog").getByRole("button", { name: "Wait", exact: true });
    if (await wait.isVisible()) await wait.click();
    else if (await jump.isVisible()) await jump.click();
    else if (skipped === 0 && /^Vacuum, Foyer/.test(await step(page).innerText())) {
      await now(page).getByRole("button", { name: "Skip", exact: true }).click();
      await press(page.getByRole("dialog"), "No time");
      skipped++;
    } else if (await tap.isVisible()) await tap.click();
    else if (await fill.isVisible()) {
      await fill.click();
      await press(page.getByRole("dialog"), "Mark as mixed");
    }
  }
  await expect(over).toBeVisible();
  // What was left out is named with what comes of it and what it costs.
  const debrief = page.getByRole("region", { name: "The job" });
  await expect(debrief).toContainText("Skipped: vacuum, Foyer. Dust turns to mud");
  await expect(debrief).toContainText(/sections were cleaned inside their dwell limits/);
  await expect(debrief).toContainText(/To put it right: about .+ of work again/);
  await expect(page.getByRole("region", { name: "Practice log" })).toContainText("Step done: Clean, Foyer");
  await expect(page.getByRole("region", { name: "Instruments" })).toContainText(/Foyer.*%/);
  // Whatever was tapped, nothing of it is on the device or with the crew.
  await page.getByRole("link", { name: "Leave practice" }).click();
  await expect(page.getByRole("button", { name: "Start job" })).toBeVisible();
  expect(await logOf(page)).toEqual(before);
  await page.goto(`${LIBRARY}/log?kind=steps`);
  await expect(page.getByText(/Step done/)).toHaveCount(0);
});

test.describe("a whole job", () => {
  test.use(PHONE);

  test("the demo's job from its start to the last fan, with a refill, a section too late, no signal, a reload and another phone: the record says what was done", async ({
    page,
    context,
    browser,
  }) => {
    const before = new Set((await logOf(page)).map(({ id }) => id));
    const tapped: { readonly what: string; readonly how: "begun" | "done" | "made"; readonly at: number }[] =
      [];
    let late = "";
    /** One tap on whatever is next, noted as somebody standing by would; false where there was nothing to tap. */
    const tap = async (on: Page): Promise<boolean> => {
      const what = await step(on).innerText();
      const button = now(on).getByRole("button", { name: /^(Start|Done|Show amounts)$/ });
      const how = { Start: "begun", Done: "done" }[await button.innerText()] ?? "made";
      if (late === "" && how === "begun" && /^Clean\b/.test(what)) {
        // Called away: the section stands longer than it should, and that is said before anybody touches it.
        await later(on, 3000);
        await expect(now(on).getByRole("region", { name: "Dwelling" })).toContainText("mist with water");
        late = what;
      }
      await button.click();
      if (how === "made") await press(on.getByRole("dialog"), "Mark as mixed");
      const wait = on.getByRole("dialog").getByRole("button", { name: "Wait", exact: true });
      await on.waitForTimeout(100);
      if (await wait.isVisible()) {
        await wait.click();
        return false;
      }
      tapped.push({ what, how: how as "begun", at: await on.evaluate(() => Date.now()) });
      return true;
    };
    /** Each tap that ended something is an entry at its time; of steps done as one the others have their share of it, before. */
    const atTap = ({ at }: Entry) =>
      tapped.some((each) => each.how !== "begun" && Math.abs(Date.parse(at) - each.at) < 5000);
    const arrived = async () => {
      const own = (await logOf(page)).filter(({ id, kind }) => !before.has(id) && /done$|made$/.test(kind));
      return own.filter(atTap).length >= tapped.filter(({ how }) => how !== "begun").length;
    };
    await page.clock.install();
    await page.goto(`${LIBRARY}/run`);
    await press(page, "Start job");
    await later(page);
    let on = page;
    const over = () => on.getByRole("heading", { name: /^Packed up at/ });
    for (let i = 0; i < 90 && !(await over().isVisible()); i++) {
      if (i === 4) await context.setOffline(true);
      if (i === 12) await context.setOffline(false);
      if (i === 16) await page.reload();
      if (i === 22) {
        await expect.poll(() => later(page, 10).then(arrived), { timeout: 30_000 }).toBe(true);
        on = await (await browser.newContext(PHONE)).newPage();
        await on.clock.install({ time: await page.evaluate(() => Date.now()) });
        await on.goto(`${new URL(page.url()).origin}${LIBRARY}/run`);
        await page.goto("about:blank");
      }
      await expect(step(on).or(over())).toBeVisible();
      if (await over().isVisible()) break;
      await later(on, (await tap(on)) ? 70 : 400);
    }
    await expect(over()).toBeVisible();
    const told = on.getByRole("region", { name: "The job" });
    const tooLate = told.getByText("past its dwell limit");
    await expect(tooLate.first()).toContainText(late.replace(/^Clean[^,]*, /, ""));
    await expect(told).not.toContainText("Not logged");
    const lates = await tooLate.count();
    await expect.poll(() => later(on, 10).then(arrived), { timeout: 30_000 }).toBe(true);

    // The record: each tap once, at its time, in its order, and nothing else but what follows from one.
    const log = (await logOf(on)).filter(({ id }) => !before.has(id));
    const ended = log.filter(({ kind }) => kind === "step-done" || kind === "fill-made");
    const ends = tapped.filter(({ how }) => how !== "begun");
    const asOne = new Set(
      log.flatMap(({ step: first = "", joined = [] }) =>
        joined.length > 0 ? [first, ...joined.map((each) => each.step)] : [],
      ),
    );
    const byTap = ended.filter((entry) => atTap(entry) || !asOne.has(entry.step ?? ""));
    for (const [i, { at }] of ends.entries())
      expect(Math.abs(Date.parse(byTap[i]?.at ?? "") - at)).toBeLessThan(5000);
    expect(byTap).toHaveLength(ends.length);
    // No step is ended twice.
    const steps = ended.flatMap((entry) => entry.step ?? []);
    expect(new Set(steps).size).toBe(steps.length);
    expect(log.filter(({ kind }) => kind === "fill-made")).toHaveLength(
      ends.filter(({ how }) => how === "made").length,
    );
    expect(ends.filter(({ how }) => how === "made").length).toBeGreaterThan(0);
    for (const { kind, at, step: id } of log.filter((entry) => entry.kind === "step-started")) {
      const follows = ended.some((end) => end.at === at);
      const mine = tapped.some((each) => each.how === "begun" && Math.abs(Date.parse(at) - each.at) < 5000);
      expect([kind, id, follows || mine]).toEqual([kind, id, true]);
    }
    expect(log.filter(({ kind }) => /skipped|handed|correction/.test(kind))).toEqual([]);
    expect(log.filter(({ over: by }) => (by ?? 0) > 600)).toHaveLength(lates);
    const rooms = log.filter(({ kind }) => kind === "room-finished");
    expect(new Set(rooms.map(({ roomId }) => roomId)).size).toBe(rooms.length);
    for (const { roomId, at } of rooms)
      expect(ended.findLast((entry) => entry.roomId === roomId)?.at).toBe(at);
    expect(rooms.length).toBe(3);
    // And as people read it.
    await on.goto(`${new URL(on.url()).origin}${LIBRARY}/log?kind=steps`);
    const rows = on.getByRole("region", { name: "What happened" }).getByRole("listitem");
    await expect(rows.first()).toContainText("Step done");
    const read = (await rows.allInnerTexts()).filter((text) => text.includes("Step done")).toReversed();
    expect(read).toHaveLength(ended.filter(({ kind }) => kind === "step-done").length);
    for (const { what } of ends.filter((each) => each.how === "done" && !each.what.includes(" and ")))
      expect(read.some((text) => text.includes(what))).toBe(true);
    await on.context().close();
  });
});

test("what nobody plans for: the meter and the tanks read on the card, a room taken out while it stands sprayed, a job begun on another day", async ({
  page,
}) => {
  await begin(page);

  // Read where one stands, with the room of the step chosen; the tanks are of the rooms done since they were last read.
  await press(now(page), "Reading");
  const reading = page.getByRole("dialog", { name: "Reading" });
  await expect(reading.getByText("This room isn’t started yet.")).toBeVisible();
  await reading.getByLabel("Room").selectOption({ label: "Reading room A" });
  await reading.getByLabel("Meter reading").fill("131");
  await press(reading, "Log entry");
  await expect(reading.getByText("A meter reads 0 to 100%. On another scale")).toBeVisible();
  await reading.getByLabel("Meter reading").fill("31");
  await press(reading, "Log entry");
  await press(now(page), "Tanks");
  const tanks = page.getByRole("dialog", { name: "Tanks" });
  await expect(tanks.getByRole("button", { name: "Reading room A" })).toHaveAttribute("aria-pressed", "true");
  await expect(tanks.getByRole("button", { name: "Foyer" })).toHaveAttribute("aria-pressed", "false");
  await tanks.getByLabel("Solution used").fill("30 L");
  await tanks.getByLabel("Recovered").fill("24 L");
  await press(tanks, "Log readings");
  await later(page);

  await until(page, /^Spray, Children/);
  const sprayed = await step(page).innerText();
  while ((await step(page).innerText()) === sprayed) await goOn(page);
  const dwelling = page.getByRole("region", { name: "Dwelling" });
  await expect(dwelling).toContainText(/Children’s corner.*ready/);
  const phase = (name: string) =>
    page.getByRole("navigation", { name: "Phases of the job" }).getByRole("link", { name });
  await phase("Survey").click();
  await page.getByRole("button", { name: /^Children’s corner/ }).click();
  await press(page, "Remove");
  await press(page, "Remove room");
  await phase("Run").click();
  const gone = page.getByText("Children’s corner: sprayed, then removed from the job.");
  await expect(gone).toBeVisible();
  await expect(step(page)).not.toContainText("Children");
  await phase("Survey").click();
  await page.getByRole("button", { name: /^Undo: / }).click();
  await phase("Run").click();
  await expect(gone).toHaveCount(0);
  await expect(dwelling).toContainText(/Children’s corner.*(ready|late)/);
  await expect
    .poll(
      () =>
        later(page, 10)
          .then(() => kinds(page, "water-measured"))
          .then((read) => read.length),
      {
        timeout: 20_000,
      },
    )
    .toBe(1);
  const shown = (await logOf(page)).find(({ kind, moisture }) => kind === "reading" && moisture === 0.31);
  expect(shown?.roomId).toBe("01930000-0000-7000-8500-000000000001");

  const GUESTS = "/jobs/01930000-0000-7000-8400-000000000004";
  const dayOf = async () => (await (await page.request.get(`/api${GUESTS}`)).json()).job.day as string;
  const planned = await dayOf();
  await page.goto(`${GUESTS}/run`);
  await press(page, "Start job");
  const asked = page.getByRole("dialog", { name: /^This job is planned for / });
  await press(asked, "Not now");
  await expect(page.getByRole("button", { name: "Start job" })).toBeVisible();
  await press(page, "Start job");
  await press(asked, "Move to now and start");
  await expect(step(page)).toBeVisible();
  await expect
    .poll(() => later(page, 10).then(dayOf), { timeout: 20_000 })
    .toBe(await page.evaluate(() => new Date().toLocaleDateString("sv")));
  expect(planned).not.toBe(await dayOf());
});
