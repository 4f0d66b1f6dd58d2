import { type RinseReason, rinsesBetween, type VesselRinse } from "../care/index.ts";
import { itemAt, numberAt } from "../itemAt.ts";
import { fillStepId, isOfRoom, parseStepId } from "../log/index.ts";
import { PACES, type RunFill, type RunRoom } from "../run/index.ts";
import type { JobInput, PlannedBatch, ProductLabel } from "./input.ts";
import { careFloor } from "./roomMix.ts";
import type { WetRoomPlan } from "./rooms.ts";

/** Rooms sprayed one after the other from one vessel with one mix, until it is emptied for another. */
export interface VesselTurn {
  readonly vesselId: string;
  readonly batchId: string;
  readonly roomIds: readonly string[];
  /** Rinses before its first fill, and why; 0 in a clean vessel. */
  readonly rinses: 0 | 1 | 2;
  readonly reason?: RinseReason;
  /** The mix of this job that was in it before; absent: a clean vessel, or what an earlier job left in it. */
  readonly after?: string;
}

export const vesselOf = (batch: PlannedBatch): string => batch.vesselId ?? batch.id;
const productsOf = ({ product, boosters = [] }: PlannedBatch): readonly ProductLabel[] => [
  product,
  ...boosters.map((booster) => booster.product),
];

/** A room that waits for its turn at a vessel. */
interface Waiting {
  readonly roomId: string;
  readonly batch: PlannedBatch;
}

/** What a second vessel like one would save a job: steps of rinsing, and s they take. */
export interface SharedVessel {
  readonly vesselId: string;
  /** Its mixes, in the order of their first turn. */
  readonly batchIds: readonly string[];
  readonly rinses: number;
  readonly seconds: number;
}

/** Vessels that are rinsed between two mixes of the job, most time lost first. */
export function sharedVessels(turns: readonly VesselTurn[]): SharedVessel[] {
  const vessels = [...new Set(turns.map(({ vesselId }) => vesselId))];
  return vessels
    .map((vesselId): SharedVessel => {
      const own = turns.filter((turn) => turn.vesselId === vesselId);
      const rinsed = own.filter(({ rinses, after }) => rinses > 0 && after !== undefined);
      return {
        vesselId,
        batchIds: [...new Set(own.map(({ batchId }) => batchId))],
        rinses: rinsed.length,
        seconds: rinsed.reduce((sum, { rinses }) => sum + rinses * PACES.rinse, 0),
      };
    })
    .filter(({ rinses }) => rinses > 0)
    .toSorted((a, b) => b.seconds - a.seconds);
}

/** What emptying a vessel counts, in rinses. */
const EMPTYING = 0.5;
/** More orders than this aren't looked through: the rooms stay in theirs. */
const MAX_STATES = 20_000;

/**
 * Who waits for whom: rooms with one machine, one mix or water from the same tanks go in the order given, and nobody walks over a
 * room that is wet on the way out of a later one. All of it counts, also by way of rooms sprayed from elsewhere.
 */
function roomsBefore(
  working: readonly RunRoom[],
  draws: (roomId: string) => boolean,
): ReadonlyMap<string, ReadonlySet<string>> {
  const before = new Map<string, Set<string>>();
  for (const [i, room] of working.entries()) {
    const own = new Set<string>();
    const add = (id: string) => {
      own.add(id);
      for (const each of before.get(id) ?? []) own.add(each);
    };
    for (const earlier of working.slice(0, i)) {
      const together =
        earlier.machine === room.machine ||
        (draws(earlier.id) && draws(room.id)) ||
        (earlier.spray !== undefined && earlier.spray.batchId === room.spray?.batchId) ||
        earlier.wayOut.includes(room.id);
      if (together) add(earlier.id);
    }
    before.set(room.id, own);
  }
  return before;
}

/**
 * The order in which the rooms of one vessel take their turn with the least rinsing, nearest to the order given; `first` is what is
 * in the vessel now.
 */
