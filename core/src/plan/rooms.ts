import { isHardFloor, soilForMix } from "../care/index.ts";
import {
  figuresWith,
  METHOD_FIGURES,
  type MethodFigures,
  type Soil,
  type WaterBalance,
  waterBalance,
  zoneFactor,
} from "../clean/index.ts";
import { DRYING_LIMITS } from "../drying/index.ts";
import { type Step, workInTurn } from "../run/index.ts";
import { assumeRoom, type KnownRoom } from "./assume.ts";
import type { JobInput, SurveyedRoom } from "./input.ts";
import type { Effect } from "./interview.ts";
import { MOST_RESIDUAL, measuredResiduals, type WaterQuestion } from "./measuredWater.ts";
import { ODOUR_RESIDUAL, odourArea } from "./odour.ts";

/** A finish later than this is a date mistyped, h: eleven hundred years. */
const [, LATEST_FINISH] = DRYING_LIMITS.finishedAt;

/** One room with what is done in it. Volumes m³, times s or h after the job's start. */
export interface RoomPlan extends KnownRoom {
  readonly water: WaterBalance;
  readonly preSpray: number;
  readonly rinse: number;
  readonly steps: readonly Step[];
  /** Hours after the start; as logged where it was logged. */
  readonly finishedAt: number;
  readonly finishLogged: boolean;
  /** m² treated against odour, and kg/m² its wettest part keeps when cleaning ends: more where it was soaked. */
  readonly odourArea: number;
  readonly residual: number;
  /** The tanks were read over this room: nothing about its water is estimated. */
  readonly residualMeasured: boolean;
  /** Soil 1…5 its mix is chosen for. */
  readonly soilForMix: Soil;
  /** What its zones make of the application rate, and wet strokes on top of the method's. */
  readonly zoneFactor: number;
  readonly extraWetStrokes: number;
  /** Head, jets and suction it is cleaned with. */
  readonly figures: MethodFigures;
}

/** A room with the water that goes through it, before its turn has come. */
function wetRoom(surveyed: SurveyedRoom, job: JobInput, has: (kind: Effect["kind"]) => boolean) {
  const room = assumeRoom(surveyed, job);
  const figures = figuresWith(room.method, job.rig);
  const extraWetStrokes = has("extra-rinse") ? 1 : 0;
  const zones = zoneFactor(room.zones);
  return {
    ...room,
    figures,
    extraWetStrokes,
    zoneFactor: zones,
    soilForMix: soilForMix(room.soil, surveyed.soilNature),
    water: waterBalance({ ...room, zoneFactor: zones, extraWetStrokes, figures }),
    odourArea: odourArea(room, job.spots ?? [], has("odour-step"), !isHardFloor(room.covering)),
  };
}
type WetRoom = ReturnType<typeof wetRoom>;

/** A room with what its work in turn hangs on. */
function workOf(room: WetRoom, job: JobInput, has: (kind: Effect["kind"]) => boolean) {
  const logged = job.finished?.[room.id];
  return {
    room,
    area: room.area,
    cleaningTimePerArea: room.water.cleaningTimePerArea,
    dwell: dwellOf(room, job),
    edge: has("edges") ? room.edge : 0,
    odourArea: room.odourArea,
    slowVacuum: has("slow-vacuum"),
    passage: room.passage,
    ...(logged === undefined ? {} : { finished: logged * 3600 }),
  };
}

function dwellOf(room: KnownRoom, job: JobInput): number | undefined {
  if (METHOD_FIGURES[room.method].wetting === "dry") return undefined;
  return job.batches.find((batch) => batch.id === room.batchId)?.product.dwellLeast ?? 0;
}

/** A job's rooms in the order worked, each with its water, steps and finish, and what has to be asked about their water. */
export function planRooms(
  job: JobInput,
  effects: readonly Effect[],
): { readonly rooms: RoomPlan[]; readonly questions: readonly WaterQuestion[] } {
  const has = (kind: Effect["kind"]) => effects.some((effect) => effect.kind === kind);
  const wet = job.rooms.map((room) => wetRoom(room, job, has));
  const odourOf = (room: WetRoom) => (room.odourArea > 0 ? ODOUR_RESIDUAL : 0);
  const { residuals, questions } = measuredResiduals(wet, job.measuredWater ?? [], (id) =>
    Math.max(0, ...wet.filter((room) => room.id === id).map(odourOf)),
  );
  const tooWet: WaterQuestion[] = [];
  const rooms = workInTurn(wet.map((room) => workOf(room, job, has))).map(({ room, steps }): RoomPlan => {
    const logged = job.finished?.[room.id];
    const measured = residuals.get(room.id);
    const stays = room.passage ? 0 : (measured ?? room.water.residual) + odourOf(room);
    if (stays > MOST_RESIDUAL) tooWet.push({ code: "too-wet", roomIds: [room.id], residual: stays });
    return {
      ...room,
      preSpray: room.batchId === undefined ? 0 : room.area * room.water.applicationRate,
      rinse: room.passage ? 0 : room.area * room.water.rinseRate,
      steps,
      finishedAt: Math.min(LATEST_FINISH, Math.max(0, logged ?? (steps.at(-1)?.end ?? 0) / 3600)),
      finishLogged: logged !== undefined,
      residual: Math.min(MOST_RESIDUAL, stays),
      residualMeasured: measured !== undefined,
    };
  });
  return { rooms, questions: [...questions, ...tooWet] };
}
