import type { Building, Move, MoveEffect, RoomRange } from "@scutch/core/drying";
import type { JobInput, Scenario, ScenarioPlan } from "@scutch/core/plan";
import { type RunInput, type RunPlan, type SearchEffort, THOROUGH } from "@scutch/core/run";

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
  | (Asked & { readonly what: "run"; readonly input: RunInput; readonly search?: SearchEffort })
  | (Asked & { readonly what: "ways"; readonly job: JobInput; readonly ways: readonly Scenario[] });

export interface WorkerResponse {
  readonly id: number;
  readonly lane: string;
  readonly answer: RoomRange[] | MoveEffect[] | ScenarioPlan[] | RunPlan;
}

let worker: Worker | undefined;
/** Searches on for seconds: a worker of its own, so that nothing waits for it, ended when it isn't wanted any more. */
let searcher: Worker | undefined;
let asked = 0;
const waiting = new Map<number, (answer: never) => void>();

/** The one drying worker of the page, started when first needed. */
function drying(): Worker {
  if (worker) return worker;
  worker = startWorker("drying");
  return worker;
}

function startWorker(name: string): Worker {
  const started = new Worker(new URL("./planning.worker.ts", import.meta.url), { type: "module", name });
  started.addEventListener("message", ({ data }: MessageEvent<WorkerResponse>) => {
    waiting.get(data.id)?.(data.answer as never);
    waiting.delete(data.id);
  });
  return started;
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

/** Asks for the run of a job, of which only the newest question counts; an order to try is given as the starts of a run. */
export const askSchedule = (
  jobId: string,
  input: RunInput,
  then: (run: RunPlan) => void,
  previousStarts?: ReadonlyMap<string, number>,
) =>
  ask(
    { what: "run", lane: `run ${jobId}`, input, ...(previousStarts ? { search: { previousStarts } } : {}) },
    then,
  );

/** A longer search for one job's run. */
interface Search {
  readonly id: number;
  readonly jobId: string;
  readonly input: RunInput;
  readonly then: (run: RunPlan) => void;
}
/** Searches in the order asked, one job each; the first is under way, or begins after a pause. */
const searches: Search[] = [];
/** A pause in the changes before a job is searched for at length, ms: most edits are followed by another. */
const SEARCH_AFTER = 1500;
let pause: ReturnType<typeof setTimeout> | undefined;

/** Asks for a better run of a job than the first one found, after those of other jobs asked before. */
export function askThoroughSchedule(jobId: string, input: RunInput, then: (run: RunPlan) => void): void {
  dropSearch(jobId);
  searches.push({ id: ++asked, jobId, input, then });
  if (searches.length === 1) searchSoon();
}

function searchSoon(): void {
  clearTimeout(pause);
  pause = setTimeout(searchNext, SEARCH_AFTER);
}

function searchNext(): void {
  const [next] = searches;
  if (!next) {
    endSearcher();
    return;
  }
  const { id, jobId, input, then } = next;
  const done = (run: RunPlan) => {
    searches.shift();
    searchNext();
    then(run);
  };
  waiting.set(id, done as (answer: never) => void);
  searcher ??= startWorker("search");
  const question: WorkerRequest = { id, what: "run", lane: `search ${jobId}`, input, search: THOROUGH };
  searcher.postMessage(question);
}

/** A job's search isn't wanted any more; those of others go on. */
export function dropSearch(jobId: string): void {
  const place = searches.findIndex((each) => each.jobId === jobId);
  const [dropped] = place < 0 ? [] : searches.splice(place, 1);
  if (!dropped) return;
  waiting.delete(dropped.id);
  if (place > 0) return;
  endSearcher();
  searchSoon();
}

/** A search under way can only be stopped with its worker. */
function endSearcher(): void {
  searcher?.terminate();
  searcher = undefined;
}

/** Asks what a job comes to done several ways. */
export const askScenarios = (
  job: JobInput,
  ways: readonly Scenario[],
  then: (plans: ScenarioPlan[]) => void,
) => ask({ what: "ways", lane: "ways", job, ways }, then);

/** A pause in the changes before what takes long is worked out, ms. */
export const WORK_AFTER = 120;
