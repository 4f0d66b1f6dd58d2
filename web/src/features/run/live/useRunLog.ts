import { EntryId, type RoomId } from "@scutch/contract";
import {
  foldRunState,
  ownStepId,
  placeInGroup,
  plannedEnd,
  roomFinishTimes,
  type StepGroup,
  shareGroup,
} from "@scutch/core/log";
import {
  completesRoom,
  isStepActive,
  type JobRun,
  type JoinedSteps,
  type ProgressById,
  recommendedStart,
  type Step,
} from "@scutch/core/run";
import { newId } from "../../../device/newId.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { type EntryBody, type TimedBody, useLogging } from "../../../shared/logging/useLogging.ts";
import { useClock } from "../../../ui/useClock.ts";
import type { OwnStep } from "./OwnStep.tsx";

/** A step may begin this much before what it waits for allows it: nobody waits for seconds. */
const SOON = 5;

/** What one tap writes: a step begun, done, passed over, handed on, with what follows from it. */
export function useRunLog(
  desk: Pick<JobDesk, "job" | "shelf" | "log" | "startMs">,
  run: JobRun,
  known: ProgressById,
) {
  const log = useLogging(desk);
  const clock = useClock();
  const about = (step: Step) => {
    const own = run.sections.filter(({ roomId }) => roomId === step.roomId);
    const section = own.find(({ id }) => id === step.sectionId);
    return {
      step: step.id,
      does: step.kind,
      ...(step.roomId === undefined ? {} : { roomId: step.roomId as RoomId }),
      ...(section && own.length > 1 ? { section: section.number } : {}),
      ...(section ? { part: { number: section.number, from: section.from, to: section.to } } : {}),
    };
  };
  const leaving = (steps: JoinedSteps): EntryBody[] => {
    const roomId = steps[0].roomId as RoomId | undefined;
    if (roomId === undefined || roomFinishTimes(desk.log).has(roomId)) return [];
    return completesRoom(run, known, steps) ? [{ kind: "room-finished", roomId }] : [];
  };
  const second = () => (clock.now() - desk.startMs) / 1000;
  const starting = (steps: JoinedSteps, who: number) => {
    const [step, ...others] = steps;
    const joined = others.map((each) => {
      const { part } = about(each);
      return { step: each.id, lasts: each.plannedSeconds, ...(part ? { part } : {}) };
    });
    return {
      kind: "step-started" as const,
      ...about(step),
      who: who + 1,
      ...(joined.length > 0 ? { lasts: step.plannedSeconds, joined } : {}),
    };
  };
  /** What follows from steps being done: their room left, and the next of the same person where it can begin at once. */
  const following = (
    steps: JoinedSteps,
    who: number,
    next: JoinedSteps | undefined,
    startsItself: (next: Step) => boolean,
  ): EntryBody[] => {
    const now = second();
    const finishing = steps.map(({ id }) => id);
    const goesOn =
      next !== undefined &&
      !isStepActive(known, next[0].id) &&
      startsItself(next[0]) &&
      recommendedStart(run, known, next[0], now, finishing) <= now + SOON;
    return [...leaving(steps), ...(goesOn ? [starting(next, who)] : [])];
  };
  /** Steps of a group as they went until now: each done when the next one began, in proportion to what was planned. */
  const doneOf = (group: StepGroup, steps: readonly Step[], who: number, until: number): TimedBody[] => {
    const logged = foldRunState(desk.log).steps;
    const done = steps.filter(({ id }) => logged.get(id)?.doneAt === undefined);
    const times = new Map(shareGroup(group, until).map((each) => [each.step, each]));
    return done.flatMap((step): TimedBody[] => {
      const said = { ...about(step), who: who + 1 };
      const { start, end } = times.get(step.id) ?? { start: until, end: until };
      const started = logged.has(step.id) ? [] : [{ kind: "step-started" as const, ...said, at: start }];
      return [...started, { kind: "step-done" as const, ...said, at: end }];
    });
  };
  const endOf = (
    steps: JoinedSteps,
    who: number,
    group: StepGroup | undefined,
    end: number,
  ): readonly TimedBody[] =>
    group
      ? doneOf(group, steps, who, end)
      : [{ kind: "step-done", ...about(steps[0]), who: who + 1, at: end }];
  /** One tap has one time. The last of what is said is what it was about: that is what undoing names. */
  const say = (bodies: readonly TimedBody[], follows: readonly TimedBody[] = [], now = clock.now()) => {
    const last = bodies.at(-1);
    if (!last) return;
    const { at = now, ...body } = last;
    const others = [...bodies.slice(0, -1), ...follows];
    log(
      body,
      at,
      others.map((each) => ({ ...each, at: each.at ?? now })),
    );
  };
  return {
    following,
    begin: () => log({ kind: "run-started" }),
    start: (steps: JoinedSteps, who: number, off: { readonly early?: number; readonly over?: number } = {}) =>
      log({ ...starting(steps, who), ...off }),
    done: (steps: JoinedSteps, who: number, group: StepGroup | undefined, follows: readonly EntryBody[]) => {
      const now = clock.now();
      say(endOf(steps, who, group, now), follows, now);
    },
    /** Steps in hand that ended before now, at `end`, ms since 1970: nothing else begins with that. */
    doneBefore: (steps: JoinedSteps, who: number, group: StepGroup | undefined, end: number) =>
      say(
        endOf(steps, who, group, end),
        leaving(steps).map((each) => ({ ...each, at: end })),
        end,
      ),
    /** Of steps in hand those before the one in hand now went as planned, the rest is passed over. */
    skip: (steps: JoinedSteps, who: number, group: StepGroup | undefined, reason: string) => {
      const past = group && { ...group, steps: group.steps.slice(0, placeInGroup(group, clock.now())) };
      const isOver = ({ id }: Step) => past?.steps.some(({ step }) => step === id) ?? false;
      const done = past ? doneOf(past, steps.filter(isOver), who, plannedEnd(past)) : [];
      const skipped = steps
        .filter((step) => !isOver(step))
        .map((step) => ({ kind: "step-skipped" as const, ...about(step), reason }));
      say([...done, ...skipped], leaving(steps));
    },
    /** A step of the person's own, which the plan doesn't know: it takes the time it takes, and the rest moves on. */
    startOwn: (what: string, who: number, roomId: string | undefined) =>
      log({
        kind: "step-started",
        step: ownStepId(newId(EntryId)),
        does: "own",
        what,
        who: who + 1,
        ...(roomId === undefined ? {} : { roomId: roomId as RoomId }),
      }),
    endOwn: ({ step, what, roomId, who }: OwnStep) =>
      log({ kind: "step-done", step, does: "own", what, who, ...(roomId === undefined ? {} : { roomId }) }),
    hand: (steps: readonly Step[], to: number) =>
      say(steps.map((step) => ({ kind: "step-handed" as const, ...about(step), who: to + 1 }))),
  };
}
