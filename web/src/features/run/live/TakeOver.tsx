import type { JobRun, Step } from "@scutch/core/run";
import { personName } from "../../../shared/run/stepWords.ts";
import { Button } from "../../../ui/Button.tsx";
import { isInHand, type Known, stepsOf } from "./liveView.ts";

interface Props {
  readonly run: JobRun;
  readonly known: Known;
  readonly who: number;
  readonly others: readonly number[];
  readonly names: readonly string[];
  readonly what: (step: Step) => string;
  readonly onTake: (step: Step) => void;
}

/** Nothing is left for somebody: what the others have still to do, each to be taken over with a tap. */
export function TakeOver({ run, known, who, others, names, what, onTake }: Props) {
  const theirs = others.flatMap((other) =>
    stepsOf(run, known, other)
      .filter(({ id, kind }) => !isInHand(known, id) && kind !== "fill")
      .slice(0, 2)
      .map((step) => ({ step, other })),
  );
  return (
    <div>
      <p className="font-semibold text-lg">Nothing is left for {personName(who, names)}.</p>
      {theirs.length > 0 && (
        <div className="mt-2 grid gap-2">
          {theirs.map(({ step, other }) => (
            <Button key={step.id} onClick={() => onTake(step)}>
              Take from {personName(other, names)}: {what(step).toLowerCase()}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}
