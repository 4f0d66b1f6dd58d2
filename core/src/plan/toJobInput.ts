import { type AttemptResult, spotArea } from "../care/index.ts";
import type { Blower, Rig } from "../clean/index.ts";
import type { Air, Windows } from "../drying/index.ts";
import {
  airChanges,
  attemptsOn,
  type Entry,
  productTests,
  roomFinishTimes,
  type SpotAttempted,
  startingAir,
  tankReadings,
} from "../log/index.ts";
import { type Strength, usableVolume, type Vessel, type VesselKind } from "../mix/index.ts";
import { omitAbsent } from "../omitAbsent.ts";
import type { CrewPace } from "../run/index.ts";
import type { RoleChoice } from "./crewRoles.ts";
import type {
  AirChange,
  DoorSwitch,
  JobInput,
  PlannedSpot,
  ProductLabel,
  SurveyedRoom,
  WeatherSource,
} from "./input.ts";
import { runProgress } from "./loggedProgress.ts";
import { type PastTest, pastTests } from "./pastTests.ts";

const HOUR = 3_600_000;

/** One product at one strength in one sprayer, by ids. Volumes m³. */
interface BatchChoice {
  readonly id: string;
  readonly productId: string;
  readonly vesselId: string;
  readonly measure: number;
  readonly strength?: Strength;
  readonly tipId?: string;
  readonly boosters?: readonly { readonly productId: string; readonly strength?: Strength }[];
  readonly carried?: number;
}

/** The machine a job is extracted with, by ids of gear and tanks. Speed m/s, temperature °C. */
interface RigChoice {
  readonly wandId?: string;
  readonly blowerId?: string;
  readonly hoseId?: string;
  readonly bends?: number;
  readonly wetStrokes?: number;
  readonly dryStrokes?: number;
  readonly strokeSpeed?: number;
  readonly rinseTemperature?: number;
  readonly solutionId?: string;
  readonly recoveryId?: string;
}

/** A job's plan as it is stored, as far as it is computed on. Days YYYY-MM-DD, clocks HH:MM local time, lengths s. */
export interface JobDocument extends Pick<JobInput, "indoor" | "outdoor" | "interview" | "doors" | "former"> {
  readonly day: string;
  readonly startsAt: string;
  readonly rooms: readonly (SurveyedRoom & {
    readonly walkOnBy?: string;
    readonly pastTests?: readonly PastTest[];
  })[];
  readonly spots?: readonly (Pick<PlannedSpot, "roomId" | "origin" | "nature" | "age"> & {
    readonly id: string;
    /** m from side to side. */
    readonly across: number;
    readonly long?: number | undefined;
  })[];
  readonly batches: readonly BatchChoice[];
  readonly rig?: RigChoice;
  readonly run?: {
    readonly people?: number;
    readonly circuits?: number;
    readonly fansRunning?: boolean;
    readonly vacuumFirst?: boolean;
    readonly roles?: RoleChoice;
  };
  readonly breaks?: readonly { readonly id: string; readonly at: string; readonly length: number }[];
  readonly pins?: readonly { readonly id: string; readonly at: string }[];
  readonly plannedAir?: readonly PlannedAir[];
  readonly weather?: {
    readonly source: WeatherSource;
    /** Moments, ISO 8601. */
    readonly points: readonly (Air & { readonly at: string })[];
  };
}

/** What is going to be switched at an hour, HH:MM: in one room, or in all. Temperature °C. */
interface PlannedAir {
  readonly id: string;
  readonly at: string;
  /** On the days after as well, while anything dries. */
  readonly daily?: true | undefined;
  readonly roomId?: string | undefined;
  readonly windows?: Windows | undefined;
  readonly heating?: boolean | undefined;
  readonly setpoint?: number | undefined;
  /** Air movers and dehumidifiers are taken away. */
  readonly gearOut?: true | undefined;
}

/** Gear of the van that a job is computed with. Lengths m, flows m³/s, pressure bar at the wand and Pa at the blower. */
type ComputedGear =
  | { readonly kind: "tip"; readonly ratio: number }
  | {
      readonly kind: "wand";
      readonly headWidth: number;
      readonly ratedJetFlow: number;
      readonly pressure: number;
    }
  | ({ readonly kind: "blower" } & Blower)
  | { readonly kind: "hose"; readonly length: number; readonly diameter: number };
type OtherGear = { readonly kind: "measure" | "air-mover" | "dehumidifier" | "pad" | "meter" };
type JobGear = { readonly id: string } & (ComputedGear | OtherGear);

type JobEntry = Exclude<Entry, { kind: "spot-attempt" }> | SpotAttempted<AttemptResult>;

/** The moment, ms since 1970, at which a clock shows HH:MM on a day YYYY-MM-DD. */
type ClockTime = (day: string, clock: string) => number;

