// The command line: node scripts/scutch.mjs plan JOB.json · dry CASES.json. Nothing but its answer on standard output.
import { spawnSync } from "node:child_process";
import { pathToFileURL } from "node:url";
import { inRoot } from "./paths.mjs";
import { checkNode, ensureModules } from "./setup.mjs";

try {
  checkNode();
  await ensureModules();
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
const tsx = pathToFileURL(inRoot("node_modules/tsx/dist/loader.mjs")).href;
const { status } = spawnSync(
  process.execPath,
  ["--import", tsx, inRoot("cli/src/main.ts"), ...process.argv.slice(2)],
  {
    stdio: "inherit",
    cwd: process.env.INIT_CWD ?? process.cwd(),
  },
);
process.exit(status ?? 1);
