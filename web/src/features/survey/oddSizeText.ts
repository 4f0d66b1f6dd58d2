import type { Room } from "@scutch/contract";
import { sizeText } from "../../format/readers.ts";
import type { UnitFormatter } from "../../format/units.ts";
import type { OddSize } from "./oddSize.ts";

/** What is odd about a size, as a sentence. */
export function oddSizeText(shape: Room["shape"], odd: OddSize | undefined, units: UnitFormatter): string {
  if (odd?.kind === "side") return `Is a side of ${units.length(odd.side)} right?`;
  return `${sizeText(shape, units)} is ${Math.round(odd?.times ?? 1)} times the other rooms.`;
}

/** The same under a size that stands already. */
export const oddSizeHint = (odd: OddSize, units: UnitFormatter): string =>
  odd.kind === "side"
    ? `Is a side of ${units.length(odd.side)} right?`
    : `${Math.round(odd.times)} times the other rooms. Right?`;
