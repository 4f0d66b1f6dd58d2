import { EntryId, type RoomId } from "@scutch/contract";
import { ownStepId, roomFinishTimes } from "@scutch/core/log";
import {
  completesRoom,
  isStepActive,
  type JobRun,
  openStepsOf,
  type ProgressById,
  recommendedStart,
  type Step,
} from "@scutch/core/run";
import { newId } from "../../../device/newId.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { type EntryBody, useLogging } from "../../../shared/logging/useLogging.ts";
import { useClock } from "../../../ui/useClock.ts";
import type { OwnStep } from "./OwnStep.tsx";

/** A step may begin this much before what it waits for allows it: nobody waits for seconds. */
const SOON = 5;

/** What one tap writes: a step begun, done, passed over, handed on, with what follows from it. */
export function useRunLog(desk: JobDesk, run: JobRun, known: ProgressById) {
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
  const leaving = (step: Step): EntryBody[] => {
    const roomId = step.roomId as RoomId | undefined;
    if (roomId === undefined || roomFinishTimes(desk.log).has(roomId)) return [];
    return completesRoom(run, known, step) ? [{ kind: "room-finished", roomId }] : [];
  };
  const second = () => (clock.now() - desk.startMs) / 1000;
  /** What follows from a step being done: its room left, and the next step of the same person where it can begin at once. */
  const following = (step: Step, who: number, startsItself: (next: Step) => boolean): EntryBody[] => {
    const next = openStepsOf(run, known, who).find(({ id }) => id !== step.id);
    const now = second();
    const goesOn =
      next !== undefined &&
      !isStepActive(known, next.id) &&
      startsItself(next) &&
      recommendedStart(run, known, next, now, step.id) <= now + SOON;
    return [
      ...leaving(step),
      ...(goesOn ? [{ kind: "step-started" as const, ...about(next), who: who + 1 }] : []),
    ];
  };
  return {
    following,
    begin: () => log({ kind: "run-started" }),
    start: (step: Step, who: number, off: { readonly early?: number; readonly over?: number } = {}) =>
      log({ kind: "step-started", ...about(step), who: who + 1, ...off }),
    done: (step: Step, who: number, startsItself: (next: Step) => boolean) =>
      log({ kind: "step-done", ...about(step), who: who + 1 }, undefined, following(step, who, startsItself)),
    skip: (step: Step, reason: string) =>
      log({ kind: "step-skipped", ...about(step), reason }, undefined, leaving(step)),
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
    hand: (step: Step, to: number) => log({ kind: "step-handed", ...about(step), who: to + 1 }),
  };
}
