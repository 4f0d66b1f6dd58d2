import type { DryingCases } from "@scutch/contract";
import { dryingRange, type HourRange, type RoomRange, refit, simulateDrying } from "@scutch/core/drying";

const SAMPLES = 1024;

const inOrder = ({ early, likely, late }: HourRange) => [early, likely, late];
const rangesOf = (rooms: readonly RoomRange[]) =>
  rooms.map(({ touchDry, dry }) => ({ touchDry: inOrder(touchDry), dry: inOrder(dry) }));

/** Ranges of a case before and after its readings, as 10, 50 and 90 %; and the readings that weren't used. */
function refitted(each: DryingCases["cases"][number]) {
  if (!each.readings) return {};
  const { ranges, doubtful } = refit(each, each.readings, { samples: SAMPLES });
  const before = dryingRange(each, { samples: SAMPLES });
  return { ranges: { before: rangesOf(before), after: rangesOf(ranges) }, doubtful };
}

/** The same cases with what Scutch computes beside what was expected, keys alike, and how each room ends. */
export function dryReport(file: DryingCases) {
  return {
    ...file,
    cases: file.cases.map((each) => {
      const { rooms, balanceError, heatBalanceError } = simulateDrying(each);
      return {
        ...each,
        computed: rooms.map(({ course: _course, outcome: _outcome, freeWaterLeft: _left, ...room }) => room),
        outcomes: rooms.map(({ outcome }) => outcome),
        balanceError,
        heatBalanceError,
        ...refitted(each),
      };
    }),
  };
}
