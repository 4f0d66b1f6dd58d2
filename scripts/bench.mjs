// Speed, as a table. Machines are shared and noisy: read the ratios and the order of magnitude, not the last digit.
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { gzipSync } from "node:zlib";
import { buildAll } from "./build.mjs";
import { startMariadb } from "./mariadb.mjs";
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { checkNode, ensureModules, ensurePrograms } from "./setup.mjs";

/** JavaScript the first page asks for before it can be used: the entry and what it imports at once. */
function firstLoad() {
  const html = fs.readFileSync(inRoot("web/dist/index.html"), "utf8");
  const assets = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((match) => match[1]);
  return assets.reduce(
    (sum, asset) => sum + gzipSync(fs.readFileSync(inRoot("web/dist", asset)), { level: 9 }).length,
    0,
  );
}

function row(what, value, budget) {
  console.log(`${what.padEnd(58)} ${value.padStart(12)}   ${budget}`);
}

const dir = fs.mkdtempSync(path.join(os.tmpdir(), "scutch-bench-"));
let database;
try {
  checkNode();
  await ensurePrograms(["mariadbd", "chromium"]);
  await ensureModules();
  await buildAll();
  database = await startMariadb({ dir });
  row("what", "measured", "budget");
  row("first load, JavaScript, gzipped", `${(firstLoad() / 1000).toFixed(0)} kB`, "≤ 250 kB");
  const env = { BENCH_DATABASE_URL: database.url };
  const tsx = inRoot("node_modules/tsx/dist/cli.mjs");
  for (const part of ["core", "api", "redraw"]) await binary(tsx, [inRoot(`e2e/bench/${part}.ts`)], { env });
} catch (error) {
  console.error(error.message);
  process.exitCode = 1;
} finally {
  await database?.stop();
  fs.rmSync(dir, { recursive: true, force: true });
}
