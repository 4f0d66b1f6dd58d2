// Unit, component, store and browser tests against a throw-away database; last the start command and a short torture. Sets up
// whatever is missing. Arguments go to Jest and leave the rest out.
import path from "node:path";
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { printSlowest } from "./slowest.mjs";
import { withThrowawayDatabase } from "./throwaway.mjs";

await withThrowawayDatabase(async (TEST_DATABASE_URL, dir) => {
  const SLOWEST_FILE = path.join(dir, "slowest.jsonl");
  const started = Date.now();
  const step = async (name, work) => {
    const from = Date.now();
    console.log(`— ${name}`);
    await work();
    console.log(`— ${name}: ${Math.round((Date.now() - from) / 1000)} s`);
  };
  const jest = { TEST_DATABASE_URL, SLOWEST_FILE, NODE_OPTIONS: "--experimental-vm-modules --no-warnings" };
  const asked = process.argv.slice(2);
  await step("unit, component and store tests", () =>
    binary(inRoot("node_modules/jest/bin/jest.js"), asked, { env: jest, minutes: 25 }),
  );
  if (asked.length > 0) return;
  const browser = (project) =>
    binary(inRoot("node_modules/@playwright/test/cli.js"), ["test", `--project=${project}`], {
      cwd: inRoot("e2e"),
      env: { TEST_DATABASE_URL, SLOWEST_FILE, PHOTO_DIR: path.join(dir, "photos"), RETRIES: "1" },
      minutes: 40,
    });
  await step("journeys", () => browser("journeys"));
  // One after the other: a MariaDB that starts clears the temporary tables of another that is being set up.
  await step("start command", () => browser("start"));
  await step("torture", () =>
    binary(inRoot("node_modules/tsx/dist/cli.mjs"), [inRoot("e2e/torture/torture.ts"), "--kills=6"], {
      minutes: 8,
    }),
  );
  printSlowest(SLOWEST_FILE);
  console.log(`All tests: ${((Date.now() - started) / 60_000).toFixed(1)} min.`);
});
