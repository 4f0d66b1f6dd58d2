import type { DryingCases } from "@scutch/contract";
import { simulateDrying } from "@scutch/core/drying";

/** The same cases with what Scutch computes beside what was expected, keys alike, and how each room ends. */
export function dryReport(file: DryingCases) {
  return {
    ...file,
    cases: file.cases.map((each) => {
      const { rooms, balanceError, heatBalanceError } = simulateDrying(each);
      return {
        ...each,
        computed: rooms.map(({ course: _course, outcome: _outcome, ...room }) => room),
        outcomes: rooms.map(({ outcome }) => outcome),
        balanceError,
        heatBalanceError,
      };
    }),
  };
}
