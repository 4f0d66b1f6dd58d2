import { isBreakStep, PACK_UP } from "../log/index.ts";
import { type Problem, START, type Task, type TimeLag } from "../scheduling/index.ts";
import { fixPlacements, type Placement, type Relaxation, type RemainingProblem } from "./fixPlacements.ts";
import type { RunInput } from "./input.ts";
import type { JobProblem } from "./jobTasks.ts";
import { STEP_FACTS } from "./stepFacts.ts";

/** s that a step in hand is taken to go on at least, however long it has taken already. */
const GOES_ON = 60;

/** s within which what was begun as one goes on: its step in hand may take a little longer. */
const GOES_ON_WITHIN = 3 * 60;

/** Sections begun with one tap stay together: nothing comes between them for their person. */
function keptTogether({ tasks }: Problem, { logged = new Map() }: RunInput): TimeLag[] {
  const duration = new Map(tasks.map((task) => [task.id, task.duration]));
  return [...logged].flatMap(([to, { joined: from }]): TimeLag[] => {
    const lasts = from === undefined ? undefined : duration.get(from);
    return from === undefined || lasts === undefined || !duration.has(to)
      ? []
      : [{ from, to, maxLag: lasts + GOES_ON_WITHIN }];
  });
}

/** Steps done, passed over or in hand, each in its place. */
function placesOf(
  steps: JobProblem["steps"],
  problem: Problem,
  { logged = new Map(), finishedSeconds = new Map(), now = 0 }: RunInput,
): { readonly places: ReadonlyMap<string, Placement>; readonly inHand: ReadonlySet<string> } {
  const planned = new Map(problem.tasks.map(({ id, duration }) => [id, duration]));
  const places = new Map<string, Placement>();
  const inHand = new Set<string>();
  const packedUp = logged.get(PACK_UP);
  const over = packedUp?.end ?? packedUp?.skipped;
  for (const { id, kind, roomId } of steps) {
    const said = logged.get(id);
    const left = roomId === undefined || STEP_FACTS[kind].afterDry ? undefined : finishedSeconds.get(roomId);
    const usual = planned.get(id) ?? 0;
    if (said?.end !== undefined) {
      const start = Math.max(0, said.start ?? said.end - usual);
      places.set(id, { start, took: Math.max(0, said.end - start), passed: false });
    } else if (said?.skipped !== undefined)
      places.set(id, { start: Math.max(0, said.skipped), took: 0, passed: true });
    else if (left !== undefined) places.set(id, { start: Math.max(0, left), took: 0, passed: false });
    else if (said?.start !== undefined) {
      inHand.add(id);
      places.set(id, {
        start: Math.max(0, said.start),
        took: Math.max(usual, now + GOES_ON - said.start),
        passed: false,
      });
    }
  }
  // What nobody logged and belongs to no room was done when something that waits for it was: the machine was set up.
  const roomless = new Set(steps.flatMap(({ id, roomId }) => (roomId === undefined ? [id] : [])));
  for (let changed = true; changed; ) {
    changed = false;
    for (const { from, to, minLag } of problem.lags) {
      const place = places.get(to);
      if (!place || place.passed || minLag === undefined || places.has(from) || !roomless.has(from)) continue;
      places.set(from, {
        start: Math.max(0, place.start - (planned.get(from) ?? 0)),
        took: planned.get(from) ?? 0,
        passed: false,
      });
      changed = true;
    }
  }
  // What nobody logged by the time all was packed up isn't done any more.
  if (over !== undefined)
    for (const { id, kind } of steps)
      if (!places.has(id))
        places.set(id, {
          start: Math.max(0, over),
          took: 0,
          passed: true,
          ...(kind === "break" ? {} : { unsaid: true }),
        });
  return { places, inHand };
}

