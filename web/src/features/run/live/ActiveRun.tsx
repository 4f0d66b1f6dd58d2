import { foldRunState } from "@scutch/core/log";
import { careOf } from "@scutch/core/plan";
import type { Step } from "@scutch/core/run";
import {
  dwellingSections,
  earliestStart,
  effectiveProgress,
  isStepActive,
  isStepClosed,
  openStepsOf,
} from "@scutch/core/run";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { timeAt } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { FillDialog, fillName } from "../../../shared/fill/FillDialog.tsx";
import { personName, stepName, toolName } from "../../../shared/run/stepWords.ts";
import { seatTaken } from "../../../state/settingsSlice.ts";
import { useAppDispatch, useAppSelector } from "../../../state/store.ts";
import { Button } from "../../../ui/Button.tsx";
import { Callout } from "../../../ui/Callout.tsx";
import { Segmented } from "../../../ui/Segmented.tsx";
import { useClock } from "../../../ui/useClock.ts";
import { useShortcut } from "../../../ui/useShortcut.ts";
import { Dwelling } from "./Dwelling.tsx";
import { LogAnomalies } from "./LogAnomalies.tsx";
import type { LiveProps } from "./liveProps.ts";
import { MachineList } from "./MachineList.tsx";
import { OwnStepCard, ownInHand } from "./OwnStep.tsx";
import { QuickLog } from "./QuickLog.tsx";
import { SignalChoices } from "./SignalChoices.tsx";
import { StepHead } from "./StepHead.tsx";
import { StepPrompt, type StepQuestion } from "./StepPrompt.tsx";
import { TakeOver } from "./TakeOver.tsx";
import { useRunLog } from "./useRunLog.ts";
import { useSignals } from "./useSignals.ts";
import { useTapGuard } from "./useTapGuard.ts";
import { WhatFollows } from "./WhatFollows.tsx";

/** Less than this before or after its time isn't worth a question, s. */
const LEEWAY = 20;
/** Begun on a floor that a stop stands on, a step does harm. */
const TOUCHES: readonly Step["kind"][] = ["pre-spray", "clean"];