/** Shelf, van, place and log of a job. */
export interface JobContext {
  readonly products: readonly (ProductLabel & { readonly id: string })[];
  readonly vessels: readonly (Vessel & { readonly id: string })[];
  readonly gear?: readonly JobGear[];
  readonly site?: { readonly elevation?: number };
  readonly log?: readonly JobEntry[];
  /** Products, by id, that earlier jobs of the day left unrinsed in vessels, by vessel. */
  readonly vesselContents?: Readonly<Record<string, readonly string[]>>;
  /** The crew's own pace; default paces where absent. */
  readonly pace?: CrewPace;
  /** Milliseconds since 1970 at which the job starts; without it logged finishes can't be placed on its clock. */
  readonly startsAtMs?: number;
  /** Milliseconds since 1970 at which the clock at the place shows HH:MM on a day; by this machine's clock where absent. */
  readonly clockTime?: ClockTime;
  /** Milliseconds since 1970 it is now, for an active run; the last entry's time where absent. */
  readonly now?: number;
}

const DAY = 24 * 3_600_000;

const thisMachine: ClockTime = (day, clock) => Date.parse(`${day}T${clock}`);

const dayAfter = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00Z`) + days * DAY).toISOString().slice(0, 10);

/** A clock time belongs to this run if it is at most so long before the start, ms; else it is the next time a clock shows it. */
const BEFORE_START = 6 * 3_600_000;

/** Seconds after the job's start at which a clock shows HH:MM; less than 0 where that is shortly before it. */
function secondsAfter(
  clock: string,
  job: Pick<JobDocument, "day" | "startsAt">,
  { startsAtMs: startsAt, clockTime = thisMachine }: Pick<JobContext, "startsAtMs" | "clockTime">,
): number {
  const planned = clockTime(job.day, job.startsAt);
  // A job begun before its planned start, or still to be begun after it, has its clock from there.
  const early = startsAt === undefined ? 0 : planned - startsAt;
  const [first, second, third = Number.NaN] = [-1, 0, 1].map((days) =>
    clockTime(dayAfter(job.day, days), clock),
  );
  const time = [first, second].find((each) => each !== undefined && each >= planned - BEFORE_START) ?? third;
  return (early + time - planned) / 1000;
}

function runOf(job: JobDocument, around: JobContext): JobInput["run"] {
  const { run = {}, breaks = [], pins = [] } = job;
  const seconds = (clock: string) => secondsAfter(clock, job, around);
  return {
    ...omitAbsent(run),
    breaks: breaks.map(({ id, at, length }) => ({ id, at: seconds(at), length })),
    pins: pins.map(({ id, at }) => ({ stepId: id, at: seconds(at) })),
    promises: job.rooms.flatMap(({ id, walkOnBy }) =>
      walkOnBy === undefined ? [] : [{ roomId: id, by: seconds(walkOnBy) }],
    ),
  };
}

/** Whether somebody entered the air of a room, or of the whole building. */
export const isAirEntered = (
  {
    rooms,
    indoor,
  }: { readonly rooms: readonly Pick<SurveyedRoom, "id" | "air">[]; readonly indoor?: unknown },
  roomId: string,
): boolean => indoor !== undefined || rooms.find(({ id }) => id === roomId)?.air !== undefined;

/** What says when air is switched in a job's rooms. */
type AirJob = Pick<JobDocument, "day" | "startsAt" | "rooms" | "plannedAir">;
type AirContext = Pick<JobContext, "log" | "startsAtMs" | "clockTime">;

/** A drying is followed no longer than this. */
const DAYS_PLANNED = 5;
const HOURS_A_DAY = 24;

/** What is planned to be switched, as it is once its hour has come. */
function plannedAirChanges(job: AirJob, around: AirContext): AirChange[] {
  return (job.plannedAir ?? []).flatMap(
    ({ at, daily, roomId, windows, heating, setpoint, gearOut }): AirChange[] => {
      const first = secondsAfter(at, job, around) / 3600;
      const hours = Array.from({ length: daily ? DAYS_PLANNED : 1 }, (_, day) => first + HOURS_A_DAY * day);
      const rooms = job.rooms.filter(({ id }) => roomId === undefined || roomId === id);
      const change = {
        isPlanned: true as const,
        windows,
        heating: heating ?? (setpoint === undefined ? undefined : true),
        setpoint,
        ...(gearOut ? { airMovers: [], dehumidifierLitresPerDay: 0 } : {}),
      };
      return hours.flatMap((hour) => rooms.map(({ id }) => ({ hours: hour, roomId: id, ...change })));
    },
  );
}

const airChangesFrom = (log: readonly Entry[], startsAtMs: number): AirChange[] =>
  airChanges(log).map(({ at, roomId, windows, heating, airMovers, dehumidifierLitresPerDay }) => ({
    hours: (Date.parse(at) - startsAtMs) / HOUR,
    roomId,
    windows,
    heating,
    airMovers,
    dehumidifierLitresPerDay,
  }));

const doorChangesFrom = (log: readonly Entry[], startsAtMs: number): DoorSwitch[] =>
  airChanges(log).flatMap(({ at, doors = [] }) =>
    doors.map(({ doorId, isShut }) => ({ hours: (Date.parse(at) - startsAtMs) / HOUR, doorId, isShut })),
  );

/** What is switched in a job's rooms, as planned and as logged, in order of its hours. */
export function switchedAir(job: AirJob, around: AirContext): AirChange[] {
  const { log = [], startsAtMs } = around;
  return [
    ...plannedAirChanges(job, around),
    ...(startsAtMs === undefined ? [] : airChangesFrom(log, startsAtMs)),
  ].toSorted((a, b) => a.hours - b.hours);
}

/** Hours of weather, from the moment the job starts. */
function weatherOf({ weather, day, startsAt }: JobDocument, around: JobContext): Pick<JobInput, "weather"> {
  if (!weather) return {};
  const start = around.startsAtMs ?? (around.clockTime ?? thisMachine)(day, startsAt);
  const points = weather.points.map(({ at, temperature, relativeHumidity }) => ({
    hours: (Date.parse(at) - start) / HOUR,
    temperature,
    relativeHumidity,
  }));
  return { weather: { source: weather.source, points } };
}

/** Joins a job with its surroundings into what core plans from. A batch whose product or vessel is missing is left out. */
export function toJobInput(job: JobDocument, around: JobContext): JobInput {
  const log = around.log ?? [];
  const { startsAtMs } = around;
  const begun = startingAir(log, (roomId) => isAirEntered(job, roomId));
  return {
    ...(around.site?.elevation === undefined ? {} : { elevation: around.site.elevation }),
    ...(job.indoor ? { indoor: job.indoor } : {}),
    ...(job.outdoor ? { outdoor: job.outdoor } : {}),
    ...(job.interview ? { interview: job.interview } : {}),
    ...(job.doors ? { doors: job.doors } : {}),
    ...(job.former ? { former: job.former } : {}),
    rooms: job.rooms.map((room) => {
      const read = begun.get(room.id);
      if (!read) return room;
      return { ...room, air: { temperature: read.temperature, relativeHumidity: read.relativeHumidity } };
    }),
    spots: (job.spots ?? []).map((spot) => {
      const last = attemptsOn(log, spot.id).at(-1);
      return { ...spot, area: spotArea(spot.across, spot.long), ...(last ? { result: last.result } : {}) };
    }),
    measuredWater: tankReadings(log),
    airChanges: switchedAir(job, around),
    ...(startsAtMs === undefined ? {} : { doorChanges: doorChangesFrom(log, startsAtMs) }),
    ...weatherOf(job, around),
    treatments: around.products.filter(({ kind }) => kind === "odour-treatment"),
    tests: [...pastTests(job), ...productTests(log)],
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
    ...(job.rig ||
    (onlyVessel(around.vessels, "solution-tank") && onlyVessel(around.vessels, "recovery-tank"))
      ? { rig: rigOf(job.rig ?? {}, around) }
      : {}),
    ...(around.vesselContents
      ? {
          vesselContents: Object.fromEntries(
            Object.entries(around.vesselContents).map(([vesselId, ids]) => [
              vesselId,
              // A product that is on the shelf no more is one nobody has read.
              ids.map((id) => around.products.find((product) => product.id === id) ?? { id }),
            ]),
          ),
        }
      : {}),
    ...(around.pace ? { pace: around.pace } : {}),
    run: runOf(job, around),
    ...runProgress(job, log, around),
  };
}

/** The one vessel of a kind, where there is just one: nobody has to choose it. */
export function onlyVessel<V extends Pick<Vessel, "kind">>(
  vessels: readonly V[],
  kind: VesselKind,
): V | undefined {
  const [first, second] = vessels.filter((vessel) => vessel.kind === kind);
  return second ? undefined : first;
}

function gearOf<K extends ComputedGear["kind"]>({ gear = [] }: JobContext, kind: K, id: string | undefined) {
  return gear.find((each): each is Extract<JobGear, { kind: K }> => each.kind === kind && each.id === id);
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
  const tank = (id: string | undefined, kind: VesselKind) =>
    around.vessels.find((vessel) => vessel.id === id) ?? onlyVessel(around.vessels, kind);
  const solution = tank(choice.solutionId, "solution-tank");
  const recovery = tank(choice.recoveryId, "recovery-tank");
  return {
    ...(wand
      ? { wand: { headWidth: wand.headWidth, ratedJetFlow: wand.ratedJetFlow, pressure: wand.pressure } }
      : {}),
    ...(blower ? { blower } : {}),
    strokes: omitAbsent({
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
