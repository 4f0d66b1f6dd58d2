import { effectiveEntries } from "./effective.ts";
import type { Entry, JoinedStep, StepChanged } from "./entries.ts";
import { inTime } from "./inTime.ts";
import { PACK_UP, parseStepId, sectionStepId } from "./stepId.ts";

/** What the log knows of one step of the run; ms since 1970. */
export interface StepLogged {
  readonly startedAt?: number;
  readonly doneAt?: number;
  readonly skippedAt?: number;
  /** Who did it or has it in hand, from 1. */
  readonly who?: number;
  readonly roomId?: string;
  /** The part of the room it was cut for when it was first worked on; shares of the room. */
  readonly part?: NonNullable<StepChanged["part"]>;
  /** What a step of somebody's own is called. */
  readonly what?: string;
  /** s it was planned to take when it was begun, and the steps begun with it. */
  readonly lasts?: number;
  readonly joined?: readonly JoinedStep[];
}

/** Contradictory or duplicate entries; shown to the crew, who decide. */
export interface LogAnomaly {
  readonly code: "ended-before-begun" | "done-twice" | "done-and-skipped" | "run-started-twice";
  /** The step, where it is about one. */
  readonly step?: string;
  readonly entryIds: readonly string[];
}

export interface RunState {
  /** When somebody said the job begins; the first of them. */
  readonly startedAt?: number;
  readonly steps: ReadonlyMap<string, StepLogged>;
  readonly anomalies: readonly LogAnomaly[];
}

/** Rooms that were sprayed and not cleaned by the log, by room id, among those that aren't in the plan any more. */
export function roomsLeftWet({ steps }: RunState, roomIds: ReadonlySet<string>): string[] {
  const done = (id: string) => steps.get(id)?.doneAt !== undefined;
  const rooms = [...steps].flatMap(([id, { roomId, doneAt }]) => {
    const { kind, subject: section } = parseStepId(id);
    if (kind !== "pre-spray" || doneAt === undefined || roomId === undefined || roomIds.has(roomId))
      return [];
    return done(sectionStepId("clean", section)) ? [] : [roomId];
  });
  return [...new Set(rooms)];
}

/** When all was packed up, or that was passed over, ms since 1970: the run is over. */
export function runEndedAt({ steps }: RunState): number | undefined {
  const { doneAt, skippedAt } = steps.get(PACK_UP) ?? {};
  return doneAt ?? skippedAt;
}

/** s from the start of a run to its end; undefined where one isn't logged, or the clock was set back in between. */
export function runSeconds(run: RunState): number | undefined {
  const ended = runEndedAt(run);
  return run.startedAt !== undefined && ended !== undefined && ended > run.startedAt
    ? (ended - run.startedAt) / 1000
    : undefined;
}

/** Whether somebody has begun the job and it isn't over. */
export const isRunActive = (run: RunState): boolean =>
  (run.startedAt !== undefined || run.steps.size > 0) && runEndedAt(run) === undefined;

type StepEntry = Extract<Entry, { readonly step: string }>;

/** A log is folded once, however many ask: it is never changed in place. */
const folded = new WeakMap<readonly Entry[], RunState>();

/**
 * The run as it went: a pure fold of the log that comes to the same in whatever order entries arrive. Of a step begun, done or
 * skipped more than once the first counts and the others are named; what ended before it began has an end and no beginning.
 */
export function foldRunState(log: readonly Entry[]): RunState {
  const known = folded.get(log);
  if (known) return known;
  const run = fold(log);
  folded.set(log, run);
  return run;
}

function fold(log: readonly Entry[]): RunState {
  const entries = effectiveEntries(log).toSorted(inTime);
  const begun = entries.filter(({ kind }) => kind === "run-started");
  const anomalies: LogAnomaly[] =
    begun.length > 1 ? [{ code: "run-started-twice", entryIds: begun.map(({ id }) => id) }] : [];
  const byStep = new Map<string, StepEntry[]>();
  for (const entry of entries)
    if ("step" in entry) byStep.set(entry.step, [...(byStep.get(entry.step) ?? []), entry]);
  const steps = new Map(
    [...byStep].map(([step, own]) => {
      const of = (kind: StepEntry["kind"]) => own.filter((entry) => entry.kind === kind);
      const [starts, ends, skips] = [of("step-started"), of("step-done"), of("step-skipped")];
      const [start, end, skip] = [starts[0], ends[0], skips[0]];
      if (ends.length > 1) anomalies.push({ code: "done-twice", step, entryIds: ends.map(({ id }) => id) });
      if (end && skip) anomalies.push({ code: "done-and-skipped", step, entryIds: [end.id, skip.id] });
      const at = (entry: Entry | undefined) => (entry ? Date.parse(entry.at) : undefined);
      const [startedAt, doneAt] = [at(start), at(end)];
      const backwards = startedAt !== undefined && doneAt !== undefined && doneAt < startedAt;
      if (start && end && backwards)
        anomalies.push({ code: "ended-before-begun", step, entryIds: [start.id, end.id] });
      // Assignee: from the step-done entry if any, else from the latest entry that names one.
      const who = end?.who ?? own.toReversed().find((entry) => entry.who !== undefined)?.who;
      const skippedAt = end ? undefined : at(skip);
      // A step handed on is not worked on yet.
      const worked = own.filter(({ kind }) => kind !== "step-handed");
      const { part } = worked.find((entry) => entry.part !== undefined) ?? {};
      const { roomId } = own.find((entry) => entry.roomId !== undefined) ?? {};
      const { what } = own.find((entry) => entry.what !== undefined) ?? {};
      return [
        step,
        {
          ...(roomId === undefined ? {} : { roomId }),
          ...(part === undefined ? {} : { part }),
          ...(what === undefined ? {} : { what }),
          ...(start?.joined && start.lasts !== undefined ? { joined: start.joined, lasts: start.lasts } : {}),
          ...(startedAt === undefined || backwards ? {} : { startedAt }),
          ...(doneAt === undefined ? {} : { doneAt }),
          ...(skippedAt === undefined ? {} : { skippedAt }),
          ...(who === undefined ? {} : { who }),
        },
      ] as const;
    }),
  );
  const startedAt = begun[0] ? Date.parse(begun[0].at) : undefined;
  return { ...(startedAt === undefined ? {} : { startedAt }), steps, anomalies };
}
