import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";
import { foldRunState, type StepLogged } from "./runState.ts";
import { parseStepId } from "./stepId.ts";

/** All steps of one kind in a room, as logged; ms since 1970. */
export interface RecordedPhase {
  readonly kind: string;
  /** What a step of the crew’s own is called. */
  readonly what?: string;
  /** First start and last end of those that were done. */
  readonly from?: number;
  readonly to?: number;
  readonly done: number;
  readonly skipped: number;
  /** Why steps were skipped, each reason once. */
  readonly reasons: readonly string[];
}

/** What was done in a room by the log. */
export interface RoomRecord {
  readonly roomId: string;
  readonly phases: readonly RecordedPhase[];
}

interface Logged extends StepLogged {
  readonly id: string;
}

/** What the log says was done in each room, phase by phase in the order they began; rooms in the order of their first step. */
export function roomRecords(log: readonly Entry[]): RoomRecord[] {
  const { steps } = foldRunState(log);
  const reasons = new Map(
    effectiveEntries(log).flatMap((entry) =>
      entry.kind === "step-skipped" && entry.reason !== undefined
        ? [[entry.step, entry.reason] as const]
        : [],
    ),
  );
  const byRoom = new Map<string, Logged[]>();
  for (const [id, step] of steps)
    if (step.roomId !== undefined)
      byRoom.set(step.roomId, [...(byRoom.get(step.roomId) ?? []), { id, ...step }]);
  return [...byRoom].map(([roomId, own]) => ({ roomId, phases: phasesOf(own, reasons) }));
}

const timesOf = ({ startedAt, doneAt }: StepLogged) =>
  doneAt === undefined ? [] : [startedAt ?? doneAt, doneAt];

function phasesOf(steps: readonly Logged[], reasons: ReadonlyMap<string, string>): RecordedPhase[] {
  const ended = steps.filter(({ doneAt, skippedAt }) => doneAt !== undefined || skippedAt !== undefined);
  const groups = new Map<string, Logged[]>();
  for (const step of ended) {
    const { kind } = parseStepId(step.id);
    const key = `${kind} ${step.what ?? ""}`;
    groups.set(key, [...(groups.get(key) ?? []), step]);
  }
  return [...groups.values()]
    .map((own) => {
      const [first] = own as [Logged];
      const times = own.flatMap(timesOf);
      const skipped = own.filter(({ doneAt }) => doneAt === undefined);
      return {
        kind: parseStepId(first.id).kind,
        ...(first.what === undefined ? {} : { what: first.what }),
        ...(times.length > 0 ? { from: Math.min(...times), to: Math.max(...times) } : {}),
        done: own.length - skipped.length,
        skipped: skipped.length,
        reasons: [...new Set(skipped.flatMap(({ id }) => reasons.get(id) ?? []))],
        at: Math.min(...times, ...skipped.map(({ skippedAt = 0 }) => skippedAt)),
      };
    })
    .toSorted((a, b) => a.at - b.at)
    .map(({ at: _, ...phase }) => phase);
}
