import type { JoinedSteps } from "@scutch/core/run";
import { Link } from "react-router";
import type { JobDesk } from "../../../planning/desk.ts";
import { FillDialog } from "../../../shared/fill/FillDialog.tsx";
import { personName } from "../../../shared/run/stepWords.ts";
import { Button } from "../../../ui/Button.tsx";
import { Callout } from "../../../ui/Callout.tsx";
import { QuickLog } from "./QuickLog.tsx";
import { StepPrompt } from "./StepPrompt.tsx";
import type { ActiveRunState } from "./useActiveRun.ts";

/** The one large press of a step: start, done, or what a fill takes; none where a stop stands on its floor. */
export function StepButton({
  state,
  steps,
}: {
  readonly state: ActiveRunState;
  readonly steps: JoinedSteps;
}) {
  const [step] = steps;
  if (state.stopped)
    return (
      <Callout tone="stop" title="This room is blocked.">
        Don’t apply anything yet.{" "}
        <Link
          to={`../survey?room=${step.roomId}&part=floor`}
          relative="path"
          className="font-semibold text-accent underline"
        >
          See why and how to fix it
        </Link>
      </Callout>
    );
  const [name, press] =
    step.kind === "fill"
      ? ["Show amounts", () => state.ask({ what: "fill", steps })]
      : state.inHand
        ? ["Done", state.finish]
        : ["Start", state.start];
  return (
    <Button weight="main" className="min-h-16 text-xl" onClick={press}>
      {name}
    </Button>
  );
}

interface ChoicesProps {
  readonly desk: JobDesk;
  readonly state: ActiveRunState;
  readonly people: number;
  readonly practice: boolean;
}

/** What else can be done with a step, and what can be logged beside it. */
export function StepChoices({ desk, state: { steps, own, ask }, people, practice }: ChoicesProps) {
  return (
    <div className="grid grid-cols-3 gap-2">
      {steps && !own && (
        <>
          <Button className="whitespace-nowrap px-1" onClick={() => ask({ what: "skip", steps })}>
            Skip
          </Button>
          {people > 1 && (
            <Button className="whitespace-nowrap px-1" onClick={() => ask({ what: "hand", steps })}>
              Give to
            </Button>
          )}
          <Button className="whitespace-nowrap px-1" onClick={() => ask({ what: "own", steps })}>
            Add a step
          </Button>
        </>
      )}
      <QuickLog desk={desk} roomId={steps?.[0].roomId} practice={practice} />
    </div>
  );
}

interface QuestionProps {
  readonly desk: JobDesk;
  readonly state: ActiveRunState;
  readonly names: readonly string[];
  readonly practice: boolean;
}

/** What is asked about a step just now. */
export function OpenQuestion({ desk, state, names, practice }: QuestionProps) {
  const { asking, log, tap, who, group, others, readyAt, what, time, begin, following, close } = state;
  if (!asking) return null;
  const { steps } = asking;
  const [step] = steps;
  // The group in hand is what is asked about, or it is somebody else's.
  const own = group?.steps[0]?.step === step.id ? group : undefined;
  if (asking.what === "fill")
    return step.fillId === undefined ? null : (
      <FillDialog
        desk={desk}
        fillId={step.fillId}
        practice={practice}
        follows={() => following(steps)}
        onClose={close}
      />
    );
  return (
    <StepPrompt
      asking={asking.what}
      what={what(...steps)}
      others={others.map((other) => ({ who: other, name: personName(other, names) }))}
      readyAt={readyAt === undefined ? undefined : time(readyAt)}
      onSkip={(reason) => tap(() => log.skip(steps, who, own, reason))()}
      onHand={(to) => tap(() => log.hand(own ? [step] : steps, to))()}
      onOwn={(text) => tap(() => log.startOwn(text, who, step.roomId))()}
      onStart={tap(() => begin(steps))}
      onClose={close}
    />
  );
}
