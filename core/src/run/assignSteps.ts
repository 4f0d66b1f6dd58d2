import type { Problem, Starts } from "../scheduling/index.ts";
import type { Roles } from "./input.ts";
import type { StepTask } from "./jobTasks.ts";
import { STEP_FACTS } from "./stepFacts.ts";

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
  /** Steps given to a person with the other role, or with none. */
  readonly outOfRole: number;
}

/** Weights for choosing a person: their role first, then the tool in hand, then the room they are in. */
const WEIGHTS = { role: 8, tool: 2, room: 1 } as const;

interface Timed {
  readonly step: StepTask;
  readonly start: number;
  readonly end: number;
}

/** Hands steps out in the order they begin. */
class Assigner {
  readonly who = new Map<string, number>();
  toolChanges = 0;
  roomChanges = 0;
  outOfRole = 0;
  private readonly hands: Hand[];
  /** Seconds, ascending, at which steps of each person's role begin: whoever is wanted soon isn't given what takes long. */
  private readonly wanted: readonly (readonly number[])[];

  constructor(
    people: number,
    private readonly roles: Roles | undefined,
    inTime: readonly Timed[],
  ) {
    this.hands = Array.from({ length: people }, (): Hand => ({ free: 0, tool: "", room: "" }));
    this.wanted = this.hands.map((_, who) =>
      inTime.flatMap(({ step, start }) => (this.roleOf(step) === who ? [start] : [])),
    );
  }

  /** Whose role a step is; undefined: nobody's. */
  private roleOf({ kind }: StepTask): number | undefined {
    const { role } = STEP_FACTS[kind];
    return role && this.roles?.[role];
  }

  private isWanted(who: number, { start, end }: Timed): boolean {
    const starts = this.wanted[who] ?? [];
    let low = 0;
    let high = starts.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((starts[middle] ?? 0) < start) low = middle + 1;
      else high = middle;
    }
    return (starts[low] ?? Number.POSITIVE_INFINITY) < end;
  }

  private suits(hand: Hand, who: number, timed: Timed): number {
    const { step } = timed;
    const role = this.roleOf(step);
    const inRole = role === undefined ? !this.isWanted(who, timed) : role === who;
    return (
      (this.roles && inRole ? WEIGHTS.role : 0) +
      (hand.tool === (step.tool ?? step.kind) ? WEIGHTS.tool : 0) +
      (hand.room === step.roomId ? WEIGHTS.room : 0)
    );
  }

  /** Whoever it suits best of those who are free, else whoever has been free longest; where a log leaves nobody, whoever is free first. */
  private choose(timed: Timed): number {
    let best = -1;
    let most = -1;
    for (const [i, hand] of this.hands.entries()) {
      if (hand.free > timed.start) continue;
      const suits = this.suits(hand, i, timed);
      if (suits < most || (suits === most && hand.free >= (this.hands[best]?.free ?? 0))) continue;
      best = i;
      most = suits;
    }
    return best >= 0
      ? best
      : this.hands.reduce((first, { free }, i) => (free < (this.hands[first]?.free ?? 0) ? i : first), 0);
  }

  pause(end: number): void {
    for (const hand of this.hands) hand.free = end;
  }

  /** As somebody said it is: that is no choice, so nothing of it is counted. */
  given({ step, end }: Timed, who: number): void {
    this.who.set(step.id, who);
    const hand = this.hands[who];
    if (!hand) return;
    hand.free = Math.max(end, hand.free);
    hand.tool = step.tool ?? step.kind;
    hand.room = step.roomId ?? hand.room;
  }

  assign(timed: Timed): void {
    const { step, end } = timed;
    const tool = step.tool ?? step.kind;
    const who = this.choose(timed);
    const hand = this.hands[who];
    if (!hand) return;
    const role = this.roleOf(step);
    if (role !== undefined && role !== who) this.outOfRole++;
    if (hand.tool !== "" && hand.tool !== tool) this.toolChanges++;
    this.who.set(step.id, who);
    hand.free = end;
    hand.tool = tool;
    if (step.roomId !== undefined && hand.room !== step.roomId) {
      if (hand.room !== "") this.roomChanges++;
      hand.room = step.roomId;
    }
  }
}

/**
 * Gives every step that isn't somebody's already of a schedule to somebody who is free: whoever's role it is, else has its tool in
 * hand, else is in its room, else has been free longest, else comes first. With no more steps at once than people there always is one;
 * where a log says otherwise (a device whose clock is ahead) it is whoever is free first, so that no step stays unassigned.
 */
export function assignSteps(
  steps: readonly StepTask[],
  problem: Pick<Problem, "tasks">,
  starts: Starts,
  { people, roles }: { readonly people: number; readonly roles?: Roles | undefined },
  said: Assignees = new Map(),
): StepAssignment {
  const duration = new Map(problem.tasks.map((task) => [task.id, task.duration]));
  const inTime = steps
    .map((step): Timed => {
      const start = starts.get(step.id) ?? 0;
      return { step, start, end: start + (duration.get(step.id) ?? 0) };
    })
    .toSorted((a, b) => a.start - b.start);
  const assigner = new Assigner(people, people > 1 ? roles : undefined, inTime);
  for (const timed of inTime) {
    const own = said.get(timed.step.id);
    if (timed.step.kind === "break") assigner.pause(timed.end);
    else if (own !== undefined && own < people) assigner.given(timed, own);
    else assigner.assign(timed);
  }
  const { who, toolChanges, roomChanges, outOfRole } = assigner;
  return { who, toolChanges, roomChanges, outOfRole };
}