/** When each break is, put off until what is in hand as it begins is done: whoever has it is in one place. */
function breaksAround(
  { tasks, lags }: Problem,
  inHand: readonly { readonly at: number; readonly took: number }[],
  now: number,
) {
  const hourOf = new Map(
    lags.flatMap(({ from, to, minLag }) => (from === START && minLag !== undefined ? [[to, minLag]] : [])),
  );
  const breaks = tasks
    .filter(({ id }) => isBreakStep(id))
    .map(({ id, duration }) => ({ id, duration, at: hourOf.get(id) ?? 0 }))
    .toSorted((a, b) => a.at - b.at);
  const breakAt = new Map<string, number>();
  let free = 0;
  for (const { id, duration, at: hour } of breaks) {
    const over = hour + duration <= now;
    let at = over ? hour : Math.max(hour, free);
    for (const each of over ? [] : inHand.toSorted((a, b) => a.at + a.took - b.at - b.took))
      if (each.at < at + duration && at < each.at + each.took) at = each.at + each.took;
    breakAt.set(id, at);
    free = at + duration;
  }
  return { breakAt, isOver: (task: Task) => (breakAt.get(task.id) ?? 0) + task.duration <= now };
}

/**
 * Puts what the log knows of single steps into a job's problem. Steps done or passed over take up nobody's hands any more; one
 * begun stands where it began and lasts as planned, or until now where it has taken longer; everything else starts after now.
 */
export function remainingProblem(
  { steps, sections }: Pick<JobProblem, "steps" | "sections">,
  problem: Problem,
  input: RunInput,
  letGo: Relaxation,
): RemainingProblem {
  const { now = 0, crew } = input;
  const { places, inHand } = placesOf(steps, problem, input);
  const lasts = new Map(
    [...places].map(([id, { start, took }]) => [id, { at: start, took: Math.round(took) }] as const),
  );
  const onHand = [...inHand].flatMap((id) => lasts.get(id) ?? []);
  const { breakAt, isOver } = breaksAround(problem, onHand, now);
  // Two logged steps may claim one resource: both are accepted, only the first reserves it.
  const capacity = new Map(problem.resources.map((each) => [each.id, each.capacity]));
  const taken = new Map<string, number>();
  const busy = new Set<number>();
  const holds = (task: Task) => {
    // Who has two things in hand, a step and one of their own beside it, has but two hands.
    const who = input.logged?.get(task.id)?.who;
    const uses = task.uses.filter(
      ({ resource }) => resource !== "people" || who === undefined || !busy.has(who),
    );
    const free = uses.every(
      ({ resource, amount }) =>
        (taken.get(resource) ?? 0) + amount <= (capacity.get(resource) ?? crew.people),
    );
    if (!free) return [];
    for (const { resource, amount } of uses) taken.set(resource, (taken.get(resource) ?? 0) + amount);
    if (who !== undefined) busy.add(who);
    return uses;
  };
  // What goes on longest first: it is what its person is free after.
  const held = new Map(
    problem.tasks
      .flatMap((task) => {
        const place = inHand.has(task.id) ? lasts.get(task.id) : undefined;
        return place ? [{ task, ...place }] : [];
      })
      .toSorted((a, b) => b.at + b.took - a.at - a.took)
      .map(({ task }) => [task.id, holds(task)] as const),
  );
  const tasks = problem.tasks.map((task): Task => {
    const place = lasts.get(task.id);
    if (!place) return breakAt.has(task.id) && isOver(task) ? { ...task, uses: [] } : task;
    return { ...task, duration: place.took, uses: held.get(task.id) ?? [] };
  });
  const lags = problem.lags.map((lag) => {
    const at = lag.from === START ? breakAt.get(lag.to) : undefined;
    return at === undefined ? lag : { ...lag, minLag: at, maxLag: at };
  });
  const together = letGo === "nothing" ? keptTogether(problem, input) : [];
  return fixPlacements(
    { ...problem, lags: [...lags, ...together] },
    { tasks, sections, places, inHand, now, letGo },
  );
}
