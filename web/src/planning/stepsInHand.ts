import type { LogEntry, LogEntryOf } from "@scutch/contract";
import { effectiveEntries, foldRunState, isRunActive } from "@scutch/core/log";

/** A step somebody has begun and not ended. */
export interface StepInHand {
  readonly by: string;
  readonly does: LogEntryOf<"step-started">["does"];
  readonly what?: string | undefined;
  readonly roomId?: string | undefined;
  /** ms since 1970 */
  readonly since: number;
}

/** The step each person of the crew began last, while it isn't done, by the log: who is in which room. In the order of their names. */
export function stepsInHand(log: readonly LogEntry[]): readonly StepInHand[] {
  const run = foldRunState(log);
  if (!isRunActive(run)) return [];
  const last = new Map<string, LogEntryOf<"step-started">>();
  for (const entry of effectiveEntries(log)) {
    if (entry.kind !== "step-started" || entry.by === undefined) continue;
    const before = last.get(entry.by);
    if (!before || Date.parse(before.at) <= Date.parse(entry.at)) last.set(entry.by, entry);
  }
  return [...last]
    .filter(([, { step }]) => {
      const { doneAt, skippedAt } = run.steps.get(step) ?? {};
      return doneAt === undefined && skippedAt === undefined;
    })
    .map(([by, { does, what, roomId, at }]) => ({ by, does, what, roomId, since: Date.parse(at) }))
    .toSorted((a, b) => a.by.localeCompare(b.by));
}
