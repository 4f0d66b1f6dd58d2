import {
  type Building,
  type DryingResult,
  departed,
  type RoomRange,
  simulateDrying,
} from "@scutch/core/drying";
import { deepEqual, spreadOf, type WorkPlan } from "@scutch/core/plan";
import { useEffect, useMemo, useState } from "react";
import type { Planned } from "./computePlan.ts";
import { hoursUntilNow, readingsFor } from "./driedOf.ts";
import type { DryingQuestion, DryingRanges, Readings } from "./dryingForecast.ts";
import { askRanges, WORK_AFTER } from "./workerClient.ts";

export interface DryingForecast {
  readonly work: WorkPlan;
  /** As the readings have it, where there are any. */
  readonly result: DryingResult;
  /** What was dried; absent: the plan's. */
  readonly building?: Building;
  /** Follows a moment after the result, or is still that of the plan before. */
  readonly ranges: readonly RoomRange[] | undefined;
  /** What was said before the readings. */
  readonly before?: Told | undefined;
  readonly readings?: Readings | undefined;
  /** Better figures are still being worked out. */
  readonly isPending?: boolean;
}

interface Told {
  readonly result: DryingResult;
  readonly ranges: readonly RoomRange[];
}

const BAND_POINTS = 24;
const SHORTEST_BAND = 4;
const LONGEST_BAND = 36;

/** Hours at which the band is drawn, after the start: closer at first, when it falls fastest. */
function bandHoursOf({ rooms }: WorkPlan, { rooms: dried }: DryingResult): number[] {
  const from = Math.min(...rooms.map(({ finishedAtHours }) => finishedAtHours));
  const last = Math.max(
    ...rooms.map(({ finishedAtHours }, i) => finishedAtHours + (dried[i]?.dryHours ?? LONGEST_BAND)),
  );
  const span = Math.min(LONGEST_BAND, Math.max(SHORTEST_BAND, 1.5 * (last - from)));
  const spaced = Array.from({ length: BAND_POINTS }, (_, i) => from + span * (i / (BAND_POINTS - 1)) ** 1.5);
  // Each room's band begins with its finish.
  return [...new Set([...spaced, ...rooms.map(({ finishedAtHours }) => finishedAtHours)])].toSorted(
    (a, b) => a - b,
  );
}

type Known = Pick<Planned, "work" | "result" | "input" | "job" | "startMs" | "log">;

function questionOf({ work, result, input, job, startMs, log }: Known): DryingQuestion | undefined {
  if (!result || work.rooms.length === 0) return undefined;
  const readings = readingsFor(work, job, { log, startMs });
  return {
    building: work.building,
    spread: spreadOf(input, work.rooms),
    readings,
    now: hoursUntilNow(startMs),
    bandHours: bandHoursOf(work, result),
  };
}

interface Answer extends DryingRanges {
  readonly roomIds: string;
  /** What it answers, where no better answer follows. */
  readonly settles?: DryingQuestion;
}

/** The same rooms and readings have the same answer, whatever else was logged: nothing is drawn again for it. */
function isSameQuestion(one: DryingQuestion | undefined, other: DryingQuestion | undefined): boolean {
  const taken = (asked: DryingQuestion | undefined) =>
    asked && { ...asked, now: asked.readings.filter(({ hours }) => hours <= asked.now).length };
  return deepEqual(taken(one), taken(other));
}

function useQuestion(known: Known | undefined): DryingQuestion | undefined {
  const next = useMemo(() => known && questionOf(known), [known]);
  const [kept, setKept] = useState(next);
  if (next === kept || isSameQuestion(next, kept)) return kept;
  setKept(next);
  return next;
}

/** How a plan's rooms dry: at once by the plan and what readings said before, and again once the worker has dried it many times. */
export function useDried(known: Known | undefined): DryingForecast | undefined {
  const [answer, setAnswer] = useState<Answer>();
  const roomIds = known?.work.rooms.map(({ id }) => id).join(" ") ?? "";
  const question = useQuestion(known);
  useEffect(() => {
    if (!question) return setAnswer(undefined);
    let letGo: (() => void) | undefined;
    const timer = setTimeout(() => {
      letGo = askRanges(question, (ranges, isLast) =>
        setAnswer({ ...ranges, roomIds, ...(isLast ? { settles: question } : {}) }),
      );
    }, WORK_AFTER);
    return () => {
      clearTimeout(timer);
      letGo?.();
    };
  }, [question, roomIds]);
  const told = answer?.roomIds === roomIds ? answer : undefined;
  const departure = told?.readings?.departure;
  const isPending = useForAWhile(question !== undefined && answer?.settles !== question);
  return useMemo(() => {
    if (!known?.result) return undefined;
    const { work, result } = known;
    if (!told || !departure) return { work, result, ranges: told?.ranges, isPending };
    const building = departed(work.building, departure);
    return {
      work,
      building,
      result: simulateDrying(building, { keepCourse: true }),
      ranges: told.ranges,
      readings: told.readings,
      isPending,
      ...(told.before ? { before: { result, ranges: told.before } } : {}),
    };
  }, [known, told, departure, isPending]);
}

/** ms; a worker that hasn’t answered by then may have failed, and it isn’t waited for any longer. */
const PATIENCE = 8000;

/** True while something is so, but not for longer than is worth waiting. */
function useForAWhile(isSo: boolean): boolean {
  const [gaveUp, setGaveUp] = useState(false);
  useEffect(() => {
    if (!isSo) return setGaveUp(false);
    const timer = setTimeout(() => setGaveUp(true), PATIENCE);
    return () => clearTimeout(timer);
  }, [isSo]);
  return isSo && !gaveUp;
}