/** The one next step of one person: its clock, what is done with it, what dwells and what follows. */
export function ActiveRun({ desk, run, people, names, roomName, practice = false }: LiveProps) {
  const dispatch = useAppDispatch();
  const { name, seat, signals } = useAppSelector((state) => state.settings);
  // What is asked is asked of one step, whatever another phone makes the next one meanwhile.
  const [asking, setAsking] = useState<{ readonly what: StepQuestion | "fill"; readonly step: Step }>();
  const ticking = useClock();
  const oneTap = useTapGuard();
  // The tap that began the job isn't one on its first step too.
  const begun = practice ? undefined : foldRunState(desk.log).startedAt;
  const known = useMemo(() => effectiveProgress(run, desk.input.logged), [run, desk.input.logged]);
  const log = useRunLog(desk, run, known);
  const named = names.indexOf(name);
  const who = Math.min(people - 1, seat ?? (named >= 0 ? named : 0));
  const time = (second: number) => timeAt(desk.startMs, second / 3600);
  const what = (step: Step) =>
    step.fillId !== undefined && step.kind === "fill"
      ? fillName(desk, step.fillId)
      : [
          stepName(step),
          step.roomId === undefined ? undefined : roomName(step.roomId),
          step.kind === "rinse"
            ? toolName(step, (id) => desk.shelf.vessels.find((vessel) => vessel.id === id)?.name ?? "")
            : undefined,
        ]
          .filter(Boolean)
          .join(", ");
  const [step, ...after] = useSteady(openStepsOf(run, known, who), desk);
  const standing = dwellingSections(run, known);
  const now = () => (ticking.now() - desk.startMs) / 1000;
  const care = useMemo(() => careOf(desk.input).rooms, [desk.input]);
  const isStopped = (each: Step) =>
    !practice &&
    TOUCHES.includes(each.kind) &&
    care.some(({ roomId, verdict }) => roomId === each.roomId && verdict === "stop");
  // What has stood too long is misted first: that is somebody's to see.
  const isLate = (each: Step) =>
    standing.some(({ section, until }) => section.cleanId === each.id && now() > until);
  const startsItself = (each: Step) => each.kind !== "fill" && !isStopped(each) && !isLate(each);
  useSignals(
    signals,
    standing.flatMap(({ ready, until }) => [time(ready), time(until) - 120_000]),
    step && what(step),
  );
  /** A tap, unless it is the same one again. */
  const tap = (act: () => void) => () => {
    if (oneTap.isAgain(begun)) return;
    setAsking(undefined);
    act();
  };
  const wetOf = (each: Step | undefined) => standing.find(({ section }) => section.cleanId === each?.id);
  const wet = wetOf(step);
  const inHand = step !== undefined && isStepActive(known, step.id);
  const begin = (each: Step) => {
    const stands = wetOf(each);
    const early = stands ? stands.ready - now() : 0;
    const over = stands ? now() - stands.until : 0;
    log.start(each, who, {
      ...(early > LEEWAY ? { early: Math.round(early) } : {}),
      ...(over > LEEWAY ? { over: Math.round(over) } : {}),
    });
  };
  const finish =
    step && inHand && step.kind !== "fill" ? tap(() => log.done(step, who, startsItself)) : undefined;
  const start =
    step && !inHand && !isStopped(step) && step.kind !== "fill"
      ? () => {
          if (wet && wet.ready - now() > LEEWAY) setAsking({ what: "early", step });
          else tap(() => begin(step))();
        }
      : undefined;
  const own = useMemo(() => ownInHand(desk.log, who), [desk.log, who]);
  useShortcut("d", () => (own ? tap(() => log.endOwn(own)) : (finish ?? start))?.());
  const close = () => setAsking(undefined);
  // Somebody else has ended what is asked about: there is nothing to ask any more.
  const isObsolete =
    asking !== undefined &&
    asking.what !== "own" &&
    asking.what !== "fill" &&
    isStepClosed(known, asking.step.id);
  useEffect(() => {
    if (isObsolete) setAsking(undefined);
  }, [isObsolete]);
  const readyAt = wetOf(asking?.step)?.ready;
  const others = Array.from({ length: people }, (_, i) => i).filter((i) => i !== who);
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
            oneTap.forget();
            dispatch(seatTaken(next));
          }}
        />
      )}
      {own ? (
        <OwnStepCard own={own} onDone={tap(() => log.endOwn(own))} />
      ) : step ? (
        <>
          <StepHead
            {...{ desk, step, run, known, wet, what }}
            whose={people > 1 || names[who] ? personName(who, names) : undefined}
          />
          {isStopped(step) && !inHand ? (
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
          ) : step.kind === "fill" ? (
            <Button
              weight="main"
              className="min-h-16 text-xl"
              onClick={() => setAsking({ what: "fill", step })}
            >
              Show amounts
            </Button>
          ) : inHand ? (
            <Button weight="main" className="min-h-16 text-xl" onClick={finish}>
              Done
            </Button>
          ) : (
            <Button weight="main" className="min-h-16 text-xl" onClick={start}>
              Start
            </Button>
          )}
        </>
      ) : (
        <p className="font-semibold text-lg">No steps left for {personName(who, names)}.</p>
      )}
      {!own && (!step || (!inHand && !Number.isFinite(earliestStart(run, known, step.id, 0)))) && (
        <TakeOver
          {...{ run, known, others, names, what }}
          onTake={(each) => tap(() => log.hand(each, who))()}
        />
      )}
      <div className="grid grid-cols-3 gap-2">
        {step && !own && (
          <>
            <Button className="whitespace-nowrap px-1" onClick={() => setAsking({ what: "skip", step })}>
              Skip
            </Button>
            {people > 1 && (
              <Button className="whitespace-nowrap px-1" onClick={() => setAsking({ what: "hand", step })}>
                Give to
              </Button>
            )}
            <Button className="whitespace-nowrap px-1" onClick={() => setAsking({ what: "own", step })}>
              Add a step
            </Button>
          </>
        )}
        <QuickLog desk={desk} roomId={step?.roomId} practice={practice} />
      </div>
      {step && !own && (step.kind === "set-up" || step.kind === "pack-up") && (
        <MachineList key={step.id} kind={step.kind} {...{ run, desk, practice }} />
      )}
      <LogAnomalies desk={desk} roomName={roomName} />
      <Dwelling standing={standing} start={desk.startMs} roomName={roomName} run={run} />
      <WhatFollows {...{ desk, run, known, who, people, names, after, what }} />
      <SignalChoices />
      {asking?.what === "fill" && asking.step.fillId !== undefined && (
        <FillDialog
          desk={desk}
          fillId={asking.step.fillId}
          practice={practice}
          follows={() => log.following(asking.step, who, startsItself)}
          onClose={close}
        />
      )}
      {asking && asking.what !== "fill" && !isObsolete && (
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
      )}
    </section>
  );
}

/** The steps with the one shown last first, while nothing new is logged: what is under a finger doesn't change with the clock. */
function useSteady(steps: readonly Step[], { log, isProvisional }: JobDesk): readonly Step[] {
  const shown = useRef<{ readonly id: string | undefined; readonly log: JobDesk["log"] }>(undefined);
  const kept = shown.current?.log === log ? steps.find(({ id }) => id === shown.current?.id) : undefined;
  const ordered = kept ? [kept, ...steps.filter(({ id }) => id !== kept.id)] : steps;
  // What only stands in until the worker has answered isn't held on to: every device shows the same then.
  if (!isProvisional) shown.current = { id: ordered[0]?.id, log };
  return ordered;
}
