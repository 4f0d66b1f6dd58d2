// npm run mutate -- --sample 200 --seed 1: changes tokens of core and contract, one at a time, and counts how many changes the
// tests catch. Works in a copy, so the checkout stays as it is. On two cores 100 lines take an hour or two, and it says how far it is.
import { execFileSync } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { parseArgs } from "node:util";
import { inRoot } from "./paths.mjs";
import { binary } from "./run.mjs";
import { ensureModules } from "./setup.mjs";

const { values } = parseArgs({
  options: {
    sample: { type: "string", default: "200" },
    seed: { type: "string", default: "1" },
    files: { type: "string", default: "" },
  },
});
const [sample, seed] = [Number(values.sample), Number(values.seed)];
if (!(sample >= 1) || !Number.isInteger(seed)) {
  console.error("npm run mutate -- --sample 200 --seed 1 [--files core/src/mix]");
  process.exit(1);
}

/** Mulberry32: the same sample for the same seed. */
let state = seed >>> 0;
function random() {
  state = (state + 0x6d2b79f5) >>> 0;
  let t = state;
  t = Math.imul(t ^ (t >>> 15), t | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}

const tracked = execFileSync("git", ["ls-files"], { cwd: inRoot(), encoding: "utf8" }).trim().split("\n");

/** The tracked files as they are now, with packages linked to this checkout's and workspaces to the copy's own. */
function makeCopy() {
  const copy = fs.mkdtempSync(path.join(os.tmpdir(), "scutch-mutate-"));
  for (const file of tracked) {
    if (!fs.existsSync(inRoot(file)) || !/^(core|contract|docs|package\.json|tsconfig\.base)/.test(file))
      continue;
    fs.mkdirSync(path.dirname(path.join(copy, file)), { recursive: true });
    fs.copyFileSync(inRoot(file), path.join(copy, file));
  }
  fs.mkdirSync(path.join(copy, "node_modules/@scutch"), { recursive: true });
  for (const name of fs.readdirSync(inRoot("node_modules")))
    if (name !== "@scutch")
      fs.symlinkSync(inRoot("node_modules", name), path.join(copy, "node_modules", name));
  for (const name of ["core", "contract"])
    fs.symlinkSync(path.join(copy, name), path.join(copy, "node_modules/@scutch", name));
  return copy;
}

/** Random lines that may hold something to change, in shipped files of core and contract. */
function sampleLines(count) {
  const wanted = values.files === "" ? /^(core|contract)\/src\// : new RegExp(`^${values.files}`);
  const lines = tracked
    .filter(
      (file) =>
        wanted.test(file) &&
        file.endsWith(".ts") &&
        !/\.test\.ts$|\/testing\/|index\.ts$|\.d\.ts$/.test(file),
    )
    .flatMap((file) =>
      fs
        .readFileSync(inRoot(file), "utf8")
        .split("\n")
        .flatMap((text, i) => {
          const isCode = !/^\s*(\/\/|\/?\*|import |export \{|export type|\}|\]|\)|$)/.test(text);
          // Types and descriptions change nothing that runs.
          return isCode && !/readonly |\.meta\(|^\s*type:|description:/.test(text)
            ? [`${file}:${i + 1}-${i + 1}`]
            : [];
        }),
    );
  for (let i = lines.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [lines[i], lines[j]] = [lines[j], lines[i]];
  }
  return lines.slice(0, count);
}

const JEST = `
const swc = ["@swc/jest", { jsc: { parser: { syntax: "typescript" }, target: "es2022" }, module: { type: "es6" } }];
export default {
  extensionsToTreatAsEsm: [".ts"],
  transform: { "^.+\\\\.ts$": swc },
  testEnvironment: "node",
  testMatch: ["<rootDir>/{core,contract}/src/**/*.test.ts"],
};
`;

await ensureModules();
const copy = makeCopy();
try {
  fs.writeFileSync(path.join(copy, "jest.config.mjs"), JEST);
  fs.writeFileSync(
    path.join(copy, "stryker.config.json"),
    JSON.stringify({
      testRunner: "jest",
      plugins: ["@stryker-mutator/jest-runner"],
      testRunnerNodeArgs: ["--experimental-vm-modules", "--no-warnings"],
      jest: { configFile: "jest.config.mjs", projectType: "custom" },
      coverageAnalysis: "perTest",
      // A line holds a little more than one change.
      mutate: sampleLines(sample),
      mutator: { excludedMutations: ["StringLiteral"] },
      // A change that runs while a module is loaded (a table's figure) would need every test again, minutes each.
      ignoreStatic: true,
      inPlace: true,
      concurrency: Math.max(1, Math.min(4, os.availableParallelism())),
      timeoutMS: 20_000,
      dryRunTimeoutMinutes: 20,
      reporters: ["json", "clear-text", "progress-append-only"],
      jsonReporter: { fileName: "mutation.json" },
      clearTextReporter: { allowColor: false, reportTests: false, reportScoreTable: false },
    }),
  );
  await binary(inRoot("node_modules/@stryker-mutator/core/bin/stryker.js"), ["run", "stryker.config.json"], {
    cwd: copy,
    // Whole plans are checked on fewer random jobs: each change in the planner would need all of them again.
    env: { PLAN_JOBS: process.env.PLAN_JOBS ?? "20" },
    minutes: 300,
  });
  const report = JSON.parse(fs.readFileSync(path.join(copy, "mutation.json"), "utf8"));
  const mutants = Object.values(report.files).flatMap(({ mutants }) => mutants);
  const ran = mutants.filter(({ status }) =>
    ["Killed", "Timeout", "Survived", "NoCoverage"].includes(status),
  );
  const caught = ran.filter(({ status }) => status === "Killed" || status === "Timeout");
  for (const [file, { mutants: own, source }] of Object.entries(report.files))
    for (const { status, location, replacement, mutatorName } of own)
      if (status === "Survived" || status === "NoCoverage")
        console.log(
          `${status}: ${file}:${location.start.line} ${mutatorName} → ${replacement}\n    ${source.split("\n")[location.start.line - 1].trim()}`,
        );
  console.log(
    `${caught.length} of ${ran.length} changes caught: ${((100 * caught.length) / ran.length).toFixed(1)}% (seed ${seed})`,
  );
} finally {
  fs.rmSync(copy, { recursive: true, force: true });
}
