import type { Building, Move, MoveEffect, RoomRange } from "@scutch/core/drying";
import type { JobInput, Scenario, ScenarioPlan } from "@scutch/core/plan";
import type { RunInput, RunPlan } from "@scutch/core/run";

interface Asked {
  readonly id: number;
  /** Of the questions in one lane only the newest is answered. */
  readonly lane: string;
}

export type WorkerRequest =
  | (Asked & { readonly what: "range"; readonly building: Building })
  | (Asked & {
      readonly what: "rank";
      readonly building: Building;
      readonly index: number;
      readonly moves: readonly Move[];
    })
  | (Asked & { readonly what: "run"; readonly input: RunInput })
  | (Asked & { readonly what: "ways"; readonly job: JobInput; readonly ways: readonly Scenario[] });

export interface WorkerResponse {
  readonly id: number;
  readonly lane: string;
  readonly answer: RoomRange[] | MoveEffect[] | ScenarioPlan[] | RunPlan;
}

let worker: Worker | undefined;
let asked = 0;
const waiting = new Map<number, (answer: never) => void>();

/** The one drying worker of the page, started when first needed. */
function drying(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL("./planning.worker.ts", import.meta.url), { type: "module", name: "drying" });
  worker.addEventListener("message", ({ data }: MessageEvent<WorkerResponse>) => {
    waiting.get(data.id)?.(data.answer as never);
    waiting.delete(data.id);
  });
  return worker;
}

type Question = WorkerRequest extends infer A ? (A extends WorkerRequest ? Omit<A, "id"> : never) : never;

function ask<T>(question: Question, then: (answer: T) => void): () => void {
  const id = ++asked;
  waiting.set(id, then as (answer: never) => void);
  drying().postMessage({ ...question, id });
  return () => void waiting.delete(id);
}

/** Asks for the range of each room's ready times; the returned function lets go of the answer. */
export const askRanges = (building: Building, then: (ranges: RoomRange[]) => void) =>
  ask({ what: "range", lane: "range", building }, then);

/** Asks which of some moves in a room makes it dry soonest. */
export const askBestMoves = <Id extends string>(
  building: Building,
  index: number,
  moves: readonly Move<Id>[],
  then: (effects: MoveEffect<Id>[]) => void,
) => ask({ what: "rank", lane: "rank", building, index, moves }, then);

/** Asks for the run of a job, of which only the newest question counts. */
export const askSchedule = (jobId: string, input: RunInput, then: (run: RunPlan) => void) =>
  ask({ what: "run", lane: `run ${jobId}`, input }, then);

/** Asks what a job comes to done several ways. */
export const askScenarios = (
  job: JobInput,
  ways: readonly Scenario[],
  then: (plans: ScenarioPlan[]) => void,
) => ask({ what: "ways", lane: "ways", job, ways }, then);

/** A pause in the changes before what takes long is worked out, ms. */
export const WORK_AFTER = 120;
