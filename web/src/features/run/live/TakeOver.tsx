import type { JobRun, JoinedSteps, Step } from "@scutch/core/run";
import { isStepActive, openStepsOf, type ProgressById, STEP_FACTS } from "@scutch/core/run";
import { midSentence, personName } from "../../../shared/run/stepWords.ts";
import { Button } from "../../../ui/Button.tsx";

interface Props {
  readonly run: JobRun;
  readonly known: ProgressById;
  readonly others: readonly number[];
  readonly names: readonly string[];
  readonly what: (...steps: JoinedSteps) => string;
  readonly onTake: (step: Step) => void;
}

/** Nothing is to be done for somebody just now: what the others have still to do, each to be taken over with a tap. */
export function TakeOver({ run, known, others, names, what, onTake }: Props) {
  const theirs = others.flatMap((other) =>
    openStepsOf(run, known, other)
      .filter(({ id, kind }) => !isStepActive(known, id) && STEP_FACTS[kind].canBeTakenOver)
      .slice(0, 2)
      .map((step) => ({ step, other })),
  );
  if (theirs.length === 0) return null;
  return (
    <div className="grid gap-2">
      {theirs.map(({ step, other }) => (
        <Button key={step.id} onClick={() => onTake(step)}>
          Take over from {personName(other, names)}: {midSentence(what(step))}
        </Button>
      ))}
    </div>
  );
}
