import { valueAt } from "../itemAt.ts";
import { type Box, boxesOf, overlap, type Point, sharedArea } from "./boxes.ts";
import { OPPOSITE, pointOnWall, wallOf } from "./outline.ts";
import { WALLS, type Wall } from "./shape.ts";

/** A room to lay on the plan: its outline as it is drawn, turned already. */
export interface PlanRoom {
  readonly id: string;
  readonly outline: readonly Point[];
  /** 0 at the way in, 1 upstairs, −1 below. */
  readonly level: number;
  /** m it was pushed from where it fell by itself; what hangs on it goes along. */
  readonly nudge?: Point;
}

/** A door, or an opening. */
export interface PlanDoor {
  readonly id: string;
  readonly from: string;
  /** The room on its other side; absent: the way out. */
  readonly to?: string;
  /** Wall of `from` it is in, and m from that wall's left or upper end to its middle; found where not said. */
  readonly wall?: Wall;
  readonly offset?: number;
}

export interface PlacedRoom {
  readonly id: string;
  readonly level: number;
  readonly outline: readonly Point[];
  /** m the room was moved by to lie here. */
  readonly at: Point;
  readonly centre: Point;
}

export interface PlacedDoor {
  readonly id: string;
  readonly level: number;
  readonly at: Point;
  /** Wall of the room it is in that it opens through. */
  readonly wall: Wall;
  readonly exit: boolean;
}

/** Two rooms that can't both be where their doors put them. */
export interface Overlap {
  readonly code: "rooms-overlap";
  readonly rooms: readonly [string, string];
  /** m². */
  readonly area: number;
  /** Doors that placed them. */
  readonly doors: readonly string[];
}

export interface Floor {
  readonly rooms: readonly PlacedRoom[];
  readonly doors: readonly PlacedDoor[];
  readonly overlaps: readonly Overlap[];
  /** Rooms no door joins to the rest: drawn apart. */
  readonly loose: readonly string[];
}

/** Drawn between two rooms, m: a wall. */
const WALL = 0.12;
/** Where along a wall a door is tried when nobody said: the middle, then towards the ends. */
const TRIED = [0.5, 0.25, 0.75, 0.1, 0.9] as const;
/** Typed sides don't fit to the centimetre: less than this lying over is no fault, m². */
const MISFIT = 0.15;
const HALF_DOOR = 0.4;

const moved = (points: readonly Point[], by: Point) =>
  points.map(({ x, y }) => ({ x: x + by.x, y: y + by.y }));

function centreOf(outline: readonly Point[]): Point {
  // Middle of the largest rectangle in it: always on the floor, where the middle of an L's or U's box may not be.
  const largest = boxesOf(outline).reduce((a, b) => (sizeOf(b) > sizeOf(a) ? b : a));
  return { x: (largest.left + largest.right) / 2, y: (largest.top + largest.bottom) / 2 };
}
const sizeOf = ({ left, right, top, bottom }: Box) => (right - left) * (bottom - top);

interface Spot {
  readonly by: Point;
  readonly door: Point;
  readonly wall: Wall;
  readonly over: number;
  readonly spread: number;
}

/** Places along a wall to try, m from its left or upper end. */
const tried = (length: number, offset: number | undefined) =>
  offset !== undefined
    ? [Math.min(Math.max(offset, 0), length)]
    : TRIED.map((share) =>
        Math.min(
          Math.max(share * length, Math.min(HALF_DOOR, length / 2)),
          length - Math.min(HALF_DOOR, length / 2),
        ),
      );

/** The best way to hang a room on a placed one by a door: nothing lying over, then the smallest plan, then the first tried. */
function hang(
  room: PlanRoom,
  on: PlacedRoom,
  door: {
    readonly wall?: Wall | undefined;
    readonly offset?: number | undefined;
    readonly offsetOnRoom?: number | undefined;
  },
  there: readonly PlacedRoom[],
): Spot {
  const level = there.filter((each) => each.level === room.level);
  const taken = level.flatMap((each) => boxesOf(each.outline));
  const all = level.flatMap((each) => each.outline);
  let best: Spot | undefined;
  for (const wall of door.wall ? [door.wall] : WALLS) {
    const edge = wallOf(on.outline, wall);
    const facing = wallOf(room.outline, OPPOSITE[wall]);
    for (const along of tried(edge.length, door.offset)) {
      const at = pointOnWall(edge, along, WALL / 2);
      for (const own of tried(facing.length, door.offsetOnRoom)) {
        const meets = pointOnWall(facing, own, WALL / 2);
        const by = { x: at.x - meets.x, y: at.y - meets.y };
        const outline = moved(room.outline, by);
        const boxes = boxesOf(outline);
        const over = room.level === on.level || level.length > 0 ? sharedArea(boxes, taken) : 0;
        const points = [...all, ...outline];
        const spread =
          Math.max(...points.map(({ x }) => x)) -
          Math.min(...points.map(({ x }) => x)) +
          Math.max(...points.map(({ y }) => y)) -
          Math.min(...points.map(({ y }) => y));
        const better =
          best === undefined ||
          over < best.over - 1e-6 ||
          (over < best.over + 1e-6 && spread < best.spread - 1e-6);
        if (better) best = { by, door: at, wall, over, spread };
      }
    }
  }
  return best as Spot;
}

