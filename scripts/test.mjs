// Unit, store and browser tests against a throw-away database. Sets up whatever is missing.
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { buildAll } from "./build.mjs";
import { startMariadb } from "./mariadb.mjs";
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { checkNode, ensureModules, ensurePrograms } from "./setup.mjs";

const dir = fs.mkdtempSync(path.join(os.tmpdir(), "scutch test "));
let database;
let code = 0;
const clear = async () => {
  await database?.stop();
  fs.rmSync(dir, { recursive: true, force: true });
};
for (const signal of ["SIGINT", "SIGTERM"])
  process.on(signal, () => void clear().then(() => process.exit(130)));

try {
  checkNode();
  await ensurePrograms(["mariadbd", "chromium"]);
  await ensureModules();
  database = await startMariadb({ dir });
  const env = { TEST_DATABASE_URL: database.url, NODE_OPTIONS: "--experimental-vm-modules --no-warnings" };
  await binary(inRoot("node_modules/jest/bin/jest.js"), process.argv.slice(2), { env });
  await buildAll();
  await binary(inRoot("node_modules/@playwright/test/cli.js"), ["test"], {
    cwd: inRoot("e2e"),
    env: { TEST_DATABASE_URL: database.url },
  });
} catch (error) {
  console.error(error.message);
  code = 1;
}
await clear();
process.exit(code);
