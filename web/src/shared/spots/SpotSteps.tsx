import type { Room, Spot } from "@scutch/contract";
import type { Guide, GuideStep } from "@scutch/core/care";
import { Check } from "lucide-react";
import { RESULT_NAMES } from "../../format/careWords.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Callout } from "../../ui/Callout.tsx";
import { NextStep } from "./NextStep.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly spot: Spot;
  readonly guide: Guide;
}

/** The steps of a spot, gentle to strong: what was done, the one to do now, what is left, what is barred and why. */
export function SpotSteps({ desk, room, spot, guide: { steps, outcome } }: Props) {
  return (
    <div>
      <h3 className="font-semibold">Steps, gentle to strong</h3>
      {outcome.kind === "clean" && (
        <Callout tone="advice" title="It’s gone.">
          Rinse, extract, groom. Recheck in two hours: residue in the backing can wick back.
        </Callout>
      )}
      {outcome.kind === "stop" && (
        <Callout
          tone="stop"
          title={outcome.why === "worse" ? "Stop: it got worse." : "No gentler step is left."}
        >
          Rinse and extract the product. Tell the customer before you try anything else.
        </Callout>
      )}
      <ol className="mt-1">
        {steps.map((step, i) => (
          <li key={step.agent} className="border-rule border-t py-2">
            {step.state === "next" ? (
              <NextStep
                key={`${step.agent} ${step.attempts.length}`}
                desk={desk}
                room={room}
                spot={spot}
                step={step}
                number={i + 1}
              />
            ) : (
              <OtherStep step={step} number={i + 1} />
            )}
          </li>
        ))}
      </ol>
    </div>
  );
}

function OtherStep({ step, number }: { readonly step: GuideStep; readonly number: number }) {
  const passed = step.state === "passed" || step.state === "skipped";
  const barred = step.judgement?.reasons.find(({ verdict }) => verdict === "stop");
  const never = step.after.find(({ onOneFloor }) => onOneFloor === "never");
  return (
    <div className={`flex gap-3 ${step.state === "later" || passed ? "text-soft" : ""}`}>
      <span className="w-6 font-mono text-soft">
        {step.state === "done" ? <Check aria-label="done" size={18} className="text-accent" /> : number}
      </span>
      <div className="min-w-0">
        <span className={step.state === "barred" ? "line-through" : ""}>{step.facts.name}</span>
        {step.attempts.length > 0 && (
          <span className="text-soft">
            : {step.attempts.map((result) => RESULT_NAMES[result].toLowerCase()).join(", ")}
          </span>
        )}
        {passed && (
          <span className="text-sm">
            : {step.state === "skipped" ? "skipped" : "gentler than a step you’ve used"}
          </span>
        )}
        {step.state === "barred" && (
          <p className="text-sm text-stop">
            {barred ? barred.why : `${never?.gives ?? ""} Never after the product you used before.`}
          </p>
        )}
      </div>
    </div>
  );
}
