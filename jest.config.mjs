import { availableParallelism } from "node:os";

const swc = (tsx) => [
  "@swc/jest",
  {
    jsc: {
      parser: { syntax: "typescript", tsx },
      target: "es2022",
      transform: { react: { runtime: "automatic" } },
    },
    module: { type: "es6" },
  },
];
const base = {
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  transform: { "^.+\\.ts$": swc(false), "^.+\\.tsx$": swc(true) },
  testEnvironment: "node",
};
export default {
  // A machine that is busy for a moment is no failure; a test that waits without end is.
  testTimeout: 30_000,
  // Two workers on two cores: Jest itself leaves one out.
  maxWorkers: Math.max(1, Math.min(4, availableParallelism())),
  reporters: ["default", "<rootDir>/scripts/slowest.mjs"],
  projects: [
    {
      ...base,
      displayName: "unit",
      // The device's database looks for the browser's when it is loaded, which is before any test file runs.
      setupFiles: ["fake-indexeddb/auto"],
      testMatch: ["<rootDir>/{core,contract,cli,web}/src/**/*.test.ts"],
    },
    {
      ...base,
      displayName: "dom",
      testEnvironment: "<rootDir>/web/src/testing/domEnvironment.mjs",
      setupFiles: ["fake-indexeddb/auto"],
      setupFilesAfterEnv: ["<rootDir>/web/src/testing/domSetup.ts"],
      testMatch: ["<rootDir>/web/src/**/*.test.tsx"],
    },
    { ...base, displayName: "store", testMatch: ["<rootDir>/server/src/**/*.test.ts"] },
  ],
};
