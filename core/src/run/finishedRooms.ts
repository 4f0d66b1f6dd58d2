import { valueAt } from "../itemAt.ts";
import { type Problem, START, type Starts, type Task } from "../scheduling/index.ts";
import {
  fixPlacements,
  type Placement,
  type Relaxation,
  type RemainingProblem,
  unstartedProblem,
} from "./fixPlacements.ts";
import type { JobProblem } from "./jobTasks.ts";
import { STEP_FACTS } from "./stepFacts.ts";

/**
 * A job's problem with what has been done put in place, from the rooms that are known to be finished: their steps stretch or
 * shrink from the plan to the truth, dry work begun beside them counts as done with them, and everything else starts after
 * the last finish. A room before them that nobody has finished is still to do. A most that can't be kept any more is taken
 * out of the statement, and its section named.
 */
export function applyFinishedRooms(
  { steps, sections }: JobProblem,
  problem: Problem,
  planned: Starts,
  finished: ReadonlyMap<string, number>,
  letGo: Exclude<Relaxation, "every most"> = "nothing",
): RemainingProblem {
  const duration = new Map(problem.tasks.map((task) => [task.id, task.duration]));
  const startOf = (id: string) => planned.get(id) ?? 0;
  const endOf = (id: string) => startOf(id) + (duration.get(id) ?? 0);
  const order = [...new Set(steps.flatMap(({ roomId }) => roomId ?? []))];
  const done = order.filter((id) => finished.has(id));
  if (done.length === 0) return unstartedProblem(problem);
  const leftAt = (roomId: string) =>
    Math.max(...steps.filter((step) => step.roomId === roomId).map(({ id }) => endOf(id)));
  // From planned seconds to real ones: straight between the finishes known, never back.
  const knots = done
    .map((id) => ({ plan: leftAt(id), real: Math.max(0, Math.round(valueAt(finished, id))) }))
    .toSorted((a, b) => a.plan - b.plan);
  let latest = 0;
  const clock = [{ plan: 0, real: 0 }, ...knots].map(({ plan, real }) => {
    latest = Math.max(latest, real);
    return { plan, real: latest };
  });
  const real = (plan: number): number => {
    const after = clock.findIndex((knot) => knot.plan >= plan);
    const to = clock[after];
    if (!to) return latest + (plan - (clock.at(-1)?.plan ?? 0));
    const from = clock[after - 1] ?? to;
    const share = to.plan > from.plan ? (plan - from.plan) / (to.plan - from.plan) : 1;
    return Math.round(from.real + share * (to.real - from.real));
  };
  const until = clock.at(-1)?.plan ?? 0;
  const lastDone = Math.max(...done.map((id) => order.indexOf(id)));
  const openBefore = (roomId: string) => !finished.has(roomId) && order.indexOf(roomId) < lastDone;
  const isGone = new Set(
    steps
      .filter(({ id, kind, roomId }) =>
        roomId === undefined
          ? kind !== "break" && startOf(id) < until && kind !== "pack-up"
          : finished.has(roomId) ||
            (STEP_FACTS[kind].beforeWet && !openBefore(roomId) && startOf(id) < until),
      )
      .map(({ id }) => id),
  );
  // What waits for something still to do can't have been done.
  for (let changed = true; changed; ) {
    changed = false;
    for (const { from, to, minLag } of problem.lags)
      if (
        minLag !== undefined &&
        from !== START &&
        isGone.has(to) &&
        !isGone.has(from) &&
        !finishedStep(to)
      ) {
        isGone.delete(to);
        changed = true;
      }
  }
  function finishedStep(id: string): boolean {
    const roomId = steps.find((step) => step.id === id)?.roomId;
    return roomId !== undefined && finished.has(roomId);
  }
  const tasks = problem.tasks.map((task): Task => {
    if (!isGone.has(task.id)) return task;
    // Gone is gone: it takes up nobody's hands any more, so that two truths can't contradict each other.
    return { ...task, duration: Math.max(0, real(endOf(task.id)) - real(startOf(task.id))), uses: [] };
  });
  const places = new Map<string, Placement>(
    tasks.flatMap(({ id, duration: took }): [string, Placement][] =>
      isGone.has(id) ? [[id, { start: real(startOf(id)), took, passed: false }]] : [],
    ),
  );
  return fixPlacements(problem, { tasks, sections, places, now: latest, letGo });
}
