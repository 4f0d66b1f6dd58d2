/** What is typed once and kept: products, sprayers, corrections, settings; and working without a mouse. */
import { expect, type Locator, type Page } from "@playwright/test";
import { test } from "../support/stack.ts";

const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const GUESTHOUSE = "/jobs/01930000-0000-7000-8400-000000000004";
const figure = (page: Page, name: string) =>
  page.getByRole("button", { name: `${name}: show the calculation` });

test("a product added from its label, whose 1:4 means one in four, is mixed as its label means it", async ({
  page,
  request,
}) => {
  await page.goto(`${LIBRARY}/mix`);
  await page.getByRole("button", { name: "Add product" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Name").fill("Clover degreaser");
  await dialog.getByRole("radio", { name: "1 in 4 of mix" }).click();
  await dialog.getByRole("textbox", { name: "Light strength" }).fill("1:16");
  await dialog.getByRole("textbox", { name: "Normal strength" }).fill("1:8");
  await dialog.getByRole("textbox", { name: "Heavy strength" }).fill("1:20");
  await dialog.getByRole("button", { name: "Save product" }).click();
  await expect(dialog.getByRole("alert")).toHaveText(/Strengths must rise/);
  await dialog.getByRole("textbox", { name: "Heavy strength" }).fill("1:4");
  await dialog.getByLabel("Label cautions, one per line").fill("Gloves, goggles and an apron.");
  await dialog.getByRole("button", { name: "Save product" }).click();
  await expect(dialog).toHaveCount(0);

  await page.getByRole("button", { name: /^Wear gloves/ }).click();
  await expect(page.getByText("Gloves, goggles and an apron.", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: /^Fill 1/ }).click();
  // Heavy soil: one part in four of mix, so water is three times the concentrate.
  const litres = async (name: string) => {
    const text = (await figure(page, name).innerText()).replace(/\s/g, "");
    return Number.parseFloat(text) / (text.endsWith("ml") ? 1000 : 1);
  };
  expect((await litres("Water")) / (await litres("Concentrate"))).toBeCloseTo(3, 1);

  // Kept here first and sent after a pause, the product before the job that names it.
  const productOfJob = async () => {
    const { job } = await (await request.get(`/api${LIBRARY}`)).json();
    const { products } = await (await request.get("/api/shelf")).json();
    return products.find((each: { id: string }) => each.id === job.batches[0].productId).name;
  };
  await expect.poll(productOfJob).toBe("Clover degreaser");
});

test("two mixes in one job: each room is mix its own, and moving a room moves its area", async ({ page }) => {
  await page.goto(`${GUESTHOUSE}/mix`);
  const wool = page.getByRole("region", { name: "Teasel wool pre-spray" });
  const fill = wool.getByRole("article");
  await expect(fill.getByText("Landing", { exact: true })).toBeVisible();
  await expect(fill.getByText("Room 1", { exact: true })).toHaveCount(0);
  const chip = (mix: Locator, name: string) =>
    mix.getByRole("group", { name: "Rooms" }).getByRole("button", { name, exact: true });
  await expect(chip(wool, "Room 1")).toHaveAttribute("aria-pressed", "false");
  await chip(wool, "Room 1").click();
  await expect(fill.getByText("Room 1", { exact: true })).toBeVisible();
  // Unticked it goes back to the other mix, not nowhere.
  await chip(wool, "Room 1").click();
  await expect(chip(page.getByRole("region", { name: "Meadow pre-spray" }), "Room 1")).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await page.keyboard.press("1");
  await expect(page.getByRole("region", { name: "Add room" })).toBeVisible();
  await page.getByRole("button", { name: "Room 1", exact: true }).click();
  await page.getByRole("radio", { name: "Floor" }).click();
  await page.getByLabel("Mix").selectOption({ label: "Teasel wool pre-spray" });
  await page
    .getByRole("navigation", { name: "Phases of the job" })
    .getByRole("link", { name: "Mix", exact: true })
    .click();
  await expect(fill.getByText("Room 1", { exact: true })).toBeVisible();
});

test("a wrong entry is struck out by a correction and stays in sight; a fill struck out is to be made again", async ({
  page,
  request,
}) => {
  await page.goto(`${LIBRARY}/log`);
  await page.getByRole("button", { name: "Cross out: Fill 1 mixed" }).click();
  const strike = page.getByRole("button", { name: "Cross out" });
  await expect(strike).toBeDisabled();
  await page.getByLabel("Reason and correct details").fill("Spilt it by the van");
  await strike.click();
  await expect(page.getByText("Spilt it by the van")).toBeVisible();
  await expect(page.getByText("Fill 1 mixed")).toBeVisible();
  await page.getByRole("link", { name: "Mix", exact: true }).click();
  await expect(
    page.getByRole("article", { name: "Fill 1 of 2" }).getByRole("button", { name: "Mark as mixed" }),
  ).toBeVisible();
  await expect
    .poll(async () => (await (await request.get(`/api${LIBRARY}/log`)).json()).entries.at(-1).kind)
    .toBe("correction");
});

test("a room finished now dries from now, and the log says who", async ({ page }) => {
  await page.goto("/");
  await page.getByLabel("See the demo as").selectOption("technician");
  await expect(page.getByText("Demo: you are Osei")).toBeVisible();
  await page.goto(`${LIBRARY}/dry?room=01930000-0000-7000-8500-000000000004`);
  await expect(page.getByText("finish planned about")).toBeVisible();
  await page.getByRole("button", { name: "Mark room finished" }).click();
  await expect(page.getByText(/^finished \d\d:\d\d$/)).toBeVisible();
  await page.getByRole("link", { name: "Log" }).click();
  await expect(
    page.getByRole("listitem").filter({ hasText: "Room finished · Osei" }).filter({ hasText: "Study" }),
  ).toBeVisible();
});

test("without a mouse: a job, a room, its fills and its hour, and the keys are told by ?", async ({
  page,
}) => {
  const leaveField = () => page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.goto("/");
  await expect(page.getByRole("button", { name: "New job" })).toBeEnabled();
  await page.keyboard.press("n");
  await page.getByLabel("Place").waitFor();
  await page.getByLabel("Place").focus();
  await page.keyboard.type("Loom Cottage");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /Loom Cottage/ })).toBeVisible();
  const room = page.getByRole("textbox", { name: "Room", exact: true });
  // A new job's first field has the focus already. "A" leads to it from anywhere else.
  await expect(room).toBeFocused();
  await leaveField();
  await page.keyboard.press("a");
  await expect(room).toBeFocused();
  await page.keyboard.type("Parlour");
  await page.keyboard.press("Tab");
  await page.keyboard.type("12'6 x 10'");
  await page.keyboard.press("Enter");
  await expect(figure(page, "Area of Parlour")).toHaveText("11.6 m²");
  // The room's field still has the focus, and there a key is text.
  await page.keyboard.press("?");
  await expect(page.getByLabel("Room", { exact: true })).toHaveValue("?");
  await leaveField();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog")).toContainText("survey, mix, run, dry, hand over, log");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await leaveField(); // a closed dialog gives the focus back to where it was last
  await page.keyboard.press("2");
  await expect(figure(page, "Water")).toBeVisible();
  await page.keyboard.press("4");
  await expect(figure(page, "Dry by")).toHaveText(/\d\d:\d\d/);
  // Undo acts on the screen in sight alone: on Dry there is nothing to take back.
  await page.keyboard.press("u");
  await expect(figure(page, "Dry by")).toBeVisible();
  await page.keyboard.press("1");
  await expect(page.getByRole("button", { name: "Undo: adding Parlour" })).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByText("Add the first room.")).toBeVisible();
  await page.keyboard.press("r");
  await expect(figure(page, "Area of Parlour")).toBeVisible();
  // On a phone nothing that sticks to the foot of the screen lies over what has the focus.
  await page.setViewportSize({ width: 390, height: 844 });
  const covered = () =>
    page.evaluate(() => {
      const focused = document.activeElement;
      if (!focused || focused === document.body) return "";
      const { x, y, width, height } = focused.getBoundingClientRect();
      const top = document.elementFromPoint(x + width / 2, y + height / 2);
      return top && (focused.contains(top) || top.contains(focused))
        ? ""
        : `${focused.outerHTML.slice(0, 90)} under ${top?.outerHTML.slice(0, 160)}`;
    });
  for (let tabs = 0; tabs < 40; tabs++) {
    await page.keyboard.press("Tab");
    expect(await covered()).toBe("");
  }
});
