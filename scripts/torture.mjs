// Kills server, database and browser under working clients and looks for what was lost: see e2e/torture.
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { ensurePrograms } from "./setup.mjs";
import { setUpAndBuild } from "./throwaway.mjs";

try {
  await setUpAndBuild();
  if (process.argv.includes("--cluster")) await ensurePrograms(["mariadb-backup"]);
  await binary(inRoot("node_modules/tsx/dist/cli.mjs"), [
    inRoot("e2e/torture/torture.ts"),
    ...process.argv.slice(2),
  ]);
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
