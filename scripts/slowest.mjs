// The slowest tests of all runners: each appends a line per test to one file, and the end of `npm test` prints the ten slowest.
import fs from "node:fs";

/** Notes a test that ended; `ms` is how long it took. */
export function noteTest(title, ms) {
  const file = process.env.SLOWEST_FILE;
  if (file) fs.appendFileSync(file, `${JSON.stringify({ title, ms: Math.round(ms) })}\n`);
}

export function printSlowest(file, count = 10) {
  if (!fs.existsSync(file)) return;
  const tests = fs.readFileSync(file, "utf8").trim().split("\n").filter(Boolean).map(JSON.parse);
  console.log(`The ${count} slowest of ${tests.length} tests:`);
  for (const { title, ms } of tests.sort((a, b) => b.ms - a.ms).slice(0, count))
    console.log(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${title}`);
}

/** As a reporter of Jest. */
export default class JestSlowest {
  onTestResult(test, { testResults }) {
    for (const { fullName, duration } of testResults)
      noteTest(`${test.path.slice(test.path.lastIndexOf("/") + 1)}: ${fullName}`, duration ?? 0);
  }
}
