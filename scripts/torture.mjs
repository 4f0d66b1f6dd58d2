// Kills server, database and browser under working clients and looks for what was lost: see e2e/torture.
import { buildAll } from "./build.mjs";
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { checkNode, ensureModules, ensurePrograms } from "./setup.mjs";

try {
  checkNode();
  await ensurePrograms(["mariadbd", "chromium"]);
  await ensureModules();
  await buildAll();
  await binary(inRoot("node_modules/tsx/dist/cli.mjs"), [
    inRoot("e2e/torture/torture.ts"),
    ...process.argv.slice(2),
  ]);
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
