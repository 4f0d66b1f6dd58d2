import type { Rig } from "@scutch/core/clean";
import {
  attemptsOn,
  dyeTests,
  foldFills,
  foldRunState,
  isRunActive,
  roomFinishTimes,
  tankReadings,
} from "@scutch/core/log";
import { usableVolume } from "@scutch/core/mix";
import type { JobInput } from "@scutch/core/plan";
import type { StepProgress } from "@scutch/core/run";
import type { CrewSettings } from "./crew.ts";
import type { Gear, GearKind, GearOf } from "./gear.ts";
import type { BatchChoice, Job, RigChoice } from "./job.ts";
import type { LogEntry } from "./logEntry.ts";
import type { Product } from "./product.ts";
import type { Site } from "./site.ts";
import { spotArea } from "./spot.ts";
import type { Vessel } from "./vessel.ts";

/** What stands round a job: the shelf, the van, the place and what happened so far. */
export interface JobContext {
  readonly products: readonly Product[];
  readonly vessels: readonly Vessel[];
  readonly gear?: readonly Gear[];
  readonly site?: Site;
  readonly log?: readonly LogEntry[];
  /** How fast the crew works, where it has said so. */
  readonly pace?: CrewSettings["pace"];
  /** Milliseconds since 1970 at which the job starts; without it logged finishes can't be placed on its clock. */
  readonly startsAtMs?: number;
  /** Milliseconds since 1970 it is now, for a run under way; the last thing logged where nobody says. */
  readonly now?: number;
}

const minutesOf = (clock: string) => {
  const [hours = 0, minutes = 0] = clock.split(":").map(Number);
  return 60 * hours + minutes;
};

/** An hour said is of this run if it's within so many minutes before the start; else it is the next time a clock shows it. */
const BEFORE_START = 6 * 60;

/** Seconds after the job's start at which a clock shows so much; less than 0 where that is shortly before it. */
function secondsAfter(clock: string, job: Job, startsAt: number | undefined): number {
  const planned = Date.parse(`${job.day}T${job.startsAt}`);
  // A job begun before its planned start has its clock from there.
  const early = startsAt === undefined ? 0 : Math.max(0, (planned - startsAt) / 1000);
  return (
    early + 60 * (((minutesOf(clock) - minutesOf(job.startsAt) + 1440 + BEFORE_START) % 1440) - BEFORE_START)
  );
}

function runOf(job: Job, startsAt: number | undefined): JobInput["run"] {
  const { run = {}, breaks = [], pins = [] } = job;
  const seconds = (clock: string) => secondsAfter(clock, job, startsAt);
  return {
    ...withoutUndefined(run),
    breaks: breaks.map(({ id, at, length }) => ({ id, at: seconds(at), length })),
    pins: pins.map(({ id, at }) => ({ stepId: id, at: seconds(at) })),
    promises: job.rooms.flatMap(({ id, walkOnBy }) =>
      walkOnBy === undefined ? [] : [{ roomId: id, by: seconds(walkOnBy) }],
    ),
  };
}

/** A run nobody has logged anything of for so long, ms, was left without a word: it doesn't move on with the clock. */
const FORGOTTEN = 12 * 3_600_000;

/** The clock a run is planned by moves on so often, ms. */
const A_MINUTE = 60_000;

/** What the log knows of the run's steps, on the job's clock; nothing where no step is logged. A fill made is its step done. */
export function runProgress(
  job: Job,
  log: readonly LogEntry[],
  { startsAtMs, now }: Pick<JobContext, "startsAtMs" | "now">,
): Pick<JobInput, "logged" | "now"> {
  const run = foldRunState(log);
  if (startsAtMs === undefined || (run.startedAt === undefined && run.steps.size === 0)) return {};
  const second = (at: number) => (at - startsAtMs) / 1000;
  const logged: Record<string, StepProgress> = {};
  for (const [id, { startedAt, doneAt, skippedAt, who, ...of }] of run.steps)
    logged[id] = {
      ...of,
      ...(startedAt === undefined ? {} : { start: second(startedAt) }),
      ...(doneAt === undefined ? {} : { end: second(doneAt) }),
      ...(skippedAt === undefined ? {} : { skipped: second(skippedAt) }),
      ...(who === undefined ? {} : { who: who - 1 }),
    };
  for (const batch of job.batches)
    for (const [fill, { at }] of foldFills(log, batch)) {
      const id = `fill:${batch.id}.${fill}`;
      logged[id] = { ...logged[id], end: logged[id]?.end ?? second(Date.parse(at)) };
    }
  const begun = run.startedAt === undefined ? [] : [run.startedAt];
  const seconds = Object.values(logged).flatMap(({ start, end, skipped }) => [start, end, skipped]);
  const last = Math.max(
    ...begun,
    ...seconds.flatMap((each) => (each === undefined ? [] : [startsAtMs + each * 1000])),
  );
  const goesOn = isRunActive(run) && now !== undefined && now - last < FORGOTTEN;
  // What was logged within the minute is over; what lies further ahead was logged by a clock that is wrong.
  return { logged, now: second(goesOn ? Math.max(now, Math.min(last, now + A_MINUTE)) : last) };
}

