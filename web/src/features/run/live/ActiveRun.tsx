import { plannedEnd } from "@scutch/core/log";
import { earliestStart } from "@scutch/core/run";
import { personName } from "../../../shared/run/stepWords.ts";
import { seatTaken } from "../../../state/settingsSlice.ts";
import { useAppDispatch } from "../../../state/store.ts";
import { Segmented } from "../../../ui/Segmented.tsx";
import { Dwelling } from "./Dwelling.tsx";
import { HowTo } from "./HowTo.tsx";
import { LogAnomalies } from "./LogAnomalies.tsx";
import type { LiveProps } from "./liveProps.ts";
import { MachineList } from "./MachineList.tsx";
import { OwnStepCard } from "./OwnStep.tsx";
import { SignalChoices } from "./SignalChoices.tsx";
import { OpenQuestion, StepButton, StepChoices } from "./StepActions.tsx";
import { StepHead } from "./StepHead.tsx";
import { StillAtIt } from "./StillAtIt.tsx";
import { TakeOver } from "./TakeOver.tsx";
import { useActiveRun } from "./useActiveRun.ts";
import { WhatFollows } from "./WhatFollows.tsx";

/** The one next step of one person: its clock, what is done with it, what dwells and what follows. */
export function ActiveRun(props: LiveProps) {
  const { desk, run, people, names, roomName, practice = false } = props;
  const dispatch = useAppDispatch();
  const state = useActiveRun(props);
  const { who, known, log, what, group, steps, step, after, standing, wet, inHand, own, others, tap } = state;
  const begun = steps && known[steps[0].id]?.start;
  const since = group?.startedAt ?? (inHand && begun !== undefined ? desk.startMs + begun * 1000 : undefined);
  return (
    <section
      aria-label="Now"
      className="grid gap-3 border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden"
    >
      {people > 1 && (
        <Segmented
          label="This device shows steps for"
          value={who}
          options={Array.from({ length: people }, (_, i) => ({ value: i, name: personName(i, names) }))}
          onChange={(next) => {
            state.forgetTap();
            dispatch(seatTaken(next));
          }}
        />
      )}
      {own ? (
        <OwnStepCard own={own} onDone={tap(() => log.endOwn(own))} />
      ) : steps ? (
        <>
          <StepHead
            {...{ desk, steps, group, run, known, wet, inHand, what }}
            whose={people > 1 || names[who] ? personName(who, names) : undefined}
          />
          <StepButton state={state} steps={steps} />
          {since !== undefined && (
            <StillAtIt
              key={since}
              startedAt={since}
              planned={group ? plannedEnd(group) : since + 1000 * steps[0].plannedSeconds}
              onDone={(end) => tap(() => log.doneBefore(steps, who, group, end))()}
            />
          )}
        </>
      ) : (
        <p className="font-semibold text-lg">No steps left for {personName(who, names)}.</p>
      )}
      {!own && (!step || (!inHand && !Number.isFinite(earliestStart(run, known, step.id, 0)))) && (
        <TakeOver
          {...{ run, known, others, names, what }}
          onTake={(each) => tap(() => log.hand([each], who))()}
        />
      )}
      {step && !own && <HowTo desk={desk} step={step} />}
      <StepChoices {...{ desk, state, people, practice }} />
      {step && !own && (step.kind === "set-up" || step.kind === "pack-up") && (
        <MachineList key={step.id} kind={step.kind} {...{ run, desk, practice }} />
      )}
      <LogAnomalies desk={desk} roomName={roomName} />
      <Dwelling standing={standing} start={desk.startMs} roomName={roomName} run={run} />
      <WhatFollows {...{ desk, run, known, who, people, names, after, what }} />
      <SignalChoices />
      <OpenQuestion {...{ desk, state, names, practice }} />
    </section>
  );
}
