import { expect, type Page } from "@playwright/test";

/** Makes the dye test that is asked for first on the page; its clock is run forward, so it must be the test's own. Ends once it is no longer asked for. */
export async function dyeTest(page: Page, place: string): Promise<void> {
  const asked = page.getByRole("button", { name: "Do the dye test" });
  const button = await asked.first().elementHandle();
  await asked.first().click();
  const dialog = page.getByRole("dialog").last();
  await dialog.getByRole("button", { name: "Start the 30 s" }).click();
  const passed = dialog.getByRole("button", { name: "No colour" });
  await expect(passed).toBeDisabled();
  await page.clock.fastForward(31_000);
  await expect(passed).toBeEnabled();
  await passed.click();
  await expect(dialog.getByRole("alert")).toHaveText(/Enter where you tested/);
  await dialog.getByLabel("Test spot").fill(place);
  await passed.click();
  // A test pressed before the page has taken this one would open for a room that is done, and close by itself.
  await button?.waitForElementState("hidden");
}
