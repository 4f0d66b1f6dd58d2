/** The first phase on site, on a phone: what is there, what must not be done to it, spots and pictures. */
import { expect, type Page } from "@playwright/test";
import { dyeTest } from "../support/dyeTest.ts";
import { test } from "../support/stack.ts";

test.use({ serviceWorkers: "allow" });

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const GUESTHOUSE = "/jobs/01930000-0000-7000-8400-000000000004";
const LOUNGE = "01930000-0000-7000-8500-000000000008";
const HALL = "01930000-0000-7000-8500-000000000011";

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const phase = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Phases of the job" }).getByRole("link", { name });
const roomNames = async (page: Page) =>
  page.getByRole("list").first().locator("button[aria-pressed]").allInnerTexts();
const closeRoom = (page: Page) => page.getByRole("button", { name: "Close room" }).click();

async function addFrom(page: Page, template: string, size?: string) {
  await page.getByRole("button", { name: `Add ${template}` }).click();
  if (!size) return;
  await expect(page.getByRole("textbox", { name: /^Size of/ })).toBeFocused();
  await page.keyboard.type(size);
  await page.keyboard.press("Enter");
}

test("a flat is surveyed: rooms from templates, doors, the order to walk out in, and what the customer says", async ({
  page,
  request,
}) => {
  await page.goto("/");
  await page.getByRole("button", { name: "New job" }).click();
  await page.getByLabel("Place").fill("9 Mill Row");
  await page.getByRole("button", { name: "Create job" }).click();
  await expect(page.getByRole("textbox", { name: "Room", exact: true })).toBeFocused();

  await addFrom(page, "Hall", "4.2 x 1.1");
  await addFrom(page, "Lounge", "5.2 x 3.9 + 1.5 x 0.8");
  await addFrom(page, "Bedroom", "3.6 x 3.1");
  await addFrom(page, "Bedroom", "3.1 x 2.9");
  await addFrom(page, "Flight of 13");
  // Every room opens to the hall unless somebody says otherwise, and the hall is left last.
  await expect(page.getByRole("list").first().getByRole("listitem")).toHaveCount(5);
  expect((await roomNames(page)).at(-1)).toBe("Hall");
  await expect(page.getByRole("button", { name: /^5 Hall, 4\.6/ })).toBeVisible();
  await expect(page.getByText("Bedroom 2").first()).toBeVisible();

  // Ninety steps are not one flight.
  await page.getByRole("button", { name: "Flight of 13", exact: true }).click();
  await page.getByLabel("Steps", { exact: true }).fill("90");
  await page.getByLabel("Steps", { exact: true }).press("Enter");
  await expect(page.getByText("Enter 1 to 40. For more, copy the room.")).toBeVisible();
  await page.getByLabel("Floor level").selectOption({ label: "Upstairs" });
  await closeRoom(page);

  // The hall done first would be walked over wet.
  await page
    .getByRole("button", { name: "Exit level" })
    .or(page.getByRole("radio", { name: "Exit level" }))
    .click();
  await page.getByRole("button", { name: "Hall", exact: true }).click();
  for (let i = 0; i < 4; i++) await page.getByRole("button", { name: "Earlier in walk-out order" }).click();
  await closeRoom(page);
  await expect(page.getByText(/You can only leave .* across Hall, which is cleaned first/)).toBeVisible();
  await page.getByRole("button", { name: "Put rooms in walk-out order" }).click();
  await expect(page.getByText(/You can only leave/)).toHaveCount(0);
  expect((await roomNames(page)).at(-1)).toBe("Hall");

  // An alcove in the lounge; one too wide for its wall is refused.
  const lounge = page.getByRole("button", { name: "Area of Lounge: show the calculation" });
  await expect(lounge).toHaveText("21.5 m²");
  await page.getByRole("button", { name: "Lounge", exact: true }).click();
  await page.getByRole("button", { name: "Add alcove, fixed unit or hearth" }).click();
  await page.getByLabel("Kind").selectOption({ label: "Alcove or bay" });
  await page.getByLabel("Width").fill("1.5");
  await page.getByLabel("Width").press("Enter");
  await page.getByLabel("Depth").fill("0.6");
  await page.getByLabel("Depth").press("Enter");
  await page.getByLabel("Width").fill("9");
  await page.getByLabel("Width").press("Enter");
  await expect(page.getByText(/It doesn’t fit there/).first()).toBeVisible();
  await closeRoom(page);
  await expect(lounge).toHaveText("22.4 m²");

  const detergent = page.getByRole("radiogroup", { name: "DIY cleaner or softener used?" });
  await detergent.getByRole("radio", { name: "Yes" }).click();
  await expect(page.getByText(/Defoamer in the recovery tank: \d+\sml\. One extra wet stroke/)).toBeVisible();
  await page.getByRole("link", { name: /^Price/ }).click();
  await expect(page.getByRole("list", { name: "Lines" })).toContainText("Rinsing out old detergent");

  const id = page.url().split("/jobs/")[1]?.split("/")[0];
  await expect
    .poll(async () => (await (await request.get(`/api/jobs/${id}`)).json()).job?.interview?.detergentLeft)
    .toBe(true);
  const { job } = await (await request.get(`/api/jobs/${id}`)).json();
  expect(job.doors).toHaveLength(5);
  expect(job.doors.filter((door: { to?: string }) => door.to === undefined)).toHaveLength(1);
});

