import { foldRunState } from "@scutch/core/log";
import { careOf } from "@scutch/core/plan";
import {
  dwellingSections,
  effectiveProgress,
  isStepActive,
  isStepClosed,
  openStepsOf,
  type Step,
} from "@scutch/core/run";
import { useEffect, useMemo, useRef, useState } from "react";
import { timeAt } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { nameById } from "../../../planning/nameById.ts";
import { fillName } from "../../../shared/fill/FillDialog.tsx";
import { stepName, toolName } from "../../../shared/run/stepWords.ts";
import { useAppSelector } from "../../../state/store.ts";
import { useClock } from "../../../ui/useClock.ts";
import { useShortcut } from "../../../ui/useShortcut.ts";
import type { LiveProps } from "./liveProps.ts";
import { ownInHand } from "./OwnStep.tsx";
import type { StepQuestion } from "./StepPrompt.tsx";
import { useRunLog } from "./useRunLog.ts";
import { useSignals } from "./useSignals.ts";
import { useTapGuard } from "./useTapGuard.ts";

/** Less than this before or after its time isn't worth a question, s. */
const LEEWAY = 20;
/** Begun on a floor that a stop stands on, a step does harm. */
const TOUCHES: readonly Step["kind"][] = ["pre-spray", "clean"];

/** The run as one person has it in hand: their next step, what may be done with it, and what is asked about it. */
export function useActiveRun({ desk, run, people, names, roomName, practice = false }: LiveProps) {
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
          step.kind === "rinse" ? toolName(step, (id) => nameById(desk.shelf.vessels, id, "")) : undefined,
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
  return {
    ...{ who, known, log, what, time, step, after, standing, wet, inHand, own, others },
    /** A stop stands on the floor of the step: it isn't begun. */
    stopped: step !== undefined && isStopped(step) && !inHand,
    ...{ asking: isObsolete ? undefined : asking, ask: setAsking, close, readyAt },
    ...{ tap, begin, start, finish, startsItself, forgetTap: oneTap.forget },
  };
}

export type ActiveRunState = ReturnType<typeof useActiveRun>;

/** The steps with the one shown last first, while nothing new is logged: what is under a finger doesn't change with the clock. */
function useSteady(steps: readonly Step[], { log, isProvisional }: JobDesk): readonly Step[] {
  const shown = useRef<{ readonly id: string | undefined; readonly log: JobDesk["log"] }>(undefined);
  const kept = shown.current?.log === log ? steps.find(({ id }) => id === shown.current?.id) : undefined;
  const ordered = kept ? [kept, ...steps.filter(({ id }) => id !== kept.id)] : steps;
  // What only stands in until the worker has answered isn't held on to: every device shows the same then.
  if (!isProvisional) shown.current = { id: ordered[0]?.id, log };
  return ordered;
}
