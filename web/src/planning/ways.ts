import type { Job } from "@scutch/contract";
import { valueAt } from "@scutch/core";
import type { Covering } from "@scutch/core/care";
import type { Method } from "@scutch/core/clean";
import {
  barredRooms,
  byMethod,
  MAX_PEOPLE,
  type RoomPlan,
  type Scenario,
  type ScenarioCase,
  type ScenarioPlan,
  takesMethod,
} from "@scutch/core/plan";
import { METHOD_NAMES } from "../format/words.ts";
import { statePlan } from "./computePlan.ts";
import type { JobDesk } from "./desk.ts";
import { fitMixes } from "./fitMixes.ts";

/** A way to do a job, as its choice is called. */
export type WayKey = `${Method | "as-is"} ${number}`;

const METHODS: readonly Method[] = [
  "extraction",
  "self-contained",
  "low-moisture",
  "dry-foam",
  "dry-compound",
];
const CREWS = Array.from({ length: MAX_PEOPLE }, (_, i) => i + 1);

const WAYS = new Map<WayKey, Scenario>(
  CREWS.flatMap((people) => [
    [`as-is ${people}`, { people }] as const,
    ...METHODS.map((method) => [`${method} ${people}`, { method, people }] as const),
  ]),
);
export const WAY_KEYS: readonly WayKey[] = (["as-is", ...METHODS] as const).flatMap((method) =>
  CREWS.map((people): WayKey => `${method} ${people}`),
);

export const wayOf = (key: WayKey): Scenario => valueAt(WAYS, key);

/** The way a job is planned now. */
export const presentWay = ({ run }: Pick<Job, "run">): WayKey => `as-is ${run?.people ?? 1}`;

/** As the crew calls it. */
export const methodText = ({ method }: Pick<Scenario, "method">) =>
  method ? METHOD_NAMES[method] : "As surveyed";
export const wayText = (way: Scenario) =>
  `${methodText(way)}, ${way.people === 1 ? "crew of one" : `crew of ${way.people}`}`;

/** A job done another way in every room the method is safe for; hard floors and coir keep theirs. */
export function takeWay(
  job: Job,
  { method, people }: Scenario,
  barred: ReadonlySet<string>,
  rooms: readonly Pick<RoomPlan, "id" | "covering">[],
): Job {
  const coverings = new Map<string, Covering>(rooms.map(({ id, covering }) => [id, covering]));
  return {
    ...job,
    run: { ...job.run, people },
    rooms: job.rooms.map((room) =>
      method === undefined ||
      room.passage ||
      barred.has(room.id) ||
      !takesMethod(coverings.get(room.id) ?? room.covering)
        ? room
        : byMethod(room, method),
    ),
  };
}

/** A job as it would be done one way, with mixes for it from the shelf: what it comes to once that way is used. */
export function caseOf(
  {
    job,
    shelf,
    log,
    input,
    startMs,
    work,
  }: Pick<JobDesk, "job" | "shelf" | "log" | "input" | "startMs" | "work">,
  way: Scenario,
): ScenarioCase {
  const barred = barredRooms(input, way);
  const taken = fitMixes(job, takeWay(job, way, barred, work.rooms), shelf);
  const stated = statePlan(taken, shelf, log, { lateStart: startMs, pace: input.pace });
  return { way, barred, job: stated.input };
}

/** Rooms the care rules don’t let a way’s method on. */
export const barredIn = ({ rooms }: Pick<ScenarioPlan, "rooms">): ReadonlySet<string> =>
  new Set(rooms.flatMap(({ roomId, barred }) => (barred ? [roomId] : [])));
