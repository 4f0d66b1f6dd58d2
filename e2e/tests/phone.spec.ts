/** A phone as it is in a van: over TLS, through the nginx that ships, with an authority of this installation's own. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect } from "@playwright/test";
import { test } from "../support/stack.ts";
import { makeTlsFront, type TlsFront } from "../support/tlsFront.ts";

let dir: string;
let front: TlsFront;
test.beforeEach(async ({ stack }) => {
  dir = mkdtempSync(join(tmpdir(), "scutch-tls-"));
  front = await makeTlsFront(dir);
  await stack.stop();
  await stack.start({ demo: false, more: { ORIGINS: front.origin } });
  await front.serve(stack.appPort);
});
test.afterEach(async ({ stack }) => {
  await front.stop();
  await stack.stop();
  rmSync(dir, { recursive: true, force: true });
});

test("the first owner joins by the command’s link over TLS; installed, the app opens offline and sends what was done there", async ({
  stack,
}) => {
  const said = stack.crew(["create", "Two Rivers"], { ORIGINS: front.origin });
  const link = /https:\S+/.exec(said)?.[0] as string;
  expect(link).toMatch(new RegExp(`^${front.origin}/join#`));
  const browser = await front.phone();
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    locale: "en-GB",
    serviceWorkers: "allow",
  });
  const page = await phone.newPage();

  // No certificate error is ignored anywhere: an authority that isn't trusted would end here.
  await page.goto(link);
  await expect(page.getByRole("heading", { name: "Join Two Rivers" })).toBeVisible();
  await page.getByLabel("Your name").fill("Ana Lund");
  await page.getByLabel("Email").fill("ana@example.test");
  await page.getByLabel("Password", { exact: true }).fill("four words easy to type");
  await page.getByRole("button", { name: "Join crew" }).click();
  await expect(page.getByText("No jobs yet.")).toBeVisible();
  const [cookie] = await phone.cookies();
  expect(cookie).toMatchObject({ secure: true, httpOnly: true, sameSite: "Lax" });
  expect(cookie?.name).toMatch(/^__Secure-/);

  const facts = await page.evaluate(async () => {
    const api = await fetch("/api/crew/members");
    const [entry] = performance.getEntriesByType("navigation") as PerformanceNavigationTiming[];
    return {
      protocol: entry?.nextHopProtocol,
      hsts: api.headers.get("strict-transport-security"),
      isSecure: isSecureContext,
    };
  });
  expect(facts).toMatchObject({ protocol: "h2", isSecure: true });

  // Installable: a manifest with an icon, a service worker that controls the page.
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await page.reload();
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  const manifest = await page.evaluate(async () => {
    const link = document.querySelector<HTMLLinkElement>("link[rel=manifest]");
    return (await fetch(link?.href ?? "")).json();
  });
  expect(manifest).toMatchObject({ name: "Scutch", display: "standalone" });

  // A PIN is asked for before anything shows, with no signal too.
  await page.getByRole("button", { name: "Settings" }).click();
  await page.getByRole("button", { name: "Set a PIN for this device" }).click();
  await page.getByLabel("New PIN").fill("482913");
  await page.getByRole("button", { name: "Save PIN" }).click();
  await expect(page.getByRole("button", { name: "Remove the PIN" })).toBeVisible();

  // The server goes, and so does the line. What is done now is there after a reload, and sent when both are back.
  await phone.setOffline(true);
  await stack.stop("SIGKILL");
  await page.reload();
  await page.getByLabel("PIN", { exact: true }).fill("0000");
  await page.getByRole("button", { name: "Open" }).click();
  await expect(page.getByText("Wrong PIN. 9 tries left.")).toBeVisible();
  await expect(page.getByText("Two Rivers")).toHaveCount(0);
  await page.getByLabel("PIN", { exact: true }).fill("482913");
  await page.getByRole("button", { name: "Open" }).click();
  await expect(page.getByText("Two Rivers")).toBeVisible();
  await page.getByRole("button", { name: "New job" }).click();
  await page.getByLabel("Place").fill("Loom Cottage");
  await page.getByLabel("Place").press("Enter");
  await expect(page.getByRole("heading", { name: /Loom Cottage/ })).toBeVisible();
  await stack.start({ demo: false, more: { ORIGINS: front.origin } });
  await phone.setOffline(false);
  const titles = () =>
    page.evaluate(async () =>
      (await (await fetch("/api/shelf")).json()).sites?.map((site: { name: string }) => site.name),
    );
  await expect.poll(titles, { timeout: 30_000 }).toEqual(["Loom Cottage"]);
});
