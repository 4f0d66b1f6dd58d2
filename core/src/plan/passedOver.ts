import { parseStepId } from "../log/index.ts";
import type { StepKind } from "../run/index.ts";
import type { JobInput } from "./input.ts";
import type { WorkPlan } from "./work.ts";

/**
 * Tells whether all work of some kinds in a room was skipped by the log: some of it skipped, none begun or done, and none of it
 * still in the plan.
 */
export function passedOver(
  { logged = {} }: Pick<JobInput, "logged">,
  { run }: Pick<WorkPlan, "run">,
): (kinds: readonly StepKind[], roomId: string) => boolean {
  const skipped = new Set<string>();
  const kept = new Set<string>();
  const key = (kind: string, roomId: string) => `${kind}:${roomId}`;
  for (const [id, { start, end, skipped: at, roomId }] of Object.entries(logged)) {
    if (roomId === undefined) continue;
    const isSkipped = at !== undefined && end === undefined;
    if (isSkipped) skipped.add(key(parseStepId(id).kind, roomId));
    else if (start !== undefined || end !== undefined) kept.add(key(parseStepId(id).kind, roomId));
  }
  for (const { id, kind, roomId } of run.outcome === "planned" ? run.steps : [])
    if (roomId !== undefined && logged[id]?.skipped === undefined) kept.add(key(kind, roomId));
  return (kinds, roomId) => {
    const isAny = (of: ReadonlySet<string>) => kinds.some((kind) => of.has(key(kind, roomId)));
    return isAny(skipped) && !isAny(kept);
  };
}
