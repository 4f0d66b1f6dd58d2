import { STROKE_LIMITS } from "../clean/index.ts";
import { simulateDrying } from "../drying/index.ts";
import { ROUGH, scheduleJob } from "../run/index.ts";
import type { JobInput } from "./input.ts";
import { lastReady } from "./lastReady.ts";
import { planWork, type WorkPlan } from "./work.ts";

/** More that can be taken out of the carpet before it is left to dry. */
export type DrierKind = "dry-strokes" | "pads";

/** What more is worth, both ways planned alike: hours sooner the last room is touch-dry, and seconds the work takes longer. */
export interface DrierWork {
  readonly kind: DrierKind;
  /** Dry strokes each pass has then. */
  readonly dryStrokes?: number;
  /** undefined: without it some room isn't touch-dry within 96 h, with it all are. */
  readonly sooner: number | undefined;
  /** undefined where it can't be scheduled. */
  readonly longer: number | undefined;
}

/** Dry strokes more on every pass. */
const STROKES_MORE = 2;

/** A quick run does: what counts is the difference. */
const planQuickly = (job: JobInput): WorkPlan => planWork(job, (asked) => scheduleJob(asked, ROUGH));

function endOf(job: JobInput) {
  const work = planQuickly(job);
  const hours = simulateDrying(work.building).rooms.map(({ touchDryHours }) => touchDryHours);
  return {
    walkOnAt: lastReady(work, hours),
    finish: work.run.outcome === "planned" ? work.run.makespan : undefined,
  };
}

/** Rooms that are cleaned with water and then sucked dry. */
export const isExtracted = ({ passage, figures }: WorkPlan["rooms"][number]): boolean =>
  !passage && figures.wetStrokes > 0 && figures.dryStrokes > 0;

/**
 * What two dry strokes more and an absorbent pad over what was extracted would each be worth: the work takes longer and the rooms dry
 * sooner. None where nothing is extracted, there is no more to do, or it still leaves a room wet after 96 h. Yields between two plans.
 */
export function* drierWorkInSteps(job: JobInput): Generator<undefined, DrierWork[], void> {
  const extracted = planQuickly(job).rooms.filter(isExtracted);
  if (extracted.length === 0) return [];
  yield;
  const asIs = endOf(job);
  const strokes = Math.max(...extracted.map(({ figures }) => figures.dryStrokes));
  const dryStrokes = Math.min(STROKE_LIMITS.dryStrokes[1], strokes + STROKES_MORE);
  const ids = new Set(extracted.map(({ id }) => id));
  const ways: (Pick<DrierWork, "kind" | "dryStrokes"> & { readonly plan: JobInput })[] = [];
  if (dryStrokes > strokes)
    ways.push({
      kind: "dry-strokes",
      dryStrokes,
      plan: { ...job, rig: { ...job.rig, strokes: { ...job.rig?.strokes, dryStrokes } } },
    });
  if (extracted.some(({ padAfter }) => !padAfter))
    ways.push({
      kind: "pads",
      plan: {
        ...job,
        rooms: job.rooms.map((room) => (ids.has(room.id) ? { ...room, padAfter: true } : room)),
      },
    });
  const found: DrierWork[] = [];
  for (const { plan, ...way } of ways) {
    yield;
    const { walkOnAt, finish } = endOf(plan);
    if (walkOnAt === null) continue;
    found.push({
      ...way,
      sooner: asIs.walkOnAt === null ? undefined : asIs.walkOnAt - walkOnAt,
      longer: finish === undefined || asIs.finish === undefined ? undefined : finish - asIs.finish,
    });
  }
  return found;
}
