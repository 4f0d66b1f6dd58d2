import { itemAt, valueAt } from "../itemAt.ts";
/** A room as far as walking out of it goes. */
export interface WalkRoom {
  readonly id: string;
  /** 0 at the way in, 1 upstairs, −1 below. */
  readonly level: number;
  /** m it takes to cross. */
  readonly crossing: number;
  /** Only walked through: never wet, so never in the way. */
  readonly passage?: boolean;
}

/** A door; `to` absent: the way out. */
export interface WalkDoor {
  readonly id: string;
  readonly from: string;
  readonly to?: string;
}

/** Why there is no order: rooms no door leads out of, and a door that would mend it. */
export interface CutOff {
  readonly code: "no-way-out" | "no-exit";
  readonly rooms: readonly string[];
}

export type WalkOut =
  | { readonly outcome: "ordered"; readonly order: readonly string[] }
  | { readonly outcome: "impossible"; readonly fault: CutOff };

/** A room whose way out leads over one finished before it. */
export interface WalkConflict {
  readonly room: string;
  /** The finished room in the way, and the door into it. */
  readonly over: string;
  readonly door: string;
}

const OUTSIDE = "";

function neighbours(
  doors: readonly WalkDoor[],
): Map<string, { readonly room: string; readonly door: string }[]> {
  const near = new Map<string, { room: string; door: string }[]>();
  const add = (a: string, b: string, door: string) =>
    near.set(a, [...(near.get(a) ?? []), { room: b, door }]);
  for (const { id, from, to = OUTSIDE } of doors) {
    add(from, to, id);
    add(to, from, id);
  }
  return near;
}

interface Reached {
  readonly room: string;
  readonly parent: string;
  readonly distance: number;
}

/** Shortest ways from outside into every room (Dijkstra, over crossings). */
function waysIn(rooms: readonly WalkRoom[], doors: readonly WalkDoor[]): Map<string, Reached> {
  const crossing = new Map(rooms.map((room) => [room.id, room.crossing]));
  const near = neighbours(doors);
  const reached = new Map<string, Reached>();
  const open: Reached[] = [{ room: OUTSIDE, parent: OUTSIDE, distance: 0 }];
  while (open.length > 0) {
    const nearest = open.reduce(
      (best, each, i) => (each.distance < itemAt(open, best).distance ? i : best),
      0,
    );
    const here = itemAt(open, nearest);
    open.splice(nearest, 1);
    if (reached.has(here.room)) continue;
    reached.set(here.room, here);
    for (const { room } of near.get(here.room) ?? [])
      if (crossing.has(room) && !reached.has(room))
        open.push({ room, parent: here.room, distance: here.distance + valueAt(crossing, room) });
  }
  return reached;
}

/**
 * The order to finish rooms in so that nobody walks over a finished one: every room is left by a door to one still to
 * do, or out. Upstairs before downstairs; within a level the branch that goes furthest from the way out first, each
 * branch from its far end; where all else is equal the order given. Passages are left out of it.
 *
 * Follows the tree of shortest ways in: a room comes before the one its way leads through, so an order exists as soon as every
 * room has a way out. Common practice.
 */
export function walkOutOrder(rooms: readonly WalkRoom[], doors: readonly WalkDoor[]): WalkOut {
  if (rooms.length > 0 && doors.every((door) => door.to !== undefined))
    return { outcome: "impossible", fault: { code: "no-exit", rooms: rooms.map(({ id }) => id) } };
  const reached = waysIn(rooms, doors);
  const cutOff = rooms.filter(({ id }) => !reached.has(id));
  if (cutOff.length > 0)
    return { outcome: "impossible", fault: { code: "no-way-out", rooms: cutOff.map(({ id }) => id) } };

  const place = new Map(rooms.map(({ id }, i) => [id, i]));
  const children = new Map<string, WalkRoom[]>();
  for (const room of rooms) {
    const { parent } = valueAt(reached, room.id);
    children.set(parent, [...(children.get(parent) ?? []), room]);
  }
  /** Highest level and furthest point of a branch. */
  const reach = (id: string, level: number): { readonly level: number; readonly furthest: number } =>
    (children.get(id) ?? []).reduce(
      (far, child) => {
        const own = reach(child.id, child.level);
        return { level: Math.max(far.level, own.level), furthest: Math.max(far.furthest, own.furthest) };
      },
      { level, furthest: valueAt(reached, id).distance },
    );
  const order: { readonly room: WalkRoom; readonly level: number }[] = [];
  const walk = (id: string, level: number) => {
    const branches = (children.get(id) ?? []).map((room) => ({ room, far: reach(room.id, room.level) }));
    branches.sort(
      (a, b) =>
        b.far.level - a.far.level ||
        b.far.furthest - a.far.furthest ||
        valueAt(place, a.room.id) - valueAt(place, b.room.id),
    );
    for (const { room } of branches) {
      // A room reached only through a higher one must be done before it: it counts as being up there.
      const counted = Math.max(level, room.level);
      walk(room.id, counted);
      order.push({ room, level: counted });
    }
  };
  walk(OUTSIDE, Number.NEGATIVE_INFINITY);
  return {
    outcome: "ordered",
    order: order
      .toSorted((a, b) => b.level - a.level)
      .filter(({ room }) => !room.passage)
      .map(({ room }) => room.id),
  };
}

