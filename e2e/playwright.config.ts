import { defineConfig, devices } from "@playwright/test";

/**
 * The demo stands as people at work would find it: begun this morning, drying, to come. In whatever zone it is the afternoon
 * now, the tests, their servers and their browsers find it so at any hour.
 */
const AFTERNOON = 15;
const hoursAhead = ((AFTERNOON - new Date().getUTCHours() + 12 + 24) % 24) - 12;
process.env.TEST_ZONE ??= `Etc/GMT${hoursAhead > 0 ? "-" : "+"}${Math.abs(hoursAhead)}`;
process.env.TZ = process.env.TEST_ZONE;

/** Tests that start the app by its own command, and so have no server of the others’. */
const START = ["start.spec.ts", "backup.spec.ts", "restore.spec.ts"];

export default defineConfig({
  testDir: "./tests",
  outputDir: "./.results",
  workers: 1,
  forbidOnly: process.env.CI !== undefined,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  globalTimeout: 35 * 60_000,
  // In a whole run a machine may stop for seconds. What passes only the second time is listed as flaky: mend it.
  retries: process.env.RETRIES === undefined ? 0 : Number(process.env.RETRIES),
  reporter: [["list"], ["./support/slowest.ts"]],
  projects: [
    { name: "journeys", testIgnore: START },
    { name: "start", testMatch: START },
  ],
  use: {
    ...devices["Desktop Chrome"],
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    // Keeping the offline copy takes as long as a page does: only where a test is about it.
    serviceWorkers: "block",
    // Recording every test costs a third of its time: TRACE=1 records those that fail.
    trace: process.env.TRACE ? "retain-on-failure" : "off",
    screenshot: "only-on-failure",
    actionTimeout: 20_000,
    navigationTimeout: 30_000,
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--disable-dev-shm-usage",
      ],
    },
  },
});
