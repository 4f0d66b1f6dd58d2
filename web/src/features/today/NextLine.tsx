import type { Planned } from "../../planning/planned.ts";
import { useTimes } from "../../state/useTimes.ts";
import { nextAction, nextText } from "./nextAction.ts";

/** The next action on a job, in a line. */
export function NextLine({ planned }: { readonly planned: Planned }) {
  return <>Next: {nextText(nextAction(planned), useTimes())}</>;
}