test("a wool hall stops an alkaline product and says why, in survey and in mix; its own product waits for its dye test", async ({
  page,
}) => {
  await page.clock.install();
  await page.goto(`${GUESTHOUSE}/survey?room=${HALL}&part=floor`);
  await page.getByLabel("Mix").selectOption({ label: "Meadow pre-spray" });
  const stop = page.getByRole("alert").filter({ hasText: "Stop: Meadow pre-spray" }).first();
  await expect(stop).toContainText("Above pH 10 wool and silk dissolve");
  await expect(stop).toContainText("To fix it: Use a product labelled for wool");
  await expect(stop).toContainText("The label says not to use it on this fibre");

  await phase(page, "Mix").click();
  const meadow = page.getByRole("region", { name: "Meadow pre-spray" });
  await expect(meadow.getByText(/Don’t mix yet: a stop applies to .*Hall/)).toBeVisible();
  await expect(meadow.getByRole("button", { name: "Mark as mixed" })).toHaveCount(0);
  // The way out is where the stop is.
  await meadow.getByRole("button", { name: /^Use Teasel wool pre-spray in .*Hall/ }).click();
  await expect(meadow.getByText(/Don’t mix yet: a stop applies to/)).toHaveCount(0);

  const wool = page.getByRole("region", { name: "Teasel wool pre-spray" });
  await expect(wool.getByText("To do: dye test of Teasel wool pre-spray.").first()).toBeVisible();
  await wool.getByRole("button", { name: "Skip test" }).click();
  const answer = page.getByRole("button", { name: "I take responsibility" });
  await expect(answer).toBeDisabled();
  await page.getByLabel("Owner’s name").fill("Mira");
  await page.getByLabel("Reason").fill("Same carpet as last spring");
  await answer.click();
  await expect(wool.getByText("Not dye-tested: owner took responsibility.")).toBeVisible();
  await expect(wool.getByRole("button", { name: "Mark as mixed" })).toBeVisible();
  await wool.getByRole("button", { name: "Repeat the dye test" }).click();
  await page.getByRole("button", { name: "Start the 30 s" }).click();
  await page.getByRole("button", { name: "Behind door" }).click();
  await page.getByRole("button", { name: "Colour bled" }).click();
  // Colour on the cloth counts for more than a word given before it.
  await expect(wool.getByText("this carpet’s colour bled with")).toBeVisible();
  await expect(wool.getByRole("button", { name: "Mark as mixed" })).toHaveCount(0);
  await phase(page, "Log").click();
  await expect(
    page.getByText(/Mira, signed in as owner, took responsibility: Same carpet as last spring/),
  ).toBeVisible();
  await expect(page.getByText(/Behind door, \d+ s: colour bled, stop/)).toBeVisible();
});

