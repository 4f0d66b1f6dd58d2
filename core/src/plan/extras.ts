import type { Extra } from "../quote/index.ts";
import type { JobInput } from "./input.ts";
import type { WorkPlan } from "./work.ts";

/** How much there is on a job of what is charged apart: m², m or pieces. */
export function extrasOf(job: JobInput, work: WorkPlan): Partial<Record<Extra, number>> {
  const has = (kind: string) => work.effects.some((effect) => effect.kind === kind);
  const cleaned = work.rooms.filter((room) => !room.passage);
  const total = (value: (room: (typeof cleaned)[number]) => number) =>
    cleaned.reduce((sum, room) => sum + value(room), 0);
  const spots = job.spots ?? [];
  const steps = job.rooms.reduce(
    (sum, { shape, passage }) => sum + (shape.kind === "stairs" && !passage ? shape.steps : 0),
    0,
  );
  return {
    "extra-rinse": has("extra-rinse") ? total((room) => (room.rinse > 0 ? room.area : 0)) : 0,
    odour: total((room) => room.odourArea),
    stain: spots.filter(({ nature }) => nature === "stain").length,
    spot: spots.filter(({ nature, origin }) => nature !== "stain" && origin !== "urine").length,
    stairs: steps,
    edges: has("edges") ? total((room) => room.edge) : 0,
    matting: total((room) => (room.covering === "ribbed-mat" ? room.area : 0)),
  };
}
