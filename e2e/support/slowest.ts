import type { Reporter, TestCase, TestResult } from "@playwright/test/reporter";
import { noteTest } from "../../scripts/slowest.mjs";

/** Notes how long each test took, for the list at the end of `npm test`. */
export default class Slowest implements Reporter {
  onTestEnd(test: TestCase, { duration }: TestResult): void {
    noteTest(test.titlePath().slice(2).join(" › "), duration);
  }
}