function fewestRinses(
  waiting: readonly Waiting[],
  before: ReadonlyMap<string, ReadonlySet<string>>,
  cost: (from: PlannedBatch | undefined, to: PlannedBatch) => number,
  first: PlannedBatch | undefined,
): readonly Waiting[] {
  const mixes = [...new Set(waiting.map(({ batch }) => batch))];
  const queues = mixes.map((batch) => waiting.filter((each) => each.batch === batch));
  const states = queues.reduce((product, queue) => product * (queue.length + 1), mixes.length);
  if (mixes.length < 2 || states > MAX_STATES) return waiting;
  const placeOf = new Map(waiting.map((each, i) => [each.roomId, i]));
  const known = new Map<string, { readonly cost: number; readonly next: number }>();
  const gone = (places: readonly number[], roomId: string): boolean => {
    const room = waiting[placeOf.get(roomId) ?? -1];
    if (!room) return true;
    const queue = mixes.indexOf(room.batch);
    return itemAt(queues, queue).indexOf(room) < numberAt(places, queue);
  };
  /** Least cost of what is left, and the mix whose room is next. */
  const best = (
    places: readonly number[],
    last: number,
  ): { readonly cost: number; readonly next: number } => {
    const key = `${places.join(" ")} ${last}`;
    const found = known.get(key);
    if (found) return found;
    const open = queues
      .map((queue, k) => ({ k, room: queue[numberAt(places, k)] }))
      .filter(
        ({ room }) => room && [...(before.get(room.roomId) ?? [])].every((earlier) => gone(places, earlier)),
      )
      .toSorted(
        (a, b) => (placeOf.get(a.room?.roomId ?? "") ?? 0) - (placeOf.get(b.room?.roomId ?? "") ?? 0),
      );
    let least = { cost: open.length === 0 ? 0 : Number.POSITIVE_INFINITY, next: -1 };
    for (const { k } of open) {
      const after = places.map((place, j) => place + Number(j === k));
      const own = k === last ? 0 : cost(mixes[last], itemAt(mixes, k));
      const total = own + best(after, k).cost;
      if (total < least.cost) least = { cost: total, next: k };
    }
    known.set(key, least);
    return least;
  };
  const order: Waiting[] = [];
  let places: readonly number[] = queues.map(() => 0);
  let last = first ? mixes.indexOf(first) : -1;
  for (let k = best(places, last).next; k >= 0; k = best(places, last).next) {
    order.push(itemAt(itemAt(queues, k), numberAt(places, k)));
    places = places.map((place, j) => place + Number(j === k));
    last = k;
  }
  return order;
}

/** When a room's spraying began by the log, s after the start. */
function sprayedAt({ logged = {} }: JobInput, roomId: string): number | undefined {
  const times = Object.entries(logged).flatMap(([id, { start, end }]) => {
    const { kind, subject } = parseStepId(id);
    const at = start ?? end;
    return kind === "pre-spray" && isOfRoom(subject, roomId) && at !== undefined ? [at] : [];
  });
  return times.length > 0 ? Math.min(...times) : undefined;
}

/** The mix whose fill was made or begun last, of some, by the log: it is what the vessel holds. */
function filledLast({ logged = {} }: JobInput, batches: readonly PlannedBatch[]): PlannedBatch | undefined {
  let [last, latest]: [PlannedBatch | undefined, number] = [undefined, Number.NEGATIVE_INFINITY];
  for (const [id, { start, end = start }] of Object.entries(logged)) {
    const { kind, subject } = parseStepId(id);
    if (kind !== "fill" || end === undefined || end < latest) continue;
    const batch = batches.find((each) => subject.startsWith(`${each.id}.`));
    if (batch) [last, latest] = [batch, end];
  }
  return last;
}

/**
 * Fills made that nothing will be sprayed from, by step id: another mix went into their vessel after them, or goes in next. Their rooms
 * want a fresh one. One that was sprayed from at all is none of these.
 */