test("a spot is worked through three steps, each timed, tested and logged, until it is gone", async ({
  page,
  request,
}) => {
  await page.clock.install();
  await page.goto(`${FLAT}/survey?room=${LOUNGE}&part=spots`);
  await page.getByRole("button", { name: /Coffee, tea/ }).click();
  const dialog = page.getByRole("dialog").first();
  await expect(dialog.getByText("No alkali: it sets the brown.")).toBeVisible();
  const neutral = dialog.getByRole("region", { name: "Now: Neutral spotter" });
  await expect(neutral).toContainText(/Mix 100\sml: 89\sml of water, then 11\sml of concentrate/);
  await neutral.getByRole("button", { name: "Start timer, 4:30" }).click();
  await page.clock.fastForward(271_000);
  await expect(neutral.getByText("blot or extract now")).toBeVisible();
  await neutral.getByRole("button", { name: "Better" }).click();
  await neutral.getByRole("button", { name: "No change" }).click();

  const acid = dialog.getByRole("region", { name: "Now: Acid spotter" });
  await expect(acid.getByRole("button", { name: "Gone" })).toBeDisabled();
  await dyeTest(page, "Inside the cupboard");
  await acid.getByRole("button", { name: "Gone" }).click();
  await expect(dialog.getByText("It’s gone.")).toBeVisible();
  await page.keyboard.press("Escape");
  await phase(page, "Log").click();
  await expect(
    page.getByText("Coffee, tea in Lounge: acid spotter with Rowan tannin spotter, gone"),
  ).toBeVisible();
  await expect
    .poll(async () => {
      const { entries } = await (await request.get(`/api${FLAT}/log`)).json();
      return entries.filter(({ kind }: { kind: string }) => kind === "spot-attempt").length;
    })
    .toBe(6);
});

test("a picture taken with no signal is there at once and joins up later; what isn't a picture is said", async ({
  page,
  stack,
  request,
}) => {
  await page.goto(`${FLAT}/survey?room=${LOUNGE}&part=photos`);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  const bytes = await page.evaluate(async () => {
    const canvas = Object.assign(document.createElement("canvas"), { width: 2000, height: 1000 });
    canvas.getContext("2d")?.fillRect(200, 200, 900, 500);
    const blob = await new Promise<Blob>((resolve) =>
      canvas.toBlob((made) => resolve(made as Blob), "image/png"),
    );
    return [...new Uint8Array(await blob.arrayBuffer())];
  });
  const picture = { name: "carpet.png", mimeType: "image/png", buffer: Buffer.from(bytes) };
  await page
    .getByLabel("Photo, before")
    .setInputFiles({ name: "notes.jpg", mimeType: "image/jpeg", buffer: Buffer.from("not a picture") });
  await expect(page.getByRole("alert")).toHaveText(/can’t read this file as a photo/);

  await stack.stop();
  await page.getByLabel("Photo, before").setInputFiles(picture);
  const shown = page.getByRole("region", { name: "Before" }).getByRole("img");
  await expect(shown).toHaveCount(1);
  await expect(page.getByText(/You’re offline/)).toBeVisible();
  await page.reload();
  await expect(shown).toHaveCount(1);
  expect(
    await shown.evaluate((image: HTMLImageElement) => image.decode().then(() => image.naturalWidth)),
  ).toBe(1600);

  await stack.start();
  await expect(page.getByText(/You’re offline/)).toHaveCount(0, { timeout: 20_000 });
  const photos = async () => (await (await request.get(`/api${FLAT}/photos`)).json()).photos;
  await expect.poll(async () => (await photos()).length).toBe(1);
  const [photo] = await photos();
  expect(photo).toMatchObject({ roomId: LOUNGE, moment: "before", width: 1600, height: 800 });
  expect((await request.get(`/api/photos/${photo.id}`)).headers()["content-type"]).toBe("image/jpeg");
  await page.reload();
  await expect(shown).toHaveAttribute("src", new RegExp(`^/api/photos/${photo.id}\\?crew=`));

  await shown.click();
  await page.getByRole("button", { name: "Remove photo", exact: true }).click();
  await page.getByRole("button", { name: "Delete photo" }).click();
  await expect(shown).toHaveCount(0);
  await expect.poll(async () => (await photos()).length).toBe(0);
});

test("the reference is found by a word, with no signal too", async ({ page, stack }) => {
  await page.goto("/reference");
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await stack.stop();
  await page.reload();
  await page.getByRole("searchbox").fill("chlorine bleach and acid");
  await expect(page.getByRole("heading", { name: "Chlorine bleach and acid" })).toBeVisible();
  await expect(page.getByText("EUH031: Contact with acids liberates toxic gas.").first()).toBeVisible();
  await page.getByRole("searchbox").fill("marzipan");
  await expect(page.getByText("No results for “marzipan”.")).toBeVisible();
});
