import { isHardFloor, ORIGIN_FACTS } from "../care/index.ts";
import { effectiveWidth, METHOD_FIGURES, type TankRun } from "../clean/index.ts";
import { type Film, openTime } from "../drying/index.ts";
import { fillId } from "../log/index.ts";
import type { Fill } from "../mix/index.ts";
import { WATER_DENSITY } from "../physical.ts";
import {
  type RoughTimes,
  type RunFill,
  type RunInput,
  type RunRoom,
  STEPS_AT_A_TIME,
  STRIP_DEPTH,
  waysOut,
} from "../run/index.ts";
import { longestWall } from "./assume.ts";
import type { BatchPlan } from "./batches.ts";
import { MAX_PEOPLE, rolesOf } from "./crewRoles.ts";
import type { JobInput } from "./input.ts";
import type { Effect } from "./interview.ts";
import { treatmentFor, treatsWhen } from "./odour.ts";
import type { WetRoomPlan } from "./rooms.ts";
import { type VesselTurn, wastedFills } from "./vesselTurns.ts";

/** Circuits where they weren't counted (common practice). */
export const DEFAULT_CIRCUITS = 2;
/** Air over the floor under a ceiling fan on medium, m/s (memory). */
const CEILING_FAN_SPEED = 0.7;
/** Draught in a room without fans, m/s (assumption). */
export const STILL = 0.1;

/** Air a pre-spray stands in while people work, m/s: as measured, else with the fans off, or as they run. */
export function workingAirSpeed(room: WetRoomPlan, job: JobInput): number {
  if (room.airSpeedMeasured) return room.airSpeed;
  return job.run?.fansRunning ? Math.max(CEILING_FAN_SPEED, room.airSpeed) : STILL;
}

/** A room's floor as its pre-spray dries on it. */
export const filmOn = (room: WetRoomPlan, airSpeed: number): Film => ({
  area: room.area,
  height: room.height,
  temperature: room.air.temperature,
  relativeHumidity: room.air.relativeHumidity,
  fibre: room.dryingFibre,
  faceWeight: room.faceWeight,
  pileHeight: room.pileHeight,
  airSpeed,
});

/** Pre-spray is worked in on thick pile, on what is dirty, and on tile with its grout brush (common practice). */
const isAgitated = ({ method, covering, soil }: WetRoomPlan) =>
  METHOD_FIGURES[method].wetting === "wet" &&
  (isHardFloor(covering) || covering === "deep-pile" || soil >= 3);
/** Pile that stands up shows how it was left. */
const isGroomed = ({ covering, method }: WetRoomPlan) =>
  (covering === "cut-pile" || covering === "deep-pile") && METHOD_FIGURES[method].wetting !== "dry";

/** A planned room as its work goes. */
export function runRoom(
  room: WetRoomPlan,
  job: JobInput,
  effects: readonly Effect[],
  wayOut: readonly string[],
): RunRoom {
  const has = (kind: Effect["kind"]) => effects.some((effect) => effect.kind === kind);
  const surveyed = job.rooms.find(({ id }) => id === room.id);
  const stairs = surveyed?.shape.kind === "stairs" ? surveyed.shape : undefined;
  const product = job.batches.find(({ id }) => id === room.batchId)?.product;
  const film = room.water.applicationRate;
  const { figures } = room;
  const padTime = room.padAfter ? 1 / (effectiveWidth(figures, room.soil) * figures.strokeSpeed) : 0;
  const treatment = room.odourArea > 0 && surveyed ? treatmentFor(surveyed, job.treatments ?? []) : undefined;
  const spots = (job.spots ?? []).filter(({ roomId, result }) => roomId === room.id && result !== "gone");
  const when = (time: "before" | "after") =>
    spots.filter(({ origin }) => origin !== "urine" && ORIGIN_FACTS[origin].when === time).length;
  const longest = surveyed ? longestWall(surveyed) : 0;
  const across = longest > 0 ? room.area / longest : Math.sqrt(room.area);
  return {
    id: room.id,
    area: room.area,
    machine: room.method,
    cleanTime: room.water.cleaningTimePerArea - padTime,
    padTime,
    ...(product && film > 0
      ? {
          spray: {
            batchId: room.batchId as string,
            rate: film,
            dwell: product.dwellLeast,
            dwellMost: product.dwellMost,
            standsFor: figures.standsFor,
            openTime: openTime(filmOn(room, workingAirSpeed(room, job)), Math.min(5, film * WATER_DENSITY)),
          },
        }
      : {}),
    agitated: isAgitated(room),
    groomed: isGroomed(room),
    furniture: job.interview?.occupancy === "lived-in" && !stairs,
    slowVacuum: has("slow-vacuum"),
    ribbed: room.covering === "ribbed-mat",
    edge: has("edges") ? room.edge : 0,
    odourArea: room.odourArea,
    ...(treatment && treatsWhen(treatment) === "before"
      ? { odourBefore: { dwell: treatment.dwellLeast } }
      : {}),
    spotsBefore: when("before"),
    spotsAfter: when("after"),
    fans: room.airMovers.length,
    strip: stairs ? (room.area * STEPS_AT_A_TIME) / stairs.steps : across * STRIP_DEPTH,
    wayOut,
  };
}

