import { numberAt } from "../itemAt.ts";
import { isOfRoom, PACK_UP, parseStepId } from "../log/index.ts";
import {
  type CrewPace,
  DEFAULT_PACE,
  isStepKind,
  PACE_LIMITS,
  roundTime,
  runRoomWork,
  type StepKind,
  vacuumPieces,
} from "../run/index.ts";
import type { JobInput } from "./input.ts";
import { effectsOf } from "./interview.ts";
import { accidentsFound } from "./odour.ts";
import { planRooms } from "./rooms.ts";
import { runRooms } from "./run.ts";
import { planWork } from "./work.ts";

/** A pace as the crew's own log has it: m²/s or a share, and how many jobs it rests on. */
export interface Learned {
  readonly value: number;
  readonly jobs: number;
}

export type LearnedPace = { readonly [K in keyof CrewPace]?: Learned };

/** Fewer jobs than this say more about the jobs than about the crew. */
export const MIN_JOBS = 3;
/** A tap forgotten or tapped twice: nobody works a step so short or so long, s. */
const [SHORTEST, LONGEST] = [20, 4 * 3600] as const;

/** Less than this says nothing: steps are rounded to seconds. */
const STRETCHED = 1.005;

/** What is logged of so much of a room is logged of all of it. */
const NEARLY_ALL = 0.95;

/** How long a step took in a room, s, over which share of it. */
interface Worked {
  readonly seconds: number;
  readonly share: number;
}

interface OneJob {
  readonly vacuum?: number;
  readonly spray?: number;
  readonly whole?: WholeJob;
}

/** A whole job over the work of its rooms: what goes round it as steps of their own, and what the rest really took. */
interface WholeJob {
  readonly round: number;
  readonly stretch: number;
}

const median = (values: readonly number[]) => {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? numberAt(sorted, middle)
    : (numberAt(sorted, middle - 1) + numberAt(sorted, middle)) / 2;
};

/** What one job's log says of the paces, the overhead as `pace` has the rest. */
function oneJob(job: JobInput, pace: CrewPace): OneJob {
  const effects = effectsOf(job.interview, accidentsFound(job.spots));
  const rooms = runRooms(job, planRooms(job, effects).rooms, effects);
  const took = new Map<StepKind, Map<string, Worked>>();
  const logged = new Map(Object.entries(job.logged ?? {}));
  let all = 0;
  for (const [id, { start, end, part }] of logged) {
    const { kind, subject: of } = parseStepId(id);
    if (start === undefined || end === undefined) continue;
    // A step of somebody's own is part of what goes round the work.
    if (!isStepKind(kind)) continue;
    const seconds = end - start;
    if (seconds < SHORTEST || seconds > LONGEST) continue;
    if (kind !== "break") all += seconds;
    const room = rooms.find(({ id: each }) => isOfRoom(of, each));
    if (room === undefined) continue;
    const pieces = kind === "vacuum" && of !== room.id ? vacuumPieces(room, logged) : 1;
    const share = part ? part.to - part.from : 1 / pieces;
    const own = took.get(kind) ?? new Map<string, Worked>();
    const before = own.get(room.id) ?? { seconds: 0, share: 0 };
    own.set(room.id, { seconds: before.seconds + seconds, share: Math.min(1, before.share + share) });
    took.set(kind, own);
  }
  const rate = (kind: StepKind, at: (room: (typeof rooms)[number]) => number): number | undefined => {
    const own = took.get(kind);
    if (!own) return undefined;
    const done = rooms.filter(({ id }) => own.has(id));
    const seconds = [...own.values()].reduce((sum, each) => sum + each.seconds, 0);
    return done.reduce((sum, room) => sum + at(room) * (own.get(room.id)?.share ?? 0), 0) / seconds;
  };
  const vacuum = rate("vacuum", (room) => runRoomWork(room, { pace: { vacuum: 1 } }).vacuum);
  const spray = rate("pre-spray", (room) => runRoomWork(room, { pace: { spray: 1 } }).spray);
  // The whole job, with all that goes round it: only where every room was cleaned by the log and it was packed up.
  const whole =
    rooms.length > 0 &&
    rooms.every(({ id }) => (took.get("clean")?.get(id)?.share ?? 0) >= NEARLY_ALL) &&
    job.logged?.[PACK_UP]?.end !== undefined;
  const work = rooms.reduce(
    (sum, room) => sum + Object.values(runRoomWork(room, { pace })).reduce((of, each) => of + each, 0),
    0,
  );
  return {
    ...(vacuum === undefined ? {} : { vacuum }),
    ...(spray === undefined ? {} : { spray }),
    ...(whole && work > 0
      ? { whole: { round: roundOf(job) / work, stretch: (all - roundOf(job)) / work } }
      : {}),
  };
}

