import type { Reading } from "../drying/index.ts";
import { itemAt } from "../itemAt.ts";
import { type AirSeen, airSeen } from "./airSeen.ts";
import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";
import { startingAir } from "./startingAir.ts";

const HOUR = 3_600_000;
/** A meter's scale in the log is a share; its points are hundredths. */
const POINTS = 100;

/** A reading as the drying is refitted to it, and the entry it is from. */
export type LoggedReading = Reading & { readonly entryId: string };

interface Rooms {
  /** In the order they dry in; readings of others are left out. */
  readonly roomIds: readonly string[];
  /** Rooms whose air somebody entered. */
  readonly isAirEntered: (roomId: string) => boolean;
  /** Of the job, ms since 1970. */
  readonly start: number;
}

/** Readings of one logger in one room that the drying is refitted to: what is read minutes apart says the same again. */
const OF_A_LOGGER = 12;

/** Readings of a job's rooms, but for those that tell what air the rooms began with. */
export function dryingReadings(
  log: readonly Entry[],
  { roomIds, isAirEntered, start }: Rooms,
): LoggedReading[] {
  const first = [...startingAir(log, isAirEntered).values()];
  const isFirst = ({ entryId, time }: AirSeen) =>
    first.some((each) => each.entryId === entryId && each.time === time);
  const placed = (roomId: string, time: number, entryId: string) => {
    const room = roomIds.indexOf(roomId);
    return room < 0 ? undefined : { entryId, room, hours: (time - start) / HOUR };
  };
  const air = counted(airSeen(log).filter((each) => !isFirst(each))).flatMap((each): LoggedReading[] => {
    const at = placed(each.roomId, each.time, each.entryId);
    const { temperature, relativeHumidity } = each;
    return at ? [{ ...at, kind: "air", temperature, relativeHumidity }] : [];
  });
  const carpet = effectiveEntries(log).flatMap((entry): LoggedReading[] => {
    if (entry.kind !== "reading") return [];
    const at = placed(entry.roomId, Date.parse(entry.at), entry.id);
    const kind = entry.place === "carpet" ? "carpet" : "untouched";
    return at ? [{ ...at, kind, value: entry.moisture * POINTS }] : [];
  });
  return [...carpet, ...air];
}

/** All that people read, and of each logger's entry as many as count, evenly over its time. */
function counted(seen: readonly AirSeen[]): AirSeen[] {
  const byEntry = new Map<string, AirSeen[]>();
  for (const each of seen) {
    const own = byEntry.get(each.entryId);
    if (own) own.push(each);
    else byEntry.set(each.entryId, [each]);
  }
  return [...byEntry.values()].flatMap((own) => {
    const every = Math.max(1, own.length / OF_A_LOGGER);
    return Array.from({ length: Math.min(own.length, OF_A_LOGGER) }, (_, i) =>
      itemAt(own, Math.floor(i * every)),
    );
  });
}