/**
 * Rooms of a chosen order that can't be left, or reached, but over a finished one; empty where the order works. Rooms
 * with no way out at all are {@link walkOutOrder}'s to tell.
 */
export function walkConflicts(
  rooms: readonly WalkRoom[],
  doors: readonly WalkDoor[],
  order: readonly string[],
): WalkConflict[] {
  const near = neighbours(doors);
  const passages = new Set(rooms.filter((room) => room.passage).map(({ id }) => id));
  const finished = new Set<string>();
  const conflicts: WalkConflict[] = [];
  for (const room of order) {
    const conflict = overFinished(room, near, finished);
    if (conflict) conflicts.push({ room, ...conflict });
    if (!passages.has(room)) finished.add(room);
  }
  return conflicts;
}

/** The first finished room on the way out that treads on the fewest of them; undefined where there is a clear way. */
function overFinished(
  start: string,
  near: ReadonlyMap<string, readonly { readonly room: string; readonly door: string }[]>,
  finished: ReadonlySet<string>,
): { readonly over: string; readonly door: string } | undefined {
  type Step = { readonly room: string; readonly over?: { readonly over: string; readonly door: string } };
  let layer: Step[] = [{ room: start }];
  const seen = new Set([start]);
  // Layer n holds what is reached over n finished rooms.
  while (layer.length > 0) {
    const next: Step[] = [];
    for (let here = layer.shift(); here !== undefined; here = layer.shift()) {
      if (here.room === OUTSIDE) return here.over;
      for (const { room, door } of near.get(here.room) ?? []) {
        if (seen.has(room)) continue;
        seen.add(room);
        if (finished.has(room)) next.push({ room, over: here.over ?? { over: room, door } });
        else layer.push({ room, ...(here.over ? { over: here.over } : {}) });
      }
    }
    layer = next;
  }
  return undefined;
}

/** What a way costs for each room on it: one that is finished by then, one still to do, and less the later its turn. */
const OVER_FINISHED = 1e6;
const OVER_TO_DO = 1e3;

/**
 * The way out chosen for each room, by room: the rooms still to do that it leads over, in walking order. It treads on the fewest rooms
 * finished by then, and on the fewest of the others. Whoever works in a room comes and goes that way, so its rooms stay dry until
 * that one is done. Rooms in the order worked.
 */
export function waysOut(
  rooms: readonly WalkRoom[],
  doors: readonly WalkDoor[],
): ReadonlyMap<string, readonly string[]> {
  const near = neighbours(doors);
  const place = new Map(rooms.map(({ id }, i) => [id, i]));
  const passages = new Set(rooms.flatMap(({ id, passage }) => (passage ? [id] : [])));
  const costOf = (room: string, start: number) => {
    const at = place.get(room) ?? 0;
    if (room === OUTSIDE || passages.has(room)) return 1;
    return at < start ? OVER_FINISHED : OVER_TO_DO + rooms.length - at;
  };
  const wayFrom = (room: WalkRoom, start: number): readonly string[] => {
    const open: { readonly room: string; readonly cost: number; readonly over: readonly string[] }[] = [
      { room: room.id, cost: 0, over: [] },
    ];
    const seen = new Set<string>();
    while (open.length > 0) {
      const nearest = open.reduce((best, each, i) => (each.cost < itemAt(open, best).cost ? i : best), 0);
      const [here] = open.splice(nearest, 1);
      if (!here || here.room === OUTSIDE) return here?.over ?? [];
      if (seen.has(here.room)) continue;
      seen.add(here.room);
      for (const { room: next } of near.get(here.room) ?? [])
        if (!seen.has(next))
          open.push({
            room: next,
            cost: here.cost + costOf(next, start),
            over: (place.get(next) ?? -1) > start && !passages.has(next) ? [...here.over, next] : here.over,
          });
    }
    // A room without any way out isn't helped by waiting for others.
    return [];
  };
  return new Map(rooms.map((room, i) => [room.id, wayFrom(room, i)]));
}
