import type { Problem, Starts } from "../scheduling/index.ts";
import type { StepTask } from "./jobTasks.ts";

/** What a person is handed and what they had in hand before. */
interface Hand {
  free: number;
  tool: string;
  room: string;
}

/** Who has a step or did it, by its id, from 0. */
export type Assignees = ReadonlyMap<string, number>;

export interface StepAssignment {
  /** Who does each step, 0, 1, 2; a break belongs to all. */
  readonly who: Assignees;
  /** Times somebody puts one tool down and takes another up, and times somebody goes to another room. */
  readonly toolChanges: number;
  readonly roomChanges: number;
}

/**
 * Gives every step that isn't somebody's already of a schedule to somebody who is free: whoever has its tool in hand, else is in its room, else has been
 * free longest, else comes first. With no more steps at once than people there always is one; where a log says otherwise (a
 * device whose clock is ahead) it is whoever is free first, so that no step stays unassigned.
 */
export function assignSteps(
  steps: readonly StepTask[],
  problem: Pick<Problem, "tasks">,
  starts: Starts,
  people: number,
  said: Assignees = new Map(),
): StepAssignment {
  const duration = new Map(problem.tasks.map((task) => [task.id, task.duration]));
  const hands = Array.from({ length: people }, (): Hand => ({ free: 0, tool: "", room: "" }));
  const who = new Map<string, number>();
  let toolChanges = 0;
  let roomChanges = 0;
  const inTime = steps
    .map((step) => ({ step, start: starts.get(step.id) ?? 0 }))
    .toSorted((a, b) => a.start - b.start);
  for (const { step, start } of inTime) {
    const end = start + (duration.get(step.id) ?? 0);
    if (step.kind === "break") {
      for (const hand of hands) hand.free = end;
      continue;
    }
    const tool = step.tool ?? step.kind;
    const suits = (hand: Hand) => (hand.tool === tool ? 2 : 0) + (hand.room === step.roomId ? 1 : 0);
    const own = said.get(step.id);
    if (own !== undefined && own < people) {
      who.set(step.id, own);
      hands[own] = {
        free: Math.max(end, hands[own]?.free ?? 0),
        tool,
        room: step.roomId ?? hands[own]?.room ?? "",
      };
      continue;
    }
    let best = -1;
    for (const [i, hand] of hands.entries()) {
      if (hand.free > start) continue;
      const held = hands[best];
      if (!held || suits(hand) > suits(held) || (suits(hand) === suits(held) && hand.free < held.free))
        best = i;
    }
    if (best < 0)
      best = hands.reduce((first, { free }, i) => (free < (hands[first]?.free ?? 0) ? i : first), 0);
    const hand = hands[best];
    if (!hand) continue;
    if (hand.tool !== "" && hand.tool !== tool) toolChanges++;
    who.set(step.id, best);
    hand.free = end;
    hand.tool = tool;
    if (step.roomId !== undefined && hand.room !== step.roomId) {
      if (hand.room !== "") roomChanges++;
      hand.room = step.roomId;
    }
  }
  return { who, toolChanges, roomChanges };
}
