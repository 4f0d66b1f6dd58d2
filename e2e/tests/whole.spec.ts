/** One job from its price to the signature under it, on a phone whose clock the test moves. */
import { expect, type Page } from "@playwright/test";
import { goOn, later, now, step } from "../support/card.ts";
import { allSent } from "../support/device.ts";
import { dyeTest } from "../support/dyeTest.ts";
import { pdfImages, pdfText, unspaced } from "../support/pdf.ts";
import { test } from "../support/stack.ts";

test.describe.configure({ timeout: 180_000 });
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const id = (kind: string, n: number) => `01930000-0000-7000-8${kind}00-${n.toString(16).padStart(12, "0")}`;
const JOB = id("4", 0xab);
const [STUDY, HALL, MIX] = [id("5", 0xab1), id("5", 0xab2), id("6", 0xab1)];
const room = (roomId: string, name: string, length: number) => ({
  id: roomId,
  name,
  shape: { kind: "rectangle", length, width: 2 },
  fibre: "nylon",
  batchId: MIX,
});
const SMALL = {
  id: JOB,
  siteId: id("1", 1),
  title: "Study and hall",
  day: "2026-03-10",
  startsAt: "09:00",
  rooms: [room(STUDY, "Study", 3), room(HALL, "Hall", 2)],
  doors: [
    { id: id("8", 0xab1), from: STUDY, to: HALL },
    { id: id("8", 0xab2), from: HALL },
  ],
  batches: [{ id: MIX, productId: id("2", 1), vesselId: id("3", 3), measure: 5e-6 }],
};

async function addPhoto(page: Page, moment: "before" | "after"): Promise<void> {
  await page.goto(`/jobs/${JOB}/survey?room=${STUDY}&part=photos`);
  const field = page.getByLabel(`Photo, ${moment}`);
  await field.waitFor({ state: "attached" });
  const bytes = await page.evaluate(async () => {
    const canvas = Object.assign(document.createElement("canvas"), { width: 400, height: 300 });
    canvas.getContext("2d")?.fillRect(50, 50, 200, 100);
    const blob = await new Promise<Blob>((resolve) =>
      canvas.toBlob((made) => resolve(made as Blob), "image/png"),
    );
    return [...new Uint8Array(await blob.arrayBuffer())];
  });
  await field.setInputFiles({ name: "study.png", mimeType: "image/png", buffer: Buffer.from(bytes) });
  const photos = async () => (await (await page.request.get(`/api/jobs/${JOB}/photos`)).json()).photos;
  await expect
    .poll(async () => (await photos()).filter((photo: { moment: string }) => photo.moment === moment).length)
    .toBe(1);
}

test("a job is quoted, accepted, run with one step skipped and handed over: the page has the price, what was done and both pictures", async ({
  page,
}) => {
  await page.clock.install();
  const put = await page.request.put(`/api/jobs/${JOB}`, { data: { baseVersion: 0, job: SMALL } });
  expect(put.ok()).toBe(true);
  await addPhoto(page, "before");

  await page.goto(`/jobs/${JOB}/quote`);
  await page.getByRole("button", { name: "Show the customer" }).click();
  const sheet = page.getByRole("dialog");
  await sheet.getByLabel("Your name").fill("Rowan Ashby");
  const accept = sheet.getByRole("button", { name: /^Accept £/ });
  const agreed = ((await accept.innerText()).match(/£[\d.]+/) ?? [""])[0];
  await accept.click();
  await expect(sheet).toContainText("accepted by Rowan Ashby");
  await sheet.getByRole("button", { name: "Close" }).click();
  await allSent(page);

  await page.goto(`/jobs/${JOB}/mix`);
  for (const place of ["Behind the study door", "Behind the hall door"]) await dyeTest(page, place);
  await allSent(page);
  await page.goto(`/jobs/${JOB}/run`);
  await page.getByRole("button", { name: "Start job" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Move to now and start" }).click();
  await expect(step(page)).toBeVisible();
  await later(page);
  const over = page.getByRole("heading", { name: /^Packed up at/ });
  for (let taps = 0; taps < 60 && !(await over.isVisible()); taps++) {
    const name = await step(page).innerText();
    if (/^Vacuum, Hall/.test(name)) {
      await now(page).getByRole("button", { name: "Skip", exact: true }).click();
      await page.getByRole("dialog").getByRole("button", { name: "Not needed" }).click();
      await later(page);
      continue;
    }
    await goOn(page);
  }
  await expect(over).toBeVisible();
  await allSent(page);
  await addPhoto(page, "after");

  await page.goto(`/jobs/${JOB}/hand-over`);
  await page.getByRole("button", { name: "Show the customer" }).click();
  const handed = sheet.getByRole("article");
  await expect(handed).toContainText(agreed);
  await expect(handed).toContainText("Walk on in socks from about");
  await expect(handed).toContainText(/Hall[\s\S]*Vacuum\s*not done, Not needed here/);
  await sheet.getByLabel("Your name").fill("Rowan Ashby");
  await sheet.getByRole("button", { name: "Hand over" }).click();
  await expect(handed).toContainText("Rowan Ashby, ");
  const download = page.waitForEvent("download");
  await sheet.getByRole("button", { name: "PDF" }).click();
  const saved = await download;
  expect(unspaced(await pdfText(saved))).toBe(unspaced(await handed.innerText()));
  expect(await pdfImages(saved)).toBe(2);
});