/**
 * Lays rooms on the plan by their doors: from the way out inwards, each beside the room its door is in, walls that
 * nobody named chosen so that nothing lies over anything and the plan stays small. Rooms on other levels stand over or
 * under the stairs they are reached by. Rooms without a door are drawn apart.
 */
export function placeRooms(rooms: readonly PlanRoom[], doors: readonly PlanDoor[]): Floor {
  const placed = new Map<string, PlacedRoom>();
  const placedDoors: PlacedDoor[] = [];
  const loose: string[] = [];
  const put = (room: PlanRoom, by: Point) => {
    const at = { x: by.x + (room.nudge?.x ?? 0), y: by.y + (room.nudge?.y ?? 0) };
    const outline = moved(room.outline, at);
    placed.set(room.id, { id: room.id, level: room.level, outline, at, centre: centreOf(outline) });
  };
  const spread = () => [...placed.values()];
  const byId = new Map(rooms.map((room) => [room.id, room]));
  const exits = doors.filter((door) => door.to === undefined).map((door) => door.from);
  const hung = new Map<string, string[]>();

  const follow = (first: string) => {
    const waiting = [first];
    for (let id = waiting.shift(); id !== undefined; id = waiting.shift()) {
      const on = valueAt(placed, id);
      for (const door of doors) {
        if (door.to === undefined || (door.from !== id && door.to !== id)) continue;
        const forwards = door.from === id;
        const next = byId.get(forwards ? door.to : door.from);
        if (!next || placed.has(next.id)) continue;
        const wall = forwards || door.wall === undefined ? door.wall : OPPOSITE[door.wall];
        const spot = hang(
          next,
          on,
          forwards ? { wall, offset: door.offset } : { wall, offsetOnRoom: door.offset },
          spread(),
        );
        put(next, spot.by);
        placedDoors.push({
          id: door.id,
          level: Math.min(on.level, next.level),
          at: spot.door,
          wall: spot.wall,
          exit: false,
        });
        hung.set(next.id, [...(hung.get(next.id) ?? []), door.id]);
        waiting.push(next.id);
      }
    }
  };

  for (const start of [...new Set(exits), ...rooms.map(({ id }) => id)]) {
    const room = byId.get(start);
    if (!room || placed.has(start)) continue;
    const level = spread().filter((each) => each.level === room.level);
    const right = Math.max(0, ...level.flatMap(({ outline }) => outline.map(({ x }) => x)));
    put(room, { x: level.length === 0 ? 0 : right + 1, y: 0 });
    if (placed.size > 1 && !exits.includes(start)) loose.push(start);
    follow(start);
  }
  for (const door of doors) placeRest(door, placed, placedDoors);
  return { rooms: spread(), doors: placedDoors, overlaps: overlapsOf(spread(), hung), loose };
}

/** Ways out, and second doors between rooms that already lie: in the wall said, or where the rooms are nearest. */
function placeRest(door: PlanDoor, placed: ReadonlyMap<string, PlacedRoom>, done: PlacedDoor[]): void {
  const from = placed.get(door.from);
  if (!from || done.some(({ id }) => id === door.id)) return;
  const to = door.to === undefined ? undefined : placed.get(door.to);
  if (door.to !== undefined && !to) return;
  const others = [...placed.values()].filter(({ id, level }) => id !== from.id && level === from.level);
  const free = (point: Point) => others.every(({ outline }) => !overlap(boxesOf(outline), [around(point)]));
  const options = (door.wall ? [door.wall] : (["bottom", "left", "right", "top"] as const)).flatMap(
    (wall) => {
      const edge = wallOf(from.outline, wall);
      return tried(edge.length, door.offset).map((along) => ({
        at: pointOnWall(edge, along, WALL / 2),
        outside: pointOnWall(edge, along, 2 * WALL + HALF_DOOR / 2),
        wall,
      }));
    },
  );
  const distance = (point: Point) => (to ? Math.hypot(point.x - to.centre.x, point.y - to.centre.y) : 0);
  const cost = (option: (typeof options)[number]) =>
    to ? distance(option.at) : free(option.outside) ? 0 : 1;
  const best = options.reduce((a, b) => (cost(b) < cost(a) - 1e-9 ? b : a));
  done.push({
    id: door.id,
    level: from.level,
    at: best.at,
    wall: best.wall,
    exit: door.to === undefined,
  });
}

const around = ({ x, y }: Point): Box => ({
  left: x - 0.15,
  right: x + 0.15,
  top: y - 0.15,
  bottom: y + 0.15,
});

function overlapsOf(rooms: readonly PlacedRoom[], hung: ReadonlyMap<string, readonly string[]>): Overlap[] {
  const boxes = new Map(rooms.map((room) => [room.id, boxesOf(room.outline)]));
  return rooms.flatMap((a, i) =>
    rooms.slice(i + 1).flatMap((b) => {
      if (a.level !== b.level) return [];
      const area = sharedArea(valueAt(boxes, a.id), valueAt(boxes, b.id));
      if (area <= MISFIT) return [];
      const doors = [...(hung.get(a.id) ?? []), ...(hung.get(b.id) ?? [])];
      return [{ code: "rooms-overlap" as const, rooms: [a.id, b.id] as const, area, doors }];
    }),
  );
}
