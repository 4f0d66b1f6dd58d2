import type { RunFill, RunInput, RunRinse, RunRoom } from "./input.ts";
import { PACES, RIBBED_VACUUM, SLOW_VACUUM, WORK_OVERHEAD } from "./stepKinds.ts";

/** What a room's steps take, s, at the paces given. */
export function stepDurations(room: RunRoom, { pace = {} }: Pick<RunInput["crew"], "pace">) {
  const { area, spray } = room;
  const slower = room.ribbed ? RIBBED_VACUUM : room.slowVacuum ? SLOW_VACUUM : 1;
  return {
    vacuum: (area / (pace.vacuum ?? PACES.vacuum)) * slower,
    edges: room.edge / PACES.edges,
    preSpot: room.spotsBefore * PACES.preSpot,
    spray: spray ? area / (pace.spray ?? PACES.spray) : 0,
    agitate: spray && room.agitated ? area * PACES.agitate : 0,
    clean: area * room.cleanTime,
    pad: area * room.padTime,
    spots: room.spotsAfter * PACES.spotAfter,
    odour: room.odourArea * PACES.odour,
    groom: room.groomed ? area * PACES.groom : 0,
  };
}
export const fillTime = ({ volume }: RunFill): number => PACES.fill + volume * PACES.tap;
export const rinseTime = ({ rinse }: { readonly rinse?: RunRinse | undefined }): number =>
  (rinse?.rinses ?? 0) * PACES.rinse;
export const tripTime = (solution: number): number => PACES.tankTrip + solution * PACES.tap;

const sum = (values: readonly number[]) => values.reduce((total, each) => total + each, 0);

/** What goes round a job's work as steps of their own, s: set-up and packing up, fills, rinses, trips, furniture, fans. */
export const roundTime = ({ rooms, fills, tanks }: Pick<RunInput, "rooms" | "fills" | "tanks">): number =>
  sum([
    PACES.setUp + PACES.packUp,
    ...fills.map((fill) => fillTime(fill) + rinseTime(fill)),
    ...tanks.slice(1).map(({ solution }) => tripTime(solution)),
    ...rooms.map(({ area, furniture, fans }) => (furniture ? area * PACES.furniture : 0) + fans * PACES.fan),
  ]);

/**
 * How many times as long each step takes as at its pace: the crew's overhead (talk, moving, looking for things) less what
 * of it is a step of its own here, set-up, fills and trips. Never below 1.
 */
export function stretchOf(input: RunInput): number {
  const { rooms, crew } = input;
  const work = sum(rooms.flatMap((room) => Object.values(stepDurations(room, crew))));
  return work > 0 ? 1 + Math.max(0, (crew.pace?.overhead ?? WORK_OVERHEAD) - roundTime(input) / work) : 1;
}
