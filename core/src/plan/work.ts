import { type PadPlan, padPlan, planTanks, type TankDemand, type TankRun } from "../clean/index.ts";
import { type Building, type DryingResult, simulateDrying } from "../drying/index.ts";
import { itemAt } from "../itemAt.ts";
import { fillId } from "../log/index.ts";
import { WATER_DENSITY } from "../physical.ts";
import {
  airMoverStarts,
  estimateSequential,
  type JobRun,
  minShare,
  type RunInput,
  type RunPlan,
  type RunRinse,
  type RunRoom,
  STEP_FACTS,
  scheduleJob,
  type WalkConflict,
  type WalkOut,
  walkConflicts,
  walkOutOrder,
} from "../run/index.ts";
import { longestWall } from "./assume.ts";
import { type BatchPlan, planOneBatch } from "./batches.ts";
import { buildingOf } from "./building.ts";
import type { JobInput } from "./input.ts";
import { DEFOAMER_PER_RECOVERED, type Effect, effectsOf } from "./interview.ts";
import type { WaterQuestion } from "./measuredWater.ts";
import { accidentsFound } from "./odour.ts";
import { finishRoom, planRooms, type RoomPlan, type WetRoomPlan } from "./rooms.ts";
import { runInput, runRooms, withEstimatedTimes } from "./run.ts";
import { type Spraying, sprayingOf } from "./spraying.ts";
import { type VesselTurn, vesselTurns, wastedFills } from "./vesselTurns.ts";

/** What there is to do, before any drying is told. */
export interface WorkPlan {
  readonly rooms: readonly RoomPlan[];
  readonly batches: readonly BatchPlan[];
  /** Which mix is in which vessel when, and how it is rinsed between two. */
  readonly turns: readonly VesselTurn[];
  /** What is done to a vessel before a fill, by the fill's id. */
  readonly rinses: ReadonlyMap<string, RunRinse>;
  /** Fills made, by step id, that nothing will be sprayed from: their rooms want a fresh one. */
  readonly wasted: ReadonlySet<string>;
  /** m² to clean. */
  readonly area: number;
  readonly building: Building;
  /** Who does what when, section by section; or why that can't be said. */
  readonly run: RunPlan;
  /** What may be sprayed ahead in each room, and what sets it. */
  readonly spraying: readonly Spraying[];
  /** What the customer's answers change. */
  readonly effects: readonly Effect[];
  /** Figures about water that can't be, to be looked at again. */
  readonly questions: readonly WaterQuestion[];
  /** Stops at tap and drain, where the job's tanks are known. */
  readonly tanks?: readonly TankRun[];
  readonly pads: PadPlan;
  /** Defoamer for the recovery tank, m³; 0 where none is called for. */
  readonly defoamer: number;
  /** The order that treads on nothing finished, and what is wrong with the order chosen; absent while no door is known. */
  readonly walkOut?: { readonly best: WalkOut; readonly conflicts: readonly WalkConflict[] };
}

