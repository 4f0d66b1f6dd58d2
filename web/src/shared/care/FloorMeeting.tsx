import type { HazardousPair } from "@scutch/core/care";
import { REACTANT_NAMES } from "../../format/careWords.ts";
import { Callout } from "../../ui/Callout.tsx";

/** What a product makes with something that was on the same floor before it: never, or after a rinse. */
export function FloorReaction({ hazard: { pair, gives, onOneFloor } }: { readonly hazard: HazardousPair }) {
  const [a, b] = pair.map((each) => REACTANT_NAMES[each]);
  const never = onOneFloor === "never";
  return (
    <Callout
      tone={never ? "stop" : "caution"}
      title={
        never
          ? `Stop: ${a} and ${b} on one floor.`
          : `Rinse and extract first: never put ${a} and ${b} together.`
      }
    >
      {gives}
    </Callout>
  );
}
