import { type Covering, isHardFloor } from "../care/index.ts";
import { METHOD_FIGURES, type Method } from "../clean/index.ts";
import { simulateDrying } from "../drying/index.ts";
import { type BilledWork, billedWork } from "./billedWork.ts";
import { careOf } from "./care.ts";
import type { JobInput } from "./input.ts";
import { productAmounts } from "./productAmounts.ts";
import { planWork } from "./work.ts";

/** A way of doing the same job: its textile floors by one method, by so many people. */
export interface Scenario {
  readonly method?: Method;
  readonly people: number;
}

/** What a way comes to. m³, s, hours after the start. */
export interface ScenarioPlan {
  readonly way: Scenario;
  readonly water: number;
  /** Concentrate, m³, and powder, kg. */
  readonly concentrate: number;
  readonly powder: number;
  readonly fills: number;
  /** Pads it may take, both sides used. */
  readonly pads: number;
  /** Pads it likely takes. */
  readonly likelyPads: number;
  /** m³, or kg of a powder, by product id. */
  readonly products: ReadonlyMap<string, number>;
  readonly billed: BilledWork;
  /** Last step's end, and people times that: undefined where it can't be scheduled. */
  readonly finish?: number;
  readonly rooms: readonly {
    readonly roomId: string;
    readonly finishedAtHours: number;
    readonly walkOnAt: number | null;
    readonly dryAt: number | null;
    /** The care rules say no to this method here: the room keeps the one it was surveyed with. */
    readonly barred: boolean;
  }[];
}

/** Rooms that a way's method is for: textile floors that are cleaned wet, damp or dry; coir stays as it is. */
export const takesMethod = (covering: Covering | undefined): boolean =>
  covering === undefined || (!isHardFloor(covering) && covering !== "coir");

/** A room done by another method: what is worked with pads all along gets none after. */
export const byMethod = <R extends { readonly padAfter?: boolean | undefined }>(room: R, method: Method) => ({
  ...room,
  method,
  ...(METHOD_FIGURES[method].padPasses > 0 && room.padAfter ? { padAfter: false } : {}),
});

/**
 * The job as it would be done another way. Nothing logged counts: ways are compared from the start.
 *
 * @param kept rooms that keep the method they were surveyed with.
 */
export function jobInScenario(
  job: JobInput,
  { method, people }: Scenario,
  kept: ReadonlySet<string> = new Set(),
): JobInput {
  const {
    finishedHours: _,
    measuredWater: __,
    logged: ___,
    now: ____,
    doorChanges: _____,
    airChanges = [],
    ...rest
  } = job;
  return {
    ...rest,
    airChanges: airChanges.filter(({ isPlanned }) => isPlanned),
    run: { ...job.run, people, pins: [] },
    rooms: job.rooms.map((room) =>
      method !== undefined && takesMethod(room.covering) && !room.passage && !kept.has(room.id)
        ? byMethod(room, method)
        : room,
    ),
  };
}

/** Rooms whose floor the care rules don’t let a way’s method on. */
export const barredRooms = (job: JobInput, way: Scenario): ReadonlySet<string> =>
  new Set(
    careOf(jobInScenario(job, way)).rooms.flatMap(({ roomId, method }) =>
      method.verdict === "stop" ? [roomId] : [],
    ),
  );

/** A job as it would be done one way: with the mixes that way takes, which are chosen from the shelf before. */
export interface ScenarioCase {
  readonly way: Scenario;
  readonly job: JobInput;
  readonly barred: ReadonlySet<string>;
}

/** A way with the mixes the job has. */
export function scenarioCase(job: JobInput, way: Scenario): ScenarioCase {
  const barred = barredRooms(job, way);
  return { way, barred, job: jobInScenario(job, way, barred) };
}

/** The same job done several ways, side by side, each planned and dried whole. */
export function compareScenarios(cases: readonly ScenarioCase[]): ScenarioPlan[] {
  return cases.map(({ way, job, barred }): ScenarioPlan => {
    // Without what was logged and without locked steps, for this many people.
    const input = jobInScenario(job, { people: way.people });
    const work = planWork(input);
    const { rooms, batches, pads, run, building } = work;
    const drying = rooms.length === 0 ? [] : simulateDrying(building).rooms;
    const fills = batches.flatMap(({ batch }) => (batch.outcome === "planned" ? batch.fills : []));
    return {
      way,
      water: rooms.reduce((sum, room) => sum + room.preSpray + room.rinse, 0),
      concentrate: fills.reduce((sum, fill) => sum + (fill.powder ? 0 : fill.concentrate), 0),
      powder: fills.reduce((sum, fill) => sum + (fill.powder?.mass ?? 0), 0),
      fills: fills.length,
      pads: pads.bothSides.most,
      likelyPads: pads.pads,
      products: productAmounts(
        input.batches.map(({ id, product }) => ({ id, productId: product.id ?? id })),
        batches,
      ),
      billed: billedWork(input, work),
      ...(run.outcome === "planned" ? { finish: run.makespan } : {}),
      rooms: rooms.flatMap((room, i) => {
        if (room.passage) return [];
        const { touchDryHours = null, dryHours = null } = drying[i] ?? {};
        const at = (hours: number | null) => (hours === null ? null : room.finishedAtHours + hours);
        return [
          {
            roomId: room.id,
            finishedAtHours: room.finishedAtHours,
            walkOnAt: at(touchDryHours),
            dryAt: at(dryHours),
            barred: barred.has(room.id),
          },
        ];
      }),
    };
  });
}
