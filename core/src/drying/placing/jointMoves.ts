import { itemAt, numberAt } from "../../itemAt.ts";
import { toEnd } from "../../toEnd.ts";
import type { Building } from "../building.ts";
import { countedHours } from "../countedHours.ts";
import { type DryingResult, simulateDrying } from "../simulate.ts";
import {
  changesTo,
  doorChangesTo,
  isWithin,
  type Levers,
  poolOf,
  presentSetting,
  type RoomSetting,
  roomSettings,
  type Setting,
  type Switched,
  setTo,
  standing,
} from "./levers.ts";

/**
 * What the moves are for: all rooms walked on soonest, one room, one room `by` so many hours after the start with as little as does it, or
 * all with few machines or little power.
 */
export type Aim =
  | { readonly kind: "all" }
  | { readonly kind: "room"; readonly room: number }
  | { readonly kind: "by"; readonly room: number; readonly hours: number }
  | { readonly kind: "fewest" }
  | { readonly kind: "power" };

/** One lever of a room set otherwise. */
export interface LeverMove {
  readonly room: number;
  readonly lever: keyof RoomSetting;
  /** What it is set to. */
  readonly to: RoomSetting;
  /** Hours later that the aim is reached without it, all other moves made. */
  readonly gain: number;
}

/** Moves that belong together, and when the rooms are ready with all of them. */
export interface JointMoves {
  /** The most gain first. */
  readonly moves: readonly LeverMove[];
  /** Those that were tried and gain too little. */
  readonly notWorth: readonly LeverMove[];
  /** The same as what is switched in the building. */
  readonly switched: Switched;
  /** Hours after each room's finish; null: not within 96 h. */
  readonly touchDry: readonly (number | null)[];
  readonly dry: readonly (number | null)[];
  /** Hours sooner that the aim is reached by all of them; where it isn’t reached at all without, by the water that would be left. */
  readonly gain: number;
}

/** A move that gains less isn't worth the walk, h. */
const WORTH = 10 / 60;
/** A machine must gain so much where few are wanted, h; where they aren't, as much as its carrying (our assumption). */
const MACHINE_COSTS = { fewest: 0.5, by: 0.5, all: 0.02, room: 0.02, power: 0.02 } as const;
/** A kilowatt that runs must gain so much where little power is wanted, h (our assumption). */
const KILOWATT_COSTS = 2;
/** An hour later than asked weighs as much as so many hours of machines. */
const LATENESS = 10;
/** What comes after the hour itself: the other rooms' hours, and furniture back. */
const REST = 0.05;
/** Settings tried one by one before a search takes over. */
const FEW = 400;
/** Settings built at most to see whether they are few. */
const MOST_BUILT = 40_000;
/** Runs of a search at most. */
const MOST_RUNS = 600;
/** Starts that are climbed from, the most promising of them. */
const CLIMBS = 2;
/** Less than this is the integration's error, h. */
const NOISE = 0.01;

interface Tried {
  readonly setting: Setting;
  readonly score: number;
  readonly result: DryingResult;
}

/** Hours after the start at which a room can be walked on, or is dry; beyond 96 h by the water that is left. */
const hoursOf = (
  building: Building,
  { rooms }: DryingResult,
  room: number,
  which: "touchDryHours" | "dryHours",
) => {
  const finished = itemAt(building.rooms, room).finishedAt ?? 0;
  return finished + countedHours(itemAt(rooms, room), which);
};

/** What an aim makes of a result, in hours: less is better. */
function hoursToAim(building: Building, result: DryingResult, aim: Aim): number {
  const all = (which: "touchDryHours" | "dryHours") =>
    building.rooms.map((_, room) => hoursOf(building, result, room, which));
  const touch = all("touchDryHours");
  const mean = touch.reduce((sum, each) => sum + each, 0) / touch.length;
  const rest = REST * (mean + Math.max(...all("dryHours")));
  switch (aim.kind) {
    case "by":
      // What it comes to once the room is in time tips no scale.
      return Math.max(aim.hours, numberAt(touch, aim.room)) + (REST / LATENESS) * rest;
    case "room":
      return numberAt(touch, aim.room) + rest;
    default:
      return Math.max(...touch) + rest;
  }
}

