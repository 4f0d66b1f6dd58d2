// Unit, store and browser tests against a throw-away database. Sets up whatever is missing.
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { withThrowawayDatabase } from "./throwaway.mjs";

await withThrowawayDatabase(async (TEST_DATABASE_URL) => {
  const jest = { TEST_DATABASE_URL, NODE_OPTIONS: "--experimental-vm-modules --no-warnings" };
  await binary(inRoot("node_modules/jest/bin/jest.js"), process.argv.slice(2), { env: jest });
  const playwright = inRoot("node_modules/@playwright/test/cli.js");
  await binary(playwright, ["test"], { cwd: inRoot("e2e"), env: { TEST_DATABASE_URL } });
  await binary(inRoot("node_modules/tsx/dist/cli.mjs"), [inRoot("e2e/torture/torture.ts"), "--kills=6"]);
});
