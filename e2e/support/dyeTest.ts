import { expect, type Page } from "@playwright/test";

/** Makes the dye test that is asked for first on the page; its clock is run forward, so it must be the test's own. */
export async function dyeTest(page: Page, place: string): Promise<void> {
  await page.getByRole("button", { name: "Do the dye test" }).first().click();
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
}