/** Jobs logged whole: how long each took over the work of its rooms, and how long the pace plans it for. */
export function wholeJobs(
  jobs: readonly JobInput[],
  pace: CrewPace,
): { readonly taken: number; readonly planned: number }[] {
  const { overhead = DEFAULT_PACE.overhead } = pace;
  return jobs.flatMap((job) => {
    const { whole } = oneJob(job, pace);
    return whole
      ? [{ taken: whole.stretch + whole.round, planned: stretchAt(overhead, whole) + whole.round }]
      : [];
  });
}

/** What is planned to go round a job's work, s: fills and trips as its rooms ask for them. */
function roundOf(job: JobInput): number {
  let seconds = 0;
  planWork({ ...job, logged: {} }, (input) => {
    seconds = roundTime(input);
    return { outcome: "impossible", fault: { code: "no-place", tasks: [] } };
  });
  return seconds;
}

/** What a job's steps are stretched by at an overhead: by what of it is not a step of its own already, never below 1. */
const stretchAt = (overhead: number, { round }: WholeJob) => 1 + Math.max(0, overhead - round);

/**
 * The overhead that tells best how long some jobs took. A small job, all set-up, says only that the overhead isn't larger. Undefined where all are such.
 */
function overheadOf(jobs: readonly WholeJob[]): number | undefined {
  const off = (overhead: number) =>
    jobs.reduce((sum, job) => sum + Math.abs(job.stretch - stretchAt(overhead, job)), 0);
  // The sum of absolute errors is least at a job's own overhead, where any are stretched at all.
  const own = jobs.map(({ round, stretch }) => Math.max(0, stretch - 1 + round));
  const best = own.reduce<number | undefined>(
    (least, each) => (least === undefined || off(each) < off(least) ? each : least),
    undefined,
  );
  return best !== undefined && jobs.some((job) => stretchAt(best, job) > STRETCHED) ? best : undefined;
}

/**
 * The crew's own paces from jobs it ran step by step: of each job one figure, of the jobs the median or, of the overhead, the least
 * sum of errors, so that one odd day moves nothing. Only what rests on {@link MIN_JOBS} jobs or more.
 */
export function learnPace(jobs: readonly JobInput[], pace: CrewPace = {}): LearnedPace {
  const each = jobs.map((job) => oneJob(job, pace));
  const within = (
    value: number | undefined,
    [least, most]: readonly [number, number],
    count: number,
  ): Learned | undefined =>
    value !== undefined && count >= MIN_JOBS && value >= least && value <= most
      ? { value, jobs: count }
      : undefined;
  const rate = (key: "vacuum" | "spray"): Learned | undefined => {
    const values = each.flatMap((one) => one[key] ?? []);
    return values.length > 0 ? within(median(values), PACE_LIMITS.rate, values.length) : undefined;
  };
  const wholes = each.flatMap(({ whole }) => whole ?? []);
  const [vacuum, spray] = [rate("vacuum"), rate("spray")];
  const overhead = within(overheadOf(wholes), PACE_LIMITS.overhead, wholes.length);
  return {
    ...(vacuum ? { vacuum } : {}),
    ...(spray ? { spray } : {}),
    ...(overhead ? { overhead } : {}),
  };
}