/** W that a setting's machines take, and heating that it turns on. */
function powerOf(setting: Setting, present: Setting, { rooms, airMovers, dehumidifiers }: Levers): number {
  const heated = setting.reduce((sum, { isHeated }, room) => {
    const heating = rooms[room]?.heating;
    const isNew = isHeated && !itemAt(present, room).isHeated;
    return sum + (isNew && heating?.mode === "heated" ? heating.capacity : 0);
  }, 0);
  return (
    heated +
    standing(setting, "movers") * (airMovers?.each.power ?? 0) +
    standing(setting, "dehumidifiers") * (dehumidifiers?.each.power ?? 0)
  );
}

const machines = (setting: Setting) => standing(setting, "movers") + standing(setting, "dehumidifiers");
const key = (setting: Setting) =>
  setting
    .map(
      ({ exchange, isHeated, movers, dehumidifiers, openDoors }) =>
        `${exchange} ${isHeated} ${movers} ${dehumidifiers} ${openDoors}`,
    )
    .join();

/**
 * The settings of all rooms together that reach an aim best, from what there is to move: every one where they are few, else a search
 * from several starts, by one lever, one machine carried over, or two levers of a room at a time. Never worse than leaving all as it
 * is. Yields between two runs.
 */
export function* jointMovesInSteps(
  building: Building,
  levers: Levers,
  aim: Aim,
  /** Settings tried one by one at most. */
  few = FEW,
): Generator<undefined, JointMoves, void> {
  const present = presentSetting(building, levers);
  const known = new Map<string, Tried>();
  const costOf = (setting: Setting) =>
    MACHINE_COSTS[aim.kind] * machines(setting) +
    (aim.kind === "power" ? (KILOWATT_COSTS * powerOf(setting, present, levers)) / 1000 : 0);
  const attempt = (setting: Setting): Tried => {
    const id = key(setting);
    const before = known.get(id);
    if (before) return before;
    const result = simulateDrying(setTo(building, levers, present, setting), { isSample: true });
    const score = (aim.kind === "by" ? LATENESS : 1) * hoursToAim(building, result, aim) + costOf(setting);
    const tried = { setting, score, result };
    known.set(id, tried);
    return tried;
  };
  const asIs = attempt(present);
  let best = asIs;
  const every = everySetting(levers, present, few);
  if (every) {
    for (const setting of every) {
      const tried = attempt(setting);
      if (tried.score < best.score) best = tried;
      yield;
    }
  } else {
    const starts: Tried[] = [];
    const pool = poolOf(levers, present);
    for (const start of startsFrom(levers, present).filter((each) => isWithin(pool, each))) {
      starts.push(attempt(start));
      yield;
    }
    const promising = starts.toSorted((a, b) => a.score - b.score).slice(0, CLIMBS);
    for (const [i, start] of promising.entries()) {
      const share = (MOST_RUNS * (i + 1)) / promising.length;
      const around = (setting: Setting) => neighbours(levers, setting).filter((each) => isWithin(pool, each));
      const found = yield* climb(start, around, attempt, () => known.size < share);
      if (found.score < best.score) best = found;
    }
  }
  return yield* explained(building, levers, aim, { present, asIs, best, attempt });
}

/** {@link jointMovesInSteps} to its end. */
export const jointMoves = (building: Building, levers: Levers, aim: Aim, few?: number): JointMoves =>
  toEnd(jointMovesInSteps(building, levers, aim, few));

