import { finishToStart, type Problem, START, type Task, type TimeLag } from "../scheduling/index.ts";
import { isPowered } from "./circuits.ts";
import type { Roles, RunCrew, RunInput } from "./input.ts";
import type { StepTask } from "./jobTasks.ts";
import { STEP_FACTS } from "./stepFacts.ts";

/** s between the end of a step and the start of one that shouldn't wait (common practice). */
const SOON_AFTER = 60;

/** With two people each role has one; a third helps either. */
const TWO = 2;
/** Whose role a step is, as something there is one of. */
export const roleResource = (role: keyof Roles): string => `role:${role}`;
export const isRoleResource = (resource: string): boolean => resource.startsWith("role:");

/** Writes a problem down task by task. */
export class ProblemBuilder {
  readonly tasks: Task[] = [{ id: START, duration: 0, uses: [] }];
  readonly steps: StepTask[] = [];
  readonly lags: TimeLag[] = [];
  /** Sections before it that each task belongs to, in cleaning order. */
  readonly turns: number[] = [0];
  private turn = 0;
  /** s of everybody's work stated before each task's part of the job, and the dwell there. */
  readonly parts: { readonly before: number; readonly dwell: number }[] = [{ before: 0, dwell: 0 }];
  private part = { before: 0, dwell: 0 };
  private work = 0;
  readonly last = new Map<string, Task>();

  constructor(private readonly crew: RunCrew) {}

  /** What is stated from here on is another part of the job, in which sprayed floors stand for so long, s. */
  next(dwell: number): void {
    this.turn++;
    this.part = { before: this.work / this.crew.people, dwell };
  }

  /** A step of so many seconds, at least one, that also takes up `more`; nothing where there is nothing to do. */
  add(step: StepTask, seconds: number, more: readonly string[] = []): Task | undefined {
    return seconds > 0 ? this.addAlways(step, seconds, more) : undefined;
  }

  /** A step every room has: it takes a second at least. */
  addAlways(step: StepTask, seconds: number, more: readonly string[] = []): Task {
    const { crew: takes, role } = STEP_FACTS[step.kind];
    const hands = takes === "everyone" ? this.crew.people : 1;
    const held = [
      ...(role && this.crew.roles && this.crew.people === TWO ? [roleResource(role)] : []),
      ...(step.tool ? [step.tool, ...(isPowered(step.tool) ? ["circuits"] : [])] : []),
      ...more,
    ];
    const task: Task = {
      id: step.id,
      duration: Math.max(1, Math.round(seconds)),
      uses: [{ resource: "people", amount: hands }, ...held.map((resource) => ({ resource, amount: 1 }))],
    };
    this.tasks.push(task);
    this.steps.push(step);
    this.turns.push(this.turn);
    this.parts.push(this.part);
    this.work += task.duration;
    return task;
  }

  /** One after another, what isn't there left out; the last of them. */
  addPrecedence(first: Task, ...chain: readonly (Task | undefined)[]): Task;
  addPrecedence(...chain: readonly (Task | undefined)[]): Task | undefined;
  addPrecedence(...chain: readonly (Task | undefined)[]): Task | undefined {
    let before: Task | undefined;
    for (const task of chain) {
      if (!task) continue;
      if (before) this.lags.push(finishToStart(before, task));
      before = task;
    }
    return before;
  }

  /** What stands so long, s, before the next step on its floor begins. */
  stand(wetted: Task | undefined, next: Task, dwell: number): void {
    if (wetted && dwell > 0)
      this.lags.push({ from: wetted.id, to: next.id, minLag: wetted.duration + Math.ceil(dwell) });
  }

  /** Not much later than what comes before it: pile is groomed while it is wet, a fan goes on when its room is done. */
  soon(before: Task | undefined, task: Task | undefined): void {
    if (before && task)
      this.lags.push({ from: before.id, to: task.id, maxLag: before.duration + SOON_AFTER });
  }

  /** After whatever was queued under this name before. */
  queue(name: string, task: Task | undefined): void {
    if (!task) return;
    this.addPrecedence(this.last.get(name), task);
    this.last.set(name, task);
  }

  finish({ crew }: RunInput): Problem {
    const used = new Set(this.tasks.flatMap(({ uses }) => uses.map(({ resource }) => resource)));
    const tools = [...used].filter((id) => id !== "people" && id !== "circuits");
    return {
      tasks: this.tasks,
      lags: this.lags,
      resources: [
        { id: "people", capacity: crew.people },
        { id: "circuits", capacity: crew.circuits },
        ...tools.map((id) => ({ id, capacity: 1 })),
      ],
    };
  }
}
