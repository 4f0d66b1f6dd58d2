// Speed, as a table. Machines are shared and noisy: read the ratios and the order of magnitude, not the last digit.
import fs from "node:fs";
import { gzipSync } from "node:zlib";
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { withThrowawayDatabase } from "./throwaway.mjs";

/** JavaScript the first page asks for before it can be used: the entry and what it imports at once. */
function firstLoad() {
  const html = fs.readFileSync(inRoot("web/dist/index.html"), "utf8");
  const assets = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((match) => match[1]);
  return assets.reduce(
    (sum, asset) => sum + gzipSync(fs.readFileSync(inRoot("web/dist", asset)), { level: 9 }).length,
    0,
  );
}

function row(what, value, budget, beside = "") {
  console.log(`${what.padEnd(62)} ${value.padStart(10)}   ${budget.padEnd(12)} ${beside}`);
}

await withThrowawayDatabase(async (BENCH_DATABASE_URL) => {
  row("what", "measured", "budget", "beside it, from the same run");
  row("first load, JavaScript, gzipped", `${(firstLoad() / 1000).toFixed(0)} kB`, "≤ 210 kB");
  const tsx = inRoot("node_modules/tsx/dist/cli.mjs");
  for (const part of ["core", "drying", "api", "many", "redraw", "live", "pdf", "visits", "crew"])
    await binary(tsx, [inRoot(`e2e/bench/${part}.ts`)], { env: { BENCH_DATABASE_URL } });
});
