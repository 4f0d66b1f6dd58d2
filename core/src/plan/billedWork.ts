import { isHardFloor } from "../care/index.ts";
import type { BilledRoom, Extra } from "../quote/index.ts";
import type { StepKind } from "../run/index.ts";
import type { JobInput } from "./input.ts";
import { passedOver } from "./passedOver.ts";
import type { WorkPlan } from "./work.ts";

/** What there is to bill on a job, by room and by extra. */
export interface BilledWork {
  readonly rooms: readonly BilledRoom[];
  /** m², m, pieces or hours; of what is billed only when asked for, how much it would be. */
  readonly extras: Readonly<Record<Extra, number>>;
}

/**
 * What the survey finds to bill, less what the log says was skipped: a room that wasn't cleaned is `skipped`, and an extra counts
 * the rooms it was done in. Furniture is a piece a room; waiting is an hour until its time is entered.
 */
export function billedWork(job: JobInput, work: Pick<WorkPlan, "rooms" | "effects" | "run">): BilledWork {
  const isPassedOver = passedOver(job, work);
  const surveyed = work.rooms.filter((room) => !room.passage);
  const cleaned = surveyed.filter(({ id }) => !isPassedOver(["clean"], id));
  const isCleaned = new Set(cleaned.map(({ id }) => id));
  const steps = new Map(
    job.rooms.flatMap(({ id, shape }) => (shape.kind === "stairs" ? [[id, shape.steps] as const] : [])),
  );
  type Room = (typeof surveyed)[number];
  const total = (value: (room: Room) => number) => cleaned.reduce((sum, room) => sum + value(room), 0);
  // Some work is done for itself, whether the room is cleaned or not.
  const done = (kind: StepKind, value: (room: Room) => number) =>
    surveyed.reduce((sum, room) => sum + (isPassedOver([kind], room.id) ? 0 : value(room)), 0);
  const isTreated = ({ roomId }: { readonly roomId: string }) =>
    isCleaned.has(roomId) && !isPassedOver(["pre-spot", "spots"], roomId);
  const spots = (job.spots ?? []).filter(isTreated);
  const soil = new Map(job.rooms.map(({ id, soilNature }) => [id, soilNature]));
  const hasExtraRinse = work.effects.some(({ kind }) => kind === "extra-rinse");
  return {
    rooms: surveyed.map(({ id, area, method }) => ({
      id,
      area,
      method,
      steps: steps.get(id),
      skipped: !isCleaned.has(id),
    })),
    extras: {
      "extra-rinse": hasExtraRinse ? total((room) => (room.rinse > 0 ? room.area : 0)) : 0,
      odour: done("odour", (room) => room.odourArea),
      stain: spots.filter(({ nature }) => nature === "stain").length,
      spot: spots.filter(({ nature, origin }) => nature !== "stain" && origin !== "urine").length,
      stairs: total(({ id }) => steps.get(id) ?? 0),
      edges: done("edges", (room) => room.edge),
      matting: total((room) => (room.covering === "ribbed-mat" ? room.area : 0)),
      vacuuming: done("vacuum", (room) => room.area),
      grease: total((room) => (soil.get(room.id) === "greasy" ? room.area : 0)),
      furniture: surveyed.filter(({ id }) => !steps.has(id) && !isPassedOver(["furniture"], id)).length,
      protector: total((room) => (isHardFloor(room.covering) ? 0 : room.area)),
      waiting: 1,
    },
  };
}
