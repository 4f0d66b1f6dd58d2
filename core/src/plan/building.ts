import { pressureAtElevation } from "../air/index.ts";
import { type Building, type DryingRoom, type Link, OPEN_DOOR_FLOW } from "../drying/index.ts";
import { DEFAULTS } from "./defaults.ts";
import type { JobInput } from "./input.ts";
import type { RoomPlan } from "./rooms.ts";

/** Air passes where a door between two rooms stands open. */
function openDoors(job: JobInput): Link[] {
  const place = new Map(job.rooms.map((room, i) => [room.id, i]));
  return (job.doors ?? []).flatMap(({ from, to, shut }) => {
    const a = place.get(from);
    const b = to === undefined ? undefined : place.get(to);
    return a === undefined || b === undefined || shut ? [] : [{ a, b, flow: OPEN_DOOR_FLOW }];
  });
}

/** Electricity a fan turns into heat, W for each m³/s it moves, and a dehumidifier, W for each litre a day (common practice). */
const POWER_PER_FLOW = 280;
const POWER_PER_LITRE_A_DAY = 12;

const dryingRoom = (room: RoomPlan): DryingRoom => ({
  area: room.area,
  height: room.height,
  temperature: room.air.temperature,
  relativeHumidity: room.air.relativeHumidity,
  outdoorAirChangesPerHour: room.outdoorAirChangesPerHour,
  fibre: room.dryingFibre,
  faceWeight: room.faceWeight,
  pileHeight: room.pileHeight,
  residual: room.residual,
  ...(room.airSpeedMeasured ? { airSpeed: room.airSpeed } : {}),
  airMovers: room.airMovers.map((mover) => ({ power: POWER_PER_FLOW * mover.flow, ...mover })),
  dehumidifierLitresPerDay: room.dehumidifierLitresPerDay,
  dehumidifierPower: POWER_PER_LITRE_A_DAY * room.dehumidifierLitresPerDay,
  climate: room.climate,
  finishedAt: room.finishedAtHours,
  ...(room.airMoversFromHours === undefined ? {} : { airMoversFrom: room.airMoversFromHours }),
});

/** What a job's planned rooms dry as. */
export function buildingOf(job: JobInput, rooms: readonly RoomPlan[]): Building {
  const links = openDoors(job);
  return {
    outdoor: job.outdoor ?? DEFAULTS.outdoor,
    pressure: pressureAtElevation(job.elevation ?? DEFAULTS.elevation),
    rooms: rooms.map(dryingRoom),
    ...(links.length > 0 ? { links } : {}),
  };
}