/** Joins a job with its surroundings into what core plans from. A batch whose product or vessel is missing is left out. */
export function toJobInput(job: Job, around: JobContext): JobInput {
  const log = around.log ?? [];
  const { startsAtMs } = around;
  return {
    ...(around.site?.elevation === undefined ? {} : { elevation: around.site.elevation }),
    ...(job.indoor ? { indoor: job.indoor } : {}),
    ...(job.outdoor ? { outdoor: job.outdoor } : {}),
    ...(job.interview ? { interview: job.interview } : {}),
    ...(job.doors ? { doors: job.doors } : {}),
    ...(job.former ? { former: job.former } : {}),
    rooms: job.rooms,
    spots: (job.spots ?? []).map((spot) => {
      const last = attemptsOn(log, spot.id).at(-1);
      return { ...spot, area: spotArea(spot), ...(last ? { result: last.result } : {}) };
    }),
    measuredWater: tankReadings(log),
    tests: dyeTests(log),
    batches: job.batches.flatMap((batch) => {
      const product = around.products.find(({ id }) => id === batch.productId);
      const vessel = around.vessels.find(({ id }) => id === batch.vesselId);
      return product && vessel
        ? [
            {
              id: batch.id,
              product,
              vessel,
              vesselId: vessel.id,
              measure: batch.measure,
              ...(batch.strength ? { strength: batch.strength } : {}),
              ...(batch.carried ? { carried: batch.carried } : {}),
              ...tipOf(batch, around),
              boosters: (batch.boosters ?? []).flatMap(({ productId, strength }) => {
                const booster = around.products.find(({ id }) => id === productId);
                return booster ? [{ product: booster, ...(strength ? { strength } : {}) }] : [];
              }),
            },
          ]
        : [];
    }),
    finishedHours:
      startsAtMs === undefined
        ? {}
        : Object.fromEntries(
            [...roomFinishTimes(log)].map(([room, at]) => [room, (at - startsAtMs) / 3_600_000]),
          ),
    ...(job.rig ? { rig: rigOf(job.rig, around) } : {}),
    ...(around.pace ? { pace: around.pace } : {}),
    run: runOf(job, startsAtMs),
    ...runProgress(job, log, around),
  };
}

function gearOf<K extends GearKind>({ gear = [] }: JobContext, kind: K, id: string | undefined) {
  return gear.find((each): each is GearOf<K> => each.kind === kind && each.id === id);
}

function tipOf(batch: BatchChoice, around: JobContext) {
  const tip = gearOf(around, "tip", batch.tipId);
  return tip ? { tip: { id: tip.id, ratio: tip.ratio } } : {};
}

/** The gear a job names, as core computes with it. What isn't in the van any more counts as not said. */
function rigOf(choice: RigChoice, around: JobContext): Rig {
  const wand = gearOf(around, "wand", choice.wandId);
  const blower = gearOf(around, "blower", choice.blowerId);
  const hose = gearOf(around, "hose", choice.hoseId);
  const tank = (id: string | undefined) => around.vessels.find((vessel) => vessel.id === id);
  const [solution, recovery] = [tank(choice.solutionId), tank(choice.recoveryId)];
  return {
    ...(wand
      ? { wand: { headWidth: wand.headWidth, ratedJetFlow: wand.ratedJetFlow, pressure: wand.pressure } }
      : {}),
    ...(blower ? { blower } : {}),
    strokes: withoutUndefined({
      wetStrokes: choice.wetStrokes,
      dryStrokes: choice.dryStrokes,
      strokeSpeed: choice.strokeSpeed,
    }),
    ...(hose ? { hose: { length: hose.length, diameter: hose.diameter, bends: choice.bends ?? 0 } } : {}),
    ...(choice.rinseTemperature === undefined ? {} : { rinseTemperature: choice.rinseTemperature }),
    ...(solution && recovery
      ? { tanks: { solution: usableVolume(solution), recovery: usableVolume(recovery) } }
      : {}),
  };
}

const withoutUndefined = <T extends object>(fields: T) =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;