export function wastedFills(
  job: JobInput,
  turns: readonly VesselTurn[],
  fills: readonly Pick<RunFill, "id" | "batchId" | "rooms">[],
): ReadonlySet<string> {
  const vessels = new Set(turns.map(({ vesselId }) => vesselId));
  const spared = new Set(
    [...vessels].flatMap((vesselId) => {
      const own = turns.filter((turn) => turn.vesselId === vesselId);
      const mixes = job.batches.filter(({ id }) => own.some(({ batchId }) => batchId === id));
      const next = own.find(({ roomIds }) => roomIds.some((id) => sprayedAt(job, id) === undefined));
      const held = filledLast(job, mixes)?.id;
      return held !== undefined && held === next?.batchId ? [held] : [];
    }),
  );
  return new Set(
    fills.flatMap(({ id, batchId, rooms }) => {
      const begun = job.logged?.[fillStepId(id)];
      const made = begun?.start ?? begun?.end;
      const used = rooms.some(({ roomId }) => sprayedAt(job, roomId) !== undefined);
      return made === undefined || used || spared.has(batchId) ? [] : [fillStepId(id)];
    }),
  );
}

/**
 * Every vessel's mixes in the order they take turns in it: one at a time, with the rinses between two of them. Rooms keep their
 * order but where another saves rinses and neither a machine, a mix nor the way out minds.
 */
export function vesselTurns(
  job: JobInput,
  rooms: readonly WetRoomPlan[],
  working: readonly RunRoom[],
): VesselTurn[] {
  const before = roomsBefore(
    working,
    (roomId) => job.rig?.tanks !== undefined && rooms.some(({ id, rinse }) => id === roomId && rinse > 0),
  );
  const floors = (batch: PlannedBatch) =>
    job.rooms.filter(({ id }) => rooms.some((room) => room.id === id && room.batchId === batch.id));
  const rinse = (from: PlannedBatch | undefined, to: PlannedBatch): VesselRinse =>
    rinsesBetween(
      from ? productsOf(from) : (job.vesselContents?.[vesselOf(to)] ?? []),
      productsOf(to),
      floors(to).map(careFloor),
    );
  const waiting = rooms.flatMap((room): Waiting[] => {
    const batch = job.batches.find(({ id }) => id === room.batchId);
    return batch && !room.passage && room.preSpray > 0 ? [{ roomId: room.id, batch }] : [];
  });
  const vessels = [...new Set(waiting.map(({ batch }) => vesselOf(batch)))];
  return vessels.flatMap((vesselId) => {
    const own = waiting.filter(({ batch }) => vesselOf(batch) === vesselId);
    const sprayed = own
      .filter(({ roomId }) => sprayedAt(job, roomId) !== undefined)
      .toSorted((a, b) => (sprayedAt(job, a.roomId) ?? 0) - (sprayedAt(job, b.roomId) ?? 0));
    const held =
      filledLast(
        job,
        own.map(({ batch }) => batch),
      ) ?? sprayed.at(-1)?.batch;
    const order = [
      ...sprayed,
      ...fewestRinses(
        own.filter((each) => !sprayed.includes(each)),
        before,
        // A vessel emptied for nothing wastes what is in it, even where it needs no rinse.
        (from, to) => rinse(from, to).rinses + (from ? EMPTYING : 0),
        held,
      ),
    ];
    const turns: { batch: PlannedBatch; roomIds: string[]; after?: PlannedBatch | undefined }[] = [];
    for (const [i, { batch, roomId }] of order.entries()) {
      const last = turns.at(-1);
      // Mixed out of its turn, what is in the vessel goes out again before another mix.
      const next = i === sprayed.length ? held : last?.batch;
      if (last?.batch === batch && (next === undefined || next === batch)) last.roomIds.push(roomId);
      else turns.push({ batch, roomIds: [roomId], after: next === batch ? last?.batch : next });
    }
    return turns.map(({ batch, roomIds, after: earlier }): VesselTurn => {
      return {
        vesselId,
        batchId: batch.id,
        roomIds,
        ...rinse(earlier, batch),
        ...(earlier ? { after: earlier.id } : {}),
      };
    });
  });
}
