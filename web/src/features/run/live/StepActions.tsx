import type { Step } from "@scutch/core/run";
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
export function StepButton({ state, step }: { readonly state: ActiveRunState; readonly step: Step }) {
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
      ? ["Show amounts", () => state.ask({ what: "fill", step })]
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
export function StepChoices({ desk, state: { step, own, ask }, people, practice }: ChoicesProps) {
  return (
    <div className="grid grid-cols-3 gap-2">
      {step && !own && (
        <>
          <Button className="whitespace-nowrap px-1" onClick={() => ask({ what: "skip", step })}>
            Skip
          </Button>
          {people > 1 && (
            <Button className="whitespace-nowrap px-1" onClick={() => ask({ what: "hand", step })}>
              Give to
            </Button>
          )}
          <Button className="whitespace-nowrap px-1" onClick={() => ask({ what: "own", step })}>
            Add a step
          </Button>
        </>
      )}
      <QuickLog desk={desk} roomId={step?.roomId} practice={practice} />
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
  const { asking, log, tap, who, others, readyAt, what, time, begin, startsItself, close } = state;
  if (!asking) return null;
  if (asking.what === "fill")
    return asking.step.fillId === undefined ? null : (
      <FillDialog
        desk={desk}
        fillId={asking.step.fillId}
        practice={practice}
        follows={() => log.following(asking.step, who, startsItself)}
        onClose={close}
      />
    );
  return (
    <StepPrompt
      asking={asking.what}
      what={what(asking.step)}
      others={others.map((other) => ({ who: other, name: personName(other, names) }))}
      readyAt={readyAt === undefined ? undefined : time(readyAt)}
      onSkip={(reason) => tap(() => log.skip(asking.step, reason))()}
      onHand={(to) => tap(() => log.hand(asking.step, to))()}
      onOwn={(text) => tap(() => log.startOwn(text, who, asking.step.roomId))()}
      onStart={tap(() => begin(asking.step))}
      onClose={close}
    />
  );
}