/** Rooms, water, fills and times of a job, its run found by `solve`; everything but drying. Throws OutOfRange outside the models' limits. */
export function planWork(
  job: JobInput,
  solve: (input: RunInput) => RunPlan = (input) => scheduleJob(input),
): WorkPlan {
  const effects = effectsOf(job.interview, accidentsFound(job.spots));
  const { rooms: wet, questions } = planRooms(job, effects);
  const cleaned = wet.filter((room) => !room.passage);
  const working = runRooms(job, wet, effects);
  const rough = new Map(estimateSequential(working, job.pace).map((times, i) => [working[i]?.id, times]));
  const turns = vesselTurns(job, wet, working);
  const sprayed = wet.map((room) => withEstimatedTimes(room, rough.get(room.id)));
  const batches = job.batches.map((batch) => planOneBatch(batch, sprayed, turns));
  const tanks = job.rig?.tanks
    ? planTanks(
        cleaned.map((room) => tankDemand(room, working.find(({ id }) => id === room.id)?.strip ?? room.area)),
        job.rig.tanks,
      )
    : undefined;
  const statement = runInput(job, working, batches, turns, tanks ?? []);
  const finishedBy = (run: RunPlan) => {
    const rooms = asWorked(wet, run, job).map((room) => {
      const steps =
        run.outcome === "planned"
          ? run.steps.filter(({ roomId, kind }) => roomId === room.id && kind !== "own")
          : [];
      const untilLeft = steps.filter(({ kind }) => !STEP_FACTS[kind].afterDry);
      const end = Math.max(0, ...untilLeft.map((step) => step.end));
      return finishRoom(room, job, steps, steps.length > 0 ? end : (rough.get(room.id)?.end ?? 0));
    });
    return run.outcome === "planned" ? withCircuits(rooms, run, statement.crew.circuits) : rooms;
  };
  let run = solve(statement);
  let rooms = finishedBy(run);
  const powdery = rooms.filter(({ figures, passage }) => figures.vacuumDry && !passage);
  const promises = job.run?.promises ?? [];
  if (rooms.length > 0 && (powdery.length > 0 || promises.length > 0)) {
    const { rooms: drying } = simulateDrying(buildingOf(job, rooms));
    const dried = new Map(rooms.map(({ id }, i) => [id, itemAt(drying, i)]));
    run = solve({
      ...statement,
      rooms: working.map((room) =>
        powdery.some(({ id }) => id === room.id) ? vacuumedAgain(room, dried) : room,
      ),
      ...(promises.length > 0 ? { roomDueDates: promisedTo(promises, dried) } : {}),
    });
    rooms = finishedBy(run);
  }
  return {
    rooms,
    batches: madeWhen(batches, run),
    turns,
    rinses: new Map(statement.fills.flatMap(({ id, rinse }) => (rinse ? [[id, rinse] as const] : []))),
    wasted: wastedFills(job, turns, statement.fills),
    area: cleaned.reduce((sum, room) => sum + room.area, 0),
    building: buildingOf(job, rooms),
    run,
    spraying: sprayingOf(job, wet, working, statement),
    effects,
    questions,
    pads: padPlan(cleaned.filter(takesPads)),
    ...(tanks ? { tanks } : {}),
    defoamer: effects.some(({ kind }) => kind === "defoamer")
      ? cleaned.reduce((sum, room) => sum + comesBack(room), 0) * DEFOAMER_PER_RECOVERED
      : 0,
    ...(job.doors?.length ? { walkOut: walkOutOf(job) } : {}),
  };
}

/** Air movers that start so soon after they are placed don't wait, s. */
const AT_ONCE = 60;

/** Rooms with the hours at which their air movers find a circuit free of the crew's motors. */
function withCircuits(rooms: readonly RoomPlan[], { steps }: JobRun, circuits: number): RoomPlan[] {
  const placed = rooms.flatMap(({ id, airMovers, finishedAtHours }) =>
    airMovers.length > 0 ? [{ roomId: id, count: airMovers.length, placedAt: finishedAtHours * 3600 }] : [],
  );
  const starts = airMoverStarts(steps, placed, circuits);
  return rooms.map((room) => {
    const from = starts.get(room.id) ?? 0;
    return from > room.finishedAtHours * 3600 + AT_ONCE ? { ...room, airMoversFromHours: from / 3600 } : room;
  });
}

/** Rooms as wet as they really got: what wasn't cleaned after all keeps its pre-spray, or nothing. */
function asWorked(rooms: readonly WetRoomPlan[], run: RunPlan, { logged }: JobInput): readonly WetRoomPlan[] {
  if (logged === undefined || run.outcome !== "planned") return rooms;
  return rooms.map((room) => {
    const own = run.sections.filter(({ roomId }) => roomId === room.id);
    const skipped = own.length > 0 && own.every(({ cleanId }) => logged[cleanId]?.skipped !== undefined);
    if (!skipped || room.residualMeasured) return room;
    const sprayed = own.some(({ sprayId }) => sprayId !== undefined && logged[sprayId]?.end !== undefined);
    const residual = sprayed ? room.water.applicationRate * WATER_DENSITY : 0;
    return { ...room, residual, soaked: 0, patchResidual: 0 };
  });
}