/** All settings there are, where they are few enough to try each. */
function everySetting(levers: Levers, present: Setting, few: number): Setting[] | undefined {
  let all: Setting[] = [[]];
  const pool = poolOf(levers, present);
  for (let room = 0; room < present.length; room++) {
    const now = itemAt(present, room);
    // All gear there is may come to this room.
    const own = roomSettings(levers, room, now, {
      movers: pool.movers - now.movers,
      dehumidifiers: pool.dehumidifiers - now.dehumidifiers,
    });
    if (all.length * own.length > MOST_BUILT) return undefined;
    all = all
      .flatMap((setting) => own.map((each) => [...setting, each]))
      .filter((setting) => isWithin(pool, setting));
    if (all.length > few) return undefined;
  }
  return all;
}

/** Where a search begins: as it is, and with all windows set alike, heated, and the gear spread. */
function startsFrom(levers: Levers, present: Setting): Setting[] {
  const widths = levers.rooms.map(({ windows }) => windows.toSorted((a, b) => a - b));
  const places = Math.max(...widths.map(({ length }) => length));
  const spread = (exchange: (room: number) => number, areDoorsOpen = false): Setting => {
    let movers = levers.airMovers?.count ?? 0;
    let dehumidifiers = levers.dehumidifiers?.count ?? 0;
    return present.map((now, room) => {
      const choices = itemAt(levers.rooms, room);
      const takes = choices.takesMovers && levers.airMovers ? Math.min(1, movers) : now.movers;
      const dries = levers.dehumidifiers ? Math.min(1, dehumidifiers) : now.dehumidifiers;
      movers -= takes;
      dehumidifiers -= dries;
      return {
        exchange: exchange(room),
        isHeated: now.isHeated || choices.heating !== undefined,
        movers: takes,
        dehumidifiers: dries,
        openDoors: areDoorsOpen ? (1 << (choices.doors?.length ?? 0)) - 1 : now.openDoors,
      };
    });
  };
  const hasDoors = levers.rooms.some(({ doors = [] }) => doors.length > 0);
  return [
    present,
    ...Array.from(
      { length: places },
      (_, place) => (room: number) => widths[room]?.[place] ?? itemAt(present, room).exchange,
    ).flatMap((exchange) => [spread(exchange), ...(hasDoors ? [spread(exchange, true)] : [])]),
  ];
}

/** Takes the best neighbour of those that touch the room that is last, or of all where none of them is better, until none is. */
function* climb(
  from: Tried,
  around: (setting: Setting) => Setting[],
  attempt: (setting: Setting) => Tried,
  mayGoOn: () => boolean,
): Generator<undefined, Tried, void> {
  let best = from;
  for (;;) {
    const last = lastRoom(best.result);
    const all = around(best.setting);
    const touches = (setting: Setting) => setting[last] !== best.setting[last];
    let next = best;
    for (const group of [all.filter(touches), all.filter((setting) => !touches(setting))]) {
      for (const setting of group) {
        if (!mayGoOn()) return next;
        const tried = attempt(setting);
        if (tried.score < next.score - NOISE) next = tried;
        yield;
      }
      if (next !== best) break;
    }
    if (next === best) return best;
    best = next;
  }
}

/** The room that takes longest to walk on. */
function lastRoom({ rooms }: DryingResult): number {
  const hours = rooms.map((room) => countedHours(room, "touchDryHours"));
  return hours.indexOf(Math.max(...hours));
}

/** One door at most. */
const isOneBit = (bits: number) => (bits & (bits - 1)) === 0;

