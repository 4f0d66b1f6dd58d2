import type { HazardousPair } from "@scutch/core/care";
import type { ReactNode } from "react";
import { capital, REACTANT_NAMES } from "../../format/careWords.ts";
import { Callout } from "../../ui/Callout.tsx";

interface Props {
  readonly hazard: HazardousPair;
  /** What they are called; the second is absent where it is the closed vessel itself. */
  readonly names: readonly [string, string?];
  /** The way out of it, where there is one. */
  readonly children?: ReactNode;
}

/** Two things that meet in one vessel, or one in a closed one: never, or only as its label says. */
export function VesselReaction({ hazard: { pair, gives, inVessel }, names: [one, other], children }: Props) {
  const [a, b] = pair.map((each) => REACTANT_NAMES[each]);
  return inVessel === "never" ? (
    <Callout tone="stop" title={`Stop: never put ${one} and ${other ?? b} together.`}>
      {capital(a ?? "")} with {b}. {gives} Leave one out, or use another sprayer for it.
      {children}
    </Callout>
  ) : (
    <Callout tone="caution" title={`${one}${other ? ` with ${other}` : ""}: vent the gas.`}>
      {gives} Follow the label. Never leave it closed. Release pressure before you open it, and empty it by
      its use-by time.
    </Callout>
  );
}
