import { foldRunState, groupsInHand } from "@scutch/core/log";
import { careOf } from "@scutch/core/plan";
import {
  dwellingSections,
  effectiveProgress,
  isStepActive,
  isStepClosed,
  type JobRun,
  type JoinedSteps,
  joinSteps,
  openStepsOf,
  type Step,
} from "@scutch/core/run";
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { timeAt } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { nameById } from "../../../planning/nameById.ts";
import { fillName } from "../../../shared/fill/FillDialog.tsx";
import { joinedName, toolName } from "../../../shared/run/stepWords.ts";
import { selectMe } from "../../../state/crewSlice.ts";
import { useAppSelector } from "../../../state/store.ts";
import { useClock } from "../../../ui/useClock.ts";
import { useShortcut } from "../../../ui/useShortcut.ts";
import type { LiveProps } from "./liveProps.ts";
import { ownInHand } from "./OwnStep.tsx";
import type { StepQuestion } from "./StepPrompt.tsx";
import { tapGuard } from "./tapGuard.ts";
import { useRunLog } from "./useRunLog.ts";
import { useSignals } from "./useSignals.ts";

/** Less than this before or after its time isn't worth a question, s. */
const LEEWAY = 20;
/** Begun on a floor that a stop stands on, a step does harm. */
const TOUCHES: readonly Step["kind"][] = ["pre-spray", "clean"];

/** The run as one person has it in hand: their next step, what may be done with it, and what is asked about it. */
export function useActiveRun({ desk, run, people, names, roomName, practice = false }: LiveProps) {
  const { seat, signals } = useAppSelector((state) => state.settings);
  const name = useAppSelector(selectMe)?.person.name ?? "";
  // What is asked is asked of one step, whatever another phone makes the next one meanwhile.
  const [asking, setAsking] = useState<{
    readonly what: StepQuestion | "fill";
    readonly steps: JoinedSteps;
  }>();
  const ticking = useClock();
  const { wasted } = desk.work;
  const known = useMemo(
    () => effectiveProgress(run, desk.input.logged, wasted),
    [run, desk.input.logged, wasted],
  );
  const log = useRunLog(desk, run, known);
  const named = names.indexOf(name);
  const who = Math.min(people - 1, seat ?? (named >= 0 ? named : 0));
  const time = (second: number) => timeAt(desk.startMs, second / 3600);
  const what = (...joined: JoinedSteps) => {
    const [step] = joined;
    return step.fillId !== undefined && step.kind === "fill"
      ? fillName(desk, step.fillId)
      : [
          joinedName(joined),
          step.roomId === undefined ? undefined : roomName(step.roomId),
          step.kind === "rinse" ? toolName(step, (id) => nameById(desk.shelf.vessels, id, "")) : undefined,
        ]
          .filter(Boolean)
          .join(", ");
  };
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
  const open = useSteady(openStepsOf(run, known, who), desk);
  const { group, steps, after } = handOf(
    desk,
    run,
    open,
    who,
    (each) => isStepActive(known, each.id) || isLate(each),
  );
  const step = steps?.[0];
  // What comes next is only known once the plan is: one to go on with may name another step.
  const startsItself = (each: Step) =>
    !desk.isProvisional && each.kind !== "fill" && !isStopped(each) && !isLate(each);
  useSignals(
    signals,
    standing.flatMap(({ ready, until }) => [time(ready), time(until) - 120_000]),
    steps && what(...steps),
  );
  /** A tap, unless it is the same one again. */
  const tap = (act: () => void) => () => {
    if (tapGuard.isAgain()) return;
    setAsking(undefined);
    act();
  };
  const wetOf = (each: Step | undefined) => standing.find(({ section }) => section.cleanId === each?.id);
  const wet = wetOf(step);
  const inHand = group !== undefined || (step !== undefined && isStepActive(known, step.id));
  const begin = (each: JoinedSteps) => {
    const stands = wetOf(each[0]);
    const early = stands ? stands.ready - now() : 0;
    const over = stands ? now() - stands.until : 0;
    log.start(each, who, {
      ...(early > LEEWAY ? { early: Math.round(early) } : {}),
      ...(over > LEEWAY ? { over: Math.round(over) } : {}),
    });
  };
  /** What follows from these steps being done, the next one begun where it can be. */
  const following = (done: JoinedSteps) => log.following(done, who, after[0], startsItself);
  const finish =
    steps && inHand && steps[0].kind !== "fill"
      ? tap(() => log.done(steps, who, group, following(steps)))
      : undefined;
  const start =
    steps && !inHand && !isStopped(steps[0]) && steps[0].kind !== "fill"
      ? () => {
          if (wet && wet.ready - now() > LEEWAY) setAsking({ what: "early", steps });
          else tap(() => begin(steps))();
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
    asking.steps.every(({ id }) => isStepClosed(known, id));
  useEffect(() => {
    if (isObsolete) setAsking(undefined);
  }, [isObsolete]);
  const readyAt = wetOf(asking?.steps[0])?.ready;
  const others = Array.from({ length: people }, (_, i) => i).filter((i) => i !== who);
  return {
    ...{ who, known, log, what, time, group, steps, step, after, standing, wet, inHand, own, others },
    /** A stop stands on the floor of the step: it isn't begun. */
    stopped: step !== undefined && isStopped(step) && !inHand,
    ...{ asking: isObsolete ? undefined : asking, ask: setAsking, close, readyAt },
    ...{ tap, begin, start, finish, following, forgetTap: tapGuard.forget },
  };
}

export type ActiveRunState = ReturnType<typeof useActiveRun>;

/** What somebody has in hand or does next, sections that follow each other as one, and what comes after. */
function handOf(
  { log }: JobDesk,
  run: JobRun,
  open: readonly Step[],
  who: number,
  alone: (step: Step) => boolean,
) {
  const group = groupsInHand(foldRunState(log)).find((each) => each.who === who + 1);
  const [first, ...others] = (group?.steps ?? []).flatMap(
    ({ step }) => run.steps.find(({ id }) => id === step) ?? [],
  );
  if (group && first) {
    const own = new Set(group.steps.map(({ step }) => step));
    return {
      group,
      steps: [first, ...others] as JoinedSteps,
      after: joinSteps(
        open.filter(({ id }) => !own.has(id)),
        alone,
      ),
    };
  }
  const [steps, ...after] = joinSteps(open, alone);
  return { steps, after };
}

/** The steps with the one shown last first, while nothing new is logged: what is under a finger doesn't change with the clock. */
function useSteady(steps: readonly Step[], { log, isProvisional }: JobDesk): readonly Step[] {
  const shown = useRef<{ readonly id: string | undefined; readonly log: JobDesk["log"] }>(undefined);
  const kept = shown.current?.log === log ? steps.find(({ id }) => id === shown.current?.id) : undefined;
  const ordered = kept ? [kept, ...steps.filter(({ id }) => id !== kept.id)] : steps;
  // What only stands in until the worker has answered isn't held on to: every device shows the same then.
  const first = ordered[0]?.id;
  useLayoutEffect(() => {
    if (!isProvisional) shown.current = { id: first, log };
  }, [isProvisional, first, log]);
  return ordered;
}