/** Settings one lever away, two levers of one room away, or one machine carried from room to room. */
function neighbours(levers: Levers, setting: Setting): Setting[] {
  const left = {
    movers: Math.max(0, (levers.airMovers?.count ?? 0) - standing(setting, "movers")),
    dehumidifiers: Math.max(0, (levers.dehumidifiers?.count ?? 0) - standing(setting, "dehumidifiers")),
  };
  const near = (now: RoomSetting, next: RoomSetting) =>
    Math.abs(next.movers - now.movers) + Math.abs(next.dehumidifiers - now.dehumidifiers) <= 1 &&
    isOneBit(next.openDoors ^ now.openDoors);
  const oneRoom = setting.flatMap((now, room) =>
    roomSettings(levers, room, now, left)
      .filter((next) => near(now, next) && leversMoved(now, next) > 0 && leversMoved(now, next) <= 2)
      // A door is turned by itself: with every other lever there would be no end.
      .filter((next) => next.openDoors === now.openDoors || leversMoved(now, next) === 1)
      .map((next) => setting.with(room, next)),
  );
  const carried = (["movers", "dehumidifiers"] as const).flatMap((kind) =>
    setting.flatMap((from, a) =>
      setting.flatMap((to, b) => {
        const { takesMovers, mostMovers } = itemAt(levers.rooms, b);
        const fits = kind === "dehumidifiers" || (takesMovers && to.movers < mostMovers);
        if (a === b || from[kind] === 0 || !fits) return [];
        if (kind === "movers" && !itemAt(levers.rooms, a).takesMovers) return [];
        return [
          setting.with(a, { ...from, [kind]: from[kind] - 1 }).with(b, { ...to, [kind]: to[kind] + 1 }),
        ];
      }),
    ),
  );
  const allWindows = [...new Set(levers.rooms.flatMap(({ windows }) => windows))].map((exchange) =>
    setting.map((now, room) =>
      itemAt(levers.rooms, room).windows.includes(exchange) ? { ...now, exchange } : now,
    ),
  );
  return [...oneRoom, ...carried, ...allWindows];
}

const LEVERS = ["exchange", "isHeated", "movers", "dehumidifiers", "openDoors"] as const;
const leversMoved = (a: RoomSetting, b: RoomSetting) =>
  LEVERS.filter((lever) => a[lever] !== b[lever]).length;

interface Found {
  readonly present: Setting;
  readonly asIs: Tried;
  readonly best: Tried;
  readonly attempt: (setting: Setting) => Tried;
}

/** The best setting as moves, without those that gain next to nothing; each with what is lost by leaving it out. */
function* explained(
  building: Building,
  levers: Levers,
  aim: Aim,
  { present, asIs, best, attempt }: Found,
): Generator<undefined, JointMoves, void> {
  const hours = ({ result }: Tried) => hoursToAim(building, result, aim);
  let setting = best.setting;
  const notWorth: LeverMove[] = [];
  const differences = () =>
    setting.flatMap((to, room) =>
      LEVERS.filter((lever) => to[lever] !== itemAt(present, room)[lever]).map((lever) => ({
        room,
        lever,
        to,
      })),
    );
  const without = ({ room, lever }: { readonly room: number; readonly lever: keyof RoomSetting }) =>
    setting.with(room, { ...itemAt(setting, room), [lever]: itemAt(present, room)[lever] });
  const pool = poolOf(levers, present);
  const isPossible = (next: Setting) => isWithin(pool, next);
  for (;;) {
    const now = hours(attempt(setting));
    const moves: LeverMove[] = [];
    for (const difference of differences()) {
      const left = without(difference);
      moves.push({ ...difference, gain: isPossible(left) ? hours(attempt(left)) - now : 0 });
      yield;
    }
    const least = moves
      .filter(({ room, lever }) => isPossible(without({ room, lever })))
      .toSorted((a, b) => a.gain - b.gain)[0];
    if (least && least.gain < WORTH) {
      notWorth.push(least);
      setting = without(least);
      continue;
    }
    const end = attempt(setting);
    const gain = hours(asIs) - hours(end);
    // Moves that gain only together with one that was left out may be worse than none by now.
    const isBetter = moves.length > 0 && gain >= WORTH;
    const { rooms } = (isBetter ? end : asIs).result;
    return {
      moves: isBetter ? moves.toSorted((a, b) => b.gain - a.gain) : [],
      switched: {
        changes: isBetter ? changesTo(building, levers, present, setting) : [],
        doorChanges: isBetter ? doorChangesTo(levers, present, setting) : [],
      },
      notWorth: notWorth.filter((each) => each.gain > 0),
      touchDry: rooms.map(({ touchDryHours }) => touchDryHours),
      dry: rooms.map(({ dryHours }) => dryHours),
      gain: isBetter ? gain : 0,
    };
  }
}
