import type {
  Aim,
  Building,
  JointMoves,
  LaterMoves,
  Levers,
  LimitsQuestion,
  RoomLimits,
} from "@scutch/core/drying";
import type { DrierWork, JobInput, ScenarioCase, ScenarioPlan } from "@scutch/core/plan";
import { type RunInput, type RunPlan, type SearchEffort, THOROUGH } from "@scutch/core/run";

import type { DryingQuestion, DryingRanges } from "./dryingForecast.ts";
import { noteFailedCalculations } from "./failedCalculations.ts";
import type { PlanAnswer, PlanQuestion } from "./planInWorker.ts";

interface Asked {
  readonly id: number;
  /** Of the questions in one lane only the newest is answered. */
  readonly lane: string;
}

/** What to move in a building, from what there is and from what could be rented. */
export interface MovesQuestion {
  readonly building: Building;
  readonly levers: Levers;
  readonly rented: Levers;
  readonly aim: Aim;
}

export interface MovesAnswer {
  readonly own: JointMoves;
  /** What to move again later, with the own gear. */
  readonly later?: LaterMoves;
  /** Where some room stays wet for long with what there is. */
  readonly rented?: JointMoves;
}

export type WorkerRequest =
  | (Asked & DryingQuestion & { readonly what: "range" })
  | (Asked & MovesQuestion & { readonly what: "moves" })
  | (Asked & LimitsQuestion & { readonly what: "limits" })
  | (Asked & { readonly what: "drier"; readonly input: JobInput })
  | (Asked & { readonly what: "run"; readonly input: RunInput; readonly search?: SearchEffort })
  | (Asked & PlanQuestion & { readonly what: "plan" })
  | (Asked & { readonly what: "ways"; readonly cases: readonly ScenarioCase[] });

export type WorkerResponse = Pick<WorkerRequest, "id" | "lane"> &
  (
    | {
        readonly answer:
          | DryingRanges
          | MovesAnswer
          | RoomLimits
          | DrierWork[]
          | ScenarioPlan[]
          | RunPlan
          | PlanAnswer;
        /** A better one follows. */
        readonly isPart?: true;
      }
    /** It broke off: the question can be asked again. */
    | { readonly failed: true }
  );

let worker: Worker | undefined;
/** Searches on for seconds: a worker of its own, so that nothing waits for it, ended when it isn't wanted any more. */
let searcher: Worker | undefined;
let asked = 0;
/** A question that is still to be answered. */
interface OpenQuestion {
  readonly question: WorkerRequest;
  readonly of: "drying" | "search";
  readonly hear: (answer: never, isLast: boolean) => void;
}
const waiting = new Map<number, OpenQuestion>();
/** Questions whose calculation broke off, to be asked again when a person says so. */
let failed: ReadonlyMap<number, OpenQuestion> = new Map();

function setFailed(next: ReadonlyMap<number, OpenQuestion>): void {
  failed = next;
  noteFailedCalculations(failed.size, askFailedAgain);
}

/** Asks again, of new workers, whatever broke off. */
function askFailedAgain(): void {
  const again = [...failed];
  setFailed(new Map());
  worker?.terminate();
  worker = undefined;
  for (const [id, open] of again) waiting.set(id, open);
  // What else waited for the worker that is gone is asked again with it.
  for (const { question, of } of waiting.values()) if (of === "drying") drying().postMessage(question);
  const search = [...waiting.values()].find(({ of }) => of === "search");
  if (search) {
    endSearcher();
    searching().postMessage(search.question);
  }
}

/** A question isn't wanted any more. */
function drop(id: number): void {
  waiting.delete(id);
  if (failed.has(id)) setFailed(new Map([...failed].filter(([each]) => each !== id)));
}

/** The one drying worker of the page, started when first needed. */
function drying(): Worker {
  worker ??= startWorker("drying");
  return worker;
}
function searching(): Worker {
  searcher ??= startWorker("search");
  return searcher;
}

function startWorker(of: OpenQuestion["of"]): Worker {
  const started = new Worker(new URL("./planning.worker.ts", import.meta.url), { type: "module", name: of });
  started.addEventListener("message", ({ data }: MessageEvent<WorkerResponse>) => {
    const open = waiting.get(data.id);
    const isLast = !("isPart" in data && data.isPart);
    if (isLast) waiting.delete(data.id);
    if (!open) return;
    if ("answer" in data) open.hear(data.answer as never, isLast);
    else setFailed(new Map([...failed, [data.id, open]]));
  });
  // It couldn't be loaded, or died: nothing asked of it will be answered.
  started.addEventListener("error", () => {
    const lost = [...waiting].filter(([, open]) => open.of === of);
    for (const [id] of lost) waiting.delete(id);
    if (of === "drying") worker = undefined;
    else searcher = undefined;
    setFailed(new Map([...failed, ...lost]));
  });
  return started;
}

type Question = WorkerRequest extends infer A ? (A extends WorkerRequest ? Omit<A, "id"> : never) : never;

function ask<T>(question: Question, then: (answer: T, isLast: boolean) => void): () => void {
  const id = ++asked;
  const whole = { ...question, id } as WorkerRequest;
  // Of the questions in one lane only the newest counts.
  for (const [before, open] of failed) if (open.question.lane === question.lane) drop(before);
  waiting.set(id, { question: whole, of: "drying", hear: then as OpenQuestion["hear"] });
  drying().postMessage(whole);
  return () => drop(id);
}

/** Asks for the range of each room's ready times, which comes again as it gets better; the returned function lets go of the answer. */
export const askRanges = (asked: DryingQuestion, then: (ranges: DryingRanges, isLast: boolean) => void) =>
  ask({ what: "range", lane: "range", ...asked }, then);

/** Asks what to move; told again where renting may help. */
export const askMoves = (question: MovesQuestion, then: (answer: MovesAnswer) => void) =>
  ask({ what: "moves", lane: "moves", ...question }, then);

/** Asks what holds a room up and what to measure. */
export const askLimits = (question: LimitsQuestion, then: (answer: RoomLimits) => void) =>
  ask({ what: "limits", lane: "limits", ...question }, then);

/** Asks what a job comes to with more water taken out. */
export const askDrierWork = (input: JobInput, then: (answer: DrierWork[]) => void) =>
  ask({ what: "drier", lane: "drier", input }, then);

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

/** Asks for the whole plan of a job, of which only the newest question counts. */
export const askWholePlan = (jobId: string, question: PlanQuestion, then: (answer: PlanAnswer) => void) =>
  ask({ what: "plan", lane: `plan ${jobId}`, ...question }, then);

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
  const question: WorkerRequest = { id, what: "run", lane: `search ${jobId}`, input, search: THOROUGH };
  waiting.set(id, { question, of: "search", hear: done as OpenQuestion["hear"] });
  searching().postMessage(question);
}

/** A job's search isn't wanted any more; those of others go on. */
export function dropSearch(jobId: string): void {
  const place = searches.findIndex((each) => each.jobId === jobId);
  const [dropped] = place < 0 ? [] : searches.splice(place, 1);
  if (!dropped) return;
  drop(dropped.id);
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
export const askScenarios = (cases: readonly ScenarioCase[], then: (plans: ScenarioPlan[]) => void) =>
  ask({ what: "ways", lane: "ways", cases }, then);

/** A pause in the changes before what takes long is worked out, ms. */
export const WORK_AFTER = 120;
