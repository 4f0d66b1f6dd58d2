import { isHardFloor } from "../care/index.ts";
import type { BilledRoom, Extra } from "../quote/index.ts";
import type { JobInput } from "./input.ts";
import type { WorkPlan } from "./work.ts";

/** What there is to bill on a job, by room and by extra. */
export interface BilledWork {
  readonly rooms: readonly BilledRoom[];
  /** m², m, pieces or hours; of what is billed only when asked for, how much it would be. */
  readonly extras: Readonly<Record<Extra, number>>;
}

/** What the survey finds to bill. Furniture is a piece a room; waiting is an hour until its time is entered. */
export function billedWork(job: JobInput, work: Pick<WorkPlan, "rooms" | "effects">): BilledWork {
  const cleaned = work.rooms.filter((room) => !room.passage);
  const steps = new Map(
    job.rooms.flatMap(({ id, shape }) => (shape.kind === "stairs" ? [[id, shape.steps] as const] : [])),
  );
  const total = (value: (room: (typeof cleaned)[number]) => number) =>
    cleaned.reduce((sum, room) => sum + value(room), 0);
  const spots = job.spots ?? [];
  const soil = new Map(job.rooms.map(({ id, soilNature }) => [id, soilNature]));
  const hasExtraRinse = work.effects.some(({ kind }) => kind === "extra-rinse");
  return {
    rooms: cleaned.map(({ id, area, method }) => ({ id, area, method, steps: steps.get(id) })),
    extras: {
      "extra-rinse": hasExtraRinse ? total((room) => (room.rinse > 0 ? room.area : 0)) : 0,
      odour: total((room) => room.odourArea),
      stain: spots.filter(({ nature }) => nature === "stain").length,
      spot: spots.filter(({ nature, origin }) => nature !== "stain" && origin !== "urine").length,
      stairs: total(({ id }) => steps.get(id) ?? 0),
      edges: total((room) => room.edge),
      matting: total((room) => (room.covering === "ribbed-mat" ? room.area : 0)),
      vacuuming: total((room) => room.area),
      grease: total((room) => (soil.get(room.id) === "greasy" ? room.area : 0)),
      furniture: cleaned.filter(({ id }) => !steps.has(id)).length,
      protector: total((room) => (isHardFloor(room.covering) ? 0 : room.area)),
      waiting: 1,
    },
  };
}
