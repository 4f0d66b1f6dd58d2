import type { Soil } from "../care/index.ts";
import { isHardFloor, soilForMix } from "../care/index.ts";
import {
  figuresWith,
  type MethodFigures,
  type WaterBalance,
  waterBalance,
  zoneFactor,
} from "../clean/index.ts";
import { DRYING_LIMITS } from "../drying/index.ts";
import type { Step } from "../run/index.ts";
import { assumeRoom, type KnownRoom } from "./assume.ts";
import type { JobInput, SurveyedRoom } from "./input.ts";
import type { Effect } from "./interview.ts";
import { MAX_RESIDUAL, measuredResiduals, type WaterQuestion } from "./measuredWater.ts";
import { ODOUR_RESIDUAL, odourPatch } from "./odour.ts";

/** A finish later than this is a date mistyped, h: eleven hundred years. */
const [, LATEST_FINISH] = DRYING_LIMITS.finishedAt;

/** One room with what is done in it. Volumes m³, times s or h after the job's start. */
export interface RoomPlan extends KnownRoom {
  readonly water: WaterBalance;
  readonly preSpray: number;
  readonly rinse: number;
  /** In the order they begin; none where the job can't be scheduled. */
  readonly steps: readonly Step[];
  /** Hours after the start; as logged where it was logged. */
  readonly finishedAtHours: number;
  readonly finishLogged: boolean;
  /** Hours after the start at which a circuit is free for its air movers, where they wait for one; absent: they run at once. */
  readonly airMoversFromHours?: number;
  /** m² treated against odour, and kg/m² that patch keeps when cleaning ends; 0 where none is. */
  readonly odourArea: number;
  /** m³ of the treatment that patch takes. */
  readonly odourAmount: number;
  readonly patchResidual: number;
  /** kg/m² that the soaking adds, spread over the room. */
  readonly soaked: number;
  /** kg/m² the room keeps over all its area, what was soaked in patches counted in. */
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
  const patch = odourPatch(room, job.spots ?? [], !isHardFloor(room.covering));
  return {
    ...room,
    figures,
    extraWetStrokes,
    zoneFactor: zones,
    soilForMix: soilForMix(room.soil, surveyed.soilNature),
    water: waterBalance({ ...room, zoneFactor: zones, extraWetStrokes, figures }),
    odourArea: patch.area,
    odourAmount: patch.amount,
  };
}
type WetRoom = ReturnType<typeof wetRoom>;

/** A room with its water, before its turn has come. */
export type WetRoomPlan = Omit<RoomPlan, "steps" | "finishedAtHours" | "finishLogged">;

/** A job's rooms in the order worked, each with its water, and what has to be asked about it. */
export function planRooms(
  job: JobInput,
  effects: readonly Effect[],
): { readonly rooms: WetRoomPlan[]; readonly questions: readonly WaterQuestion[] } {
  const has = (kind: Effect["kind"]) => effects.some((effect) => effect.kind === kind);
  const wet = job.rooms.map((room) => wetRoom(room, job, has));
  const odourOf = (room: WetRoom) => (room.odourArea > 0 ? ODOUR_RESIDUAL : 0);
  const { residuals, questions } = measuredResiduals(wet, job.measuredWater ?? [], (id) =>
    Math.max(0, ...wet.filter((room) => room.id === id).map(odourOf)),
  );
  const tooWet: WaterQuestion[] = [];
  const rooms = wet.map((room): WetRoomPlan => {
    const measured = residuals.get(room.id);
    const field = room.passage ? 0 : (measured ?? room.water.residual);
    const wettest = field + odourOf(room);
    const soaked = (odourOf(room) * room.odourArea) / room.area;
    const stays = field + soaked;
    if (wettest > MAX_RESIDUAL) tooWet.push({ code: "too-wet", roomIds: [room.id], residual: wettest });
    return {
      ...room,
      preSpray: room.batchId === undefined ? 0 : room.area * room.water.applicationRate,
      rinse: room.passage ? 0 : room.area * room.water.rinseRate,
      soaked,
      patchResidual: room.odourArea > 0 ? Math.min(MAX_RESIDUAL, wettest) : 0,
      residual: Math.min(MAX_RESIDUAL, stays),
      residualMeasured: measured !== undefined,
    };
  });
  return { rooms, questions: [...questions, ...tooWet] };
}

/** A room whose turn has come: its steps, and when it is left, s after the start. */
export function finishRoom(room: WetRoomPlan, job: JobInput, steps: readonly Step[], end: number): RoomPlan {
  const logged = job.finishedHours?.[room.id];
  return {
    ...room,
    steps,
    finishedAtHours: Math.min(LATEST_FINISH, Math.max(0, logged ?? end / 3600)),
    finishLogged: logged !== undefined,
  };
}
