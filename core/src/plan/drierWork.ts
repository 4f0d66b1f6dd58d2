import { STROKE_LIMITS } from "../clean/index.ts";
import { simulateDrying } from "../drying/index.ts";
import type { JobInput } from "./input.ts";
import { lastReady } from "./lastReady.ts";
import { planWork, type WorkPlan } from "./work.ts";

/** More that can be taken out of the carpet before it is left to dry. */
export type DrierKind = "dry-strokes" | "pads";

/** What a job comes to with more taken out. Hours after the start; null: some room isn't there within 96 h. */
export interface DrierWork {
  readonly kind: DrierKind;
  /** Dry strokes each pass has then. */
  readonly dryStrokes?: number;
  readonly walkOnAt: number | null;
  /** Last step's end, s; undefined where it can't be scheduled. */
  readonly finish?: number;
}

/** Dry strokes more on every pass. */
const STROKES_MORE = 2;

const isExtracted = ({ rooms }: WorkPlan) =>
  rooms.filter(({ passage, figures }) => !passage && figures.wetStrokes > 0 && figures.dryStrokes > 0);

function endOf(kind: DrierKind, job: JobInput, dryStrokes?: number): DrierWork {
  const work = planWork(job);
  const hours = simulateDrying(work.building).rooms.map(({ touchDryHours }) => touchDryHours);
  return {
    kind,
    ...(dryStrokes === undefined ? {} : { dryStrokes }),
    walkOnAt: lastReady(work, hours),
    ...(work.run.outcome === "planned" ? { finish: work.run.makespan } : {}),
  };
}

/**
 * What two dry strokes more and an absorbent pad over what was extracted would each come to, planned whole: the work takes longer and the
 * rooms dry sooner. None where nothing is extracted or there is no more to do.
 */
export function drierWork(job: JobInput, work: WorkPlan): DrierWork[] {
  const extracted = isExtracted(work);
  if (extracted.length === 0) return [];
  const now = Math.max(...extracted.map(({ figures }) => figures.dryStrokes));
  const most = Math.min(STROKE_LIMITS.dryStrokes[1], now + STROKES_MORE);
  const ids = new Set(extracted.map(({ id }) => id));
  const withStrokes = (): JobInput => ({
    ...job,
    rig: { ...job.rig, strokes: { ...job.rig?.strokes, dryStrokes: most } },
  });
  const withPads = (): JobInput => ({
    ...job,
    rooms: job.rooms.map((room) => (ids.has(room.id) ? { ...room, padAfter: true } : room)),
  });
  return [
    ...(most > now ? [endOf("dry-strokes", withStrokes(), most)] : []),
    ...(extracted.some(({ padAfter }) => !padAfter) ? [endOf("pads", withPads())] : []),
  ];
}
