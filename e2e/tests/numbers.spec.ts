/** What must not go by in silence: two meanings of what is typed, two products in one sprayer, heating left off, a tank misread. */
import { expect } from "@playwright/test";
import { test } from "../support/stack.ts";

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const GUESTHOUSE = "/jobs/01930000-0000-7000-8400-000000000004";

test("what could mean two things is asked with both readings to tap, for a room's size and in a field", async ({
  page,
}) => {
  await page.goto(`${LIBRARY}/survey`);
  await page.getByLabel("Room", { exact: true }).fill("Annexe");
  await page.getByLabel("Size, any unit").fill("3m8 x 4");
  await page.getByRole("button", { name: "Add room" }).click();
  await expect(page.getByText("“3m8 x 4” could mean two things. Tap the right one:")).toBeVisible();
  await expect(page.getByRole("button", { name: "3.08 m × 4 m" })).toBeVisible();
  await page.getByRole("button", { name: "3.8 m × 4 m" }).click();
  await expect(page.getByRole("button", { name: "Area of Annexe: show the calculation" })).toHaveText(
    "15.2 m²",
  );

  await page.getByRole("button", { name: "Annexe", exact: true }).click();
  const ceiling = page.getByLabel("Ceiling height", { exact: true });
  await ceiling.fill("2m5");
  await ceiling.press("Enter");
  await page.getByRole("button", { name: "2.5 m", exact: true }).click();
  await expect(ceiling).toHaveValue(/2\.5\sm/);
  await ceiling.fill("6\"8'");
  await ceiling.press("Enter");
  await expect(page.getByText(/put the larger unit first/)).toBeVisible();
});

test("an oxygen powder added to an acid rinse is stopped before it is made, and what is only closed is said", async ({
  page,
}) => {
  await page.goto(`${LIBRARY}/mix`);
  await expect(page.getByRole("button", { name: "Mark as mixed" })).toBeVisible();
  await page.getByRole("button", { name: "Add booster" }).click();
  await page.getByLabel("Booster").selectOption({ label: "Bramble oxygen powder" });
  await expect(page.getByText("Bramble oxygen powder: vent the gas.")).toBeVisible();
  await page.getByLabel("Product", { exact: true }).selectOption({ label: "Fern acid rinse" });
  await expect(
    page.getByText("Stop: never put Fern acid rinse and Bramble oxygen powder together."),
  ).toBeVisible();
  await expect(page.getByText("Don’t mix this: the products react dangerously.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Mark as mixed" })).toHaveCount(0);
});

test("the mixer asks the shelf and judges what goes in together, on a device that has seen nothing yet", async ({
  page,
}) => {
  await page.goto("/mixer");
  await page.getByRole("button", { name: "Fern acid rinse" }).click();
  await expect(page.getByText(/Wear gloves, goggles/)).toBeVisible();
  await page.getByRole("button", { name: "Bramble oxygen powder" }).click();
  await expect(page.getByText(/never put .* together/)).toBeVisible();
});

test("with the heating off a room dries later; what is said to be moved, done with one tap, makes it sooner", async ({
  page,
}) => {
  await page.goto(`${GUESTHOUSE}/dry`);
  const heating = page.getByRole("radiogroup", { name: "Heating while it dries" });
  await expect(heating.getByRole("radio", { name: /^On/ })).toBeChecked();
  const touchDry = page.getByRole("button", { name: /^Touch-dry/ });
  const heated = await touchDry.innerText();
  await heating.getByRole("radio", { name: "Off" }).click();
  await expect(touchDry).not.toHaveText(heated);
  const cold = await touchDry.innerText();
  const moves = page.getByRole("region", { name: "What to move" });
  await moves.getByRole("button", { name: "Done: update the plan" }).click({ timeout: 30_000 });
  await expect(touchDry).not.toHaveText(cold);
  await expect(moves).toContainText(/Nothing in the van makes it sooner|sooner\./, { timeout: 30_000 });
});

test("tanks that would leave more than carpet keeps are asked about, not logged", async ({ page }) => {
  await page.goto(`${FLAT}/mix`);
  await page.getByRole("button", { name: /^Log tank readings/ }).click();
  const used = page.getByRole("group", { name: "Rooms you used it in" });
  await used.getByRole("button", { name: "Lounge", exact: true }).click();
  await page.getByLabel("Solution used").fill("400 L");
  await page.getByLabel("Recovered").fill("100 L");
  await page.getByRole("button", { name: "Log readings" }).click();
  await expect(page.getByRole("alert").filter({ hasText: /Carpet holds at most 5\skg\/m²/ })).toBeVisible();
});