/** A job's rooms that are worked in, as their work goes. */
export function runRooms(
  job: JobInput,
  rooms: readonly WetRoomPlan[],
  effects: readonly Effect[],
): RunRoom[] {
  const doors = job.doors ?? [];
  const ways = waysOut(
    doors.length > 0
      ? job.rooms.map(({ id, level = 0, passage = false }) => ({ id, level, passage, crossing: 1 }))
      : [],
    doors,
  );
  return rooms
    .filter(({ passage }) => !passage)
    .map((room) => runRoom(room, job, effects, ways.get(room.id) ?? []));
}

/** A fill of a turn at a vessel, by its batch and its number there, from 1. */
interface TurnFill {
  readonly turn: VesselTurn;
  readonly number: number;
  readonly fill: Fill;
}

/** Every fill of every vessel in the order they are made, turn by turn. */
function fillsInTurn(batches: readonly BatchPlan[], turns: readonly VesselTurn[]): TurnFill[] {
  const made = new Map<string, number>();
  return turns.flatMap((turn) => {
    const planned = batches.find(({ id }) => id === turn.batchId)?.batch;
    if (planned?.outcome !== "planned") return [];
    const from = made.get(turn.batchId) ?? 0;
    const ends = planned.fills.findIndex((fill, k) => k >= from && fill.leftAtEnd !== undefined);
    const to = ends < 0 ? planned.fills.length : ends + 1;
    made.set(turn.batchId, to);
    return planned.fills.slice(from, to).map((fill, k) => ({ turn, number: from + k + 1, fill }));
  });
}

/** m³ of a mix made out of its turn, which is poured out before anything else goes in: its first fill. */
function heldIn({ after }: VesselTurn, batches: readonly BatchPlan[]): number {
  const held = batches.find(({ id }) => id === after)?.batch;
  return held?.outcome === "planned" ? (held.fills[0]?.volume ?? 0) : 0;
}

/** The fills of a job's batches as steps of its run, with what is done to their vessel between two mixes. */
function runFills(job: JobInput, batches: readonly BatchPlan[], turns: readonly VesselTurn[]): RunFill[] {
  const lasts = new Map<string, TurnFill & { readonly place: number }>();
  return fillsInTurn(batches, turns).map((each): RunFill => {
    const { turn, number, fill } = each;
    const { vesselId, batchId, rinses } = turn;
    const last = lasts.get(vesselId);
    const place = last ? last.place + 1 : 0;
    lasts.set(vesselId, { ...each, place });
    const { potLife } = job.batches.find(({ id }) => id === batchId)?.product ?? {};
    return {
      id: fillId(batchId, number),
      batchId,
      vesselId,
      volume: fill.volume,
      rooms: fill.rooms,
      place,
      ...(potLife === undefined ? {} : { potLife }),
      ...((last || rinses > 0 || turn.after !== undefined) && last?.turn !== turn
        ? {
            rinse: {
              rinses,
              emptied: last ? (last.fill.leftAtEnd ?? 0) : heldIn(turn, batches),
              ...(turn.reason ? { reason: turn.reason } : {}),
            },
          }
        : {}),
    };
  });
}

/** Everything a job's run is scheduled from, but the hours rooms have to be left by: they follow from a first run. */
export function runInput(
  job: JobInput,
  rooms: readonly RunRoom[],
  batches: readonly BatchPlan[],
  turns: readonly VesselTurn[],
  tanks: readonly TankRun[],
): RunInput {
  const { run = {}, finishedHours = {} } = job;
  const people = Math.min(MAX_PEOPLE, Math.max(1, run.people ?? 1));
  const roles = rolesOf(people, run.roles);
  const own = new Set(rooms.map(({ id }) => id));
  const fills = runFills(job, batches, turns);
  const wasted = wastedFills(job, turns, fills);
  const logged = Object.entries(job.logged ?? {}).filter(([id]) => !wasted.has(id));
  return {
    rooms,
    ...(run.vacuumFirst ? { vacuumFirst: true } : {}),
    fills,
    tanks,
    crew: {
      people,
      ...(roles ? { roles } : {}),
      circuits: Math.max(1, run.circuits ?? DEFAULT_CIRCUITS),
      ...(job.pace ? { pace: job.pace } : {}),
    },
    breaks: run.breaks ?? [],
    pins: run.pins ?? [],
    ...(job.now === undefined ? {} : { now: Math.max(0, Math.round(job.now)), logged: new Map(logged) }),
    finishedSeconds: new Map(
      Object.entries(finishedHours).flatMap(([id, hours]) =>
        own.has(id) ? [[id, hours * 3600] as const] : [],
      ),
    ),
  };
}

/** A room's rough times as its fills take them. */
export const withEstimatedTimes = (room: WetRoomPlan, times: RoughTimes | undefined) => ({
  ...room,
  ...(times ? { sprayFrom: times.sprayFrom, sprayTo: times.sprayTo } : {}),
});
