import type { CallbackCause, ReviewedJob, ReviewedRoom } from "./reviewedJob.ts";

/** What callbacks are counted by. */
export const CALLBACK_GROUPS = ["method", "fibre", "productId", "person"] as const;
export type CallbackGroup = (typeof CALLBACK_GROUPS)[number];

/** Jobs with such a room, and those of them where something came back in one. */
export interface CallbackRate {
  readonly value: string;
  readonly jobs: number;
  readonly cameBack: number;
  readonly causes: readonly CallbackCause[];
}

function rateOf(
  value: string,
  jobs: readonly ReviewedJob[],
  isOfIt: (room: ReviewedRoom) => boolean,
): CallbackRate {
  const own = jobs.map(({ rooms }) => rooms.filter(isOfIt)).filter((rooms) => rooms.length > 0);
  const back = own.filter((rooms) => rooms.some(({ callbacks }) => callbacks.length > 0));
  return {
    value,
    jobs: own.length,
    cameBack: back.length,
    causes: [...new Set(back.flat().flatMap(({ callbacks }) => callbacks))],
  };
}

const valuesOf = (jobs: readonly ReviewedJob[], group: CallbackGroup): readonly string[] => [
  ...new Set(jobs.flatMap(({ rooms }) => rooms.flatMap((room) => room[group] ?? []))),
];

const worstFirst = (a: CallbackRate, b: CallbackRate) =>
  b.cameBack / b.jobs - a.cameBack / a.jobs || b.jobs - a.jobs || (a.value < b.value ? -1 : 1);

/** Callbacks by method, fibre, product or person, the worst first. A job counts once for each it has a room of. */
export const callbackRates = (jobs: readonly ReviewedJob[], group: CallbackGroup): CallbackRate[] =>
  valuesOf(jobs, group)
    .map((value) => rateOf(value, jobs, (room) => room[group] === value))
    .toSorted(worstFirst);

/** A fibre cleaned by a method that comes back much more often than the rest. */
export interface Lesson {
  readonly fibre: string;
  readonly method: string;
  readonly rate: CallbackRate;
}

/** Fewer jobs, or fewer that came back, teach nothing. */
const FEWEST_JOBS = 3;
const FEWEST_BACK = 2;
/** So many times as often as in all other rooms. */
const MORE_OFTEN = 2;

/**
 * Fibres and methods that come back at least twice as often together as the rooms without both, on three jobs or more, two of which
 * came back; the worst first. A crew’s own rule of thumb, no test of significance: the counts stand beside it.
 */
export function lessonsOf(jobs: readonly ReviewedJob[]): Lesson[] {
  return valuesOf(jobs, "fibre")
    .flatMap((fibre) =>
      valuesOf(jobs, "method").map((method) => {
        const isOfIt = (room: ReviewedRoom) => room.fibre === fibre && room.method === method;
        const rate = rateOf(`${fibre} ${method}`, jobs, isOfIt);
        const rest = rateOf("", jobs, (room) => !isOfIt(room));
        return { fibre, method, rate, rest };
      }),
    )
    .filter(
      ({ rate, rest }) =>
        rate.jobs >= FEWEST_JOBS &&
        rate.cameBack >= FEWEST_BACK &&
        rate.cameBack * rest.jobs >= MORE_OFTEN * rest.cameBack * rate.jobs,
    )
    .toSorted((a, b) => worstFirst(a.rate, b.rate))
    .map(({ fibre, method, rate }) => ({ fibre, method, rate }));
}
