/** The card of the job under way, worked by a test whose page has a clock of its own. */
import { expect, type Locator, type Page } from "@playwright/test";

export const now = (page: Page) => page.getByRole("region", { name: "Now" });
export const step = (page: Page) => now(page).getByRole("heading", { level: 2 });
export const clock = (page: Page) => now(page).getByRole("timer");
export const press = (where: Page | Locator, name: string) =>
  where.getByRole("button", { name, exact: true }).click();
/** Both show the same step, once neither shows one of a plan that isn't final any more. */
export const onOneStep = (page: Page, other: Page, within: { readonly timeout?: number } = {}) =>
  expect
    .poll(async () => (await step(page).innerText()) === (await step(other).innerText()), within)
    .toBe(true);
/** Longer than a second tap has to wait to be one. */
export const later = (page: Page, seconds = 2) => page.clock.fastForward(seconds * 1000);
/** Starts or ends the step in sight, whichever is next, or makes its fill. */
export async function goOn(page: Page): Promise<string> {
  const name = await step(page).innerText();
  const button = now(page).getByRole("button", { name: /^(Start|Done)$/ });
  if ((await button.count()) === 0) {
    await now(page)
      .getByRole("button", { name: /^Show amounts/ })
      .click();
    await press(page.getByRole("dialog"), "Mark as mixed");
    await expect(page.getByRole("dialog")).toHaveCount(0);
  } else {
    await button.click();
    const early = page.getByRole("dialog").getByRole("button", { name: "Wait", exact: true });
    await page.waitForTimeout(150);
    if (await early.isVisible()) {
      await early.click();
      await later(page, 600);
      return goOn(page);
    }
  }
  await later(page);
  return name;
}

/** Goes on until a step of this name is next. */
export async function until(page: Page, wanted: RegExp): Promise<void> {
  for (let i = 0; i < 40; i++) {
    if (wanted.test(await step(page).innerText())) return;
    await goOn(page);
  }
  throw new Error(`${wanted} never came`);
}
