// Format, lint, types, dependency arrows, dead code, generated documents, paths in docs, unit and component tests. Stops at the
// first that fails. --without-tests leaves the tests to npm test.
import { inRoot } from "./paths.mjs";
import { binary, run } from "./run.mjs";
import { checkNode, ensureModules } from "./setup.mjs";

const tool = (name, file) => inRoot("node_modules", name, file);
const PROJECTS = ["core", "contract", "server", "web", "cli", "e2e"];

const STEPS = [
  [
    "format and lint",
    () => binary(tool("@biomejs/biome", "bin/biome"), ["check", "--error-on-warnings", "."]),
  ],
  [
    "types",
    () =>
      Promise.all(
        PROJECTS.map((project) => binary(tool("typescript", "bin/tsc"), ["--noEmit", "-p", project])),
      ),
  ],
  [
    "dependency arrows",
    () =>
      binary(tool("dependency-cruiser", "bin/dependency-cruise.mjs"), [
        "core/src",
        "contract/src",
        "server/src",
        "web/src",
        "cli/src",
        "--config",
        ".dependency-cruiser.cjs",
      ]),
  ],
  ["dead code", () => binary(tool("knip", "bin/knip.js"), [])],
  ["words", () => run(process.execPath, [inRoot("scripts/checkWords.mjs")])],
  ["paths and figures in docs", () => run(process.execPath, [inRoot("scripts/checkDocs.mjs")])],
  ["generated documents", () => binary(tool("tsx", "dist/cli.mjs"), ["cli/src/generateDocs.ts", "--check"])],
  [
    "unit tests",
    () =>
      binary(tool("jest", "bin/jest.js"), ["--selectProjects", "unit", "dom"], {
        env: { NODE_OPTIONS: "--experimental-vm-modules --no-warnings" },
      }),
  ],
];

try {
  checkNode();
  await ensureModules();
  const withoutTests = process.argv.includes("--without-tests");
  for (const [name, step] of withoutTests ? STEPS.filter(([name]) => name !== "unit tests") : STEPS) {
    console.log(`— ${name}`);
    await step();
  }
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