type Dried = ReadonlyMap<string, DryingResult["rooms"][number]>;

/**
 * Second by which rooms have to be left so that they can be walked on when that was promised: the promise less what they
 * take to touch-dry, as they dry when nothing is hurried.
 */
const promisedTo = (
  promises: readonly { readonly roomId: string; readonly by: number }[],
  dried: Dried,
): ReadonlyMap<string, number> =>
  new Map(
    promises.flatMap(({ roomId, by }) => {
      const room = dried.get(roomId);
      return room ? [[roomId, by - (room.touchDryHours ?? 0) * 3600] as const] : [];
    }),
  );

/** s a foam takes at the least to fall to powder, and s that a crew waits for a floor at the most (common practice). */
const POWDER_AFTER = 20 * 60;
const WORTH_WAITING = 2 * 3600;

/** A room that is vacuumed again within the visit, if its floor is dry and those on the way can be walked on soon enough. */
function vacuumedAgain(room: RunRoom, dried: Dried): RunRoom {
  const own = { roomId: room.id, hours: dried.get(room.id)?.dryHours };
  const way = room.wayOut.map((roomId) => ({ roomId, hours: dried.get(roomId)?.touchDryHours }));
  const vacuumedAfter = [own, ...way].map(({ roomId, hours }) => ({
    roomId,
    seconds: Math.max(POWDER_AFTER, (hours ?? Number.POSITIVE_INFINITY) * 3600),
  }));
  return vacuumedAfter.every(({ seconds }) => seconds <= WORTH_WAITING) ? { ...room, vacuumedAfter } : room;
}

/** Batches with their fills made, and sprayed to the last drop, when the run does. Steps come in the order they begin. */
function madeWhen(batches: readonly BatchPlan[], run: RunPlan): readonly BatchPlan[] {
  if (run.outcome !== "planned") return batches;
  const made = new Map<string, number>();
  const used = new Map<string, number>();
  for (const { kind, fillId, end } of run.steps) {
    if (fillId === undefined) continue;
    if (kind === "fill") made.set(fillId, end);
    if (kind === "pre-spray") used.set(fillId, end);
  }
  return batches.map((planned) => {
    const { id, batch } = planned;
    if (batch.outcome !== "planned") return planned;
    const fills = batch.fills.map((fill, k) => {
      const key = fillId(id, k + 1);
      const [madeAt, usedUntil] = [made.get(key), used.get(key)];
      return madeAt === undefined || usedUntil === undefined ? fill : { ...fill, madeAt, usedUntil };
    });
    return { ...planned, batch: { ...batch, fills } };
  });
}

const takesPads = (room: WetRoomPlan) => room.figures.padPasses > 0 || room.padAfter;

/** m³ of what was laid down in a room that strokes and pads take up again. */
const comesBack = ({ area, water }: WetRoomPlan) =>
  (area * water.applied * water.recoveredShare) / WATER_DENSITY;

/** What a room takes from the solution tank and brings back, m³: its pre-spray comes back with the rinse. */
function tankDemand(room: WetRoomPlan, strip: number): TankDemand {
  return {
    roomId: room.id,
    solution: room.rinse,
    recovered: room.rinse > 0 ? comesBack(room) : 0,
    smallest: minShare(room.area, strip) * (1 + 1e-6),
  };
}

function walkOutOf(job: JobInput) {
  const rooms = job.rooms.map((room) => ({
    id: room.id,
    level: room.level ?? 0,
    crossing: longestWall(room),
    ...(room.passage ? { passage: true } : {}),
  }));
  const doors = job.doors ?? [];
  return {
    best: walkOutOrder(rooms, doors),
    conflicts: walkConflicts(
      rooms,
      doors,
      rooms.filter((room) => !room.passage).map(({ id }) => id),
    ),
  };
}
