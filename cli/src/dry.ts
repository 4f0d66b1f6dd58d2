import type { DryingCases } from "@scutch/contract";
import { simulateDrying } from "@scutch/core/drying";

/** The same cases with what Scutch computes beside what was expected, keys alike. */
export function dryReport(file: DryingCases) {
  return {
    ...file,
    cases: file.cases.map((each) => ({
      ...each,
      computed: simulateDrying(each).rooms.map(({ course: _course, ...room }) => room),
    })),
  };
}
