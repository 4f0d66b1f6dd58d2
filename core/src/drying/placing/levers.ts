import { itemAt } from "../../itemAt.ts";
import {
  type AirMover,
  type Building,
  type Change,
  type Climate,
  type DoorChange,
  OPEN_DOOR_FLOW,
  type RoomSettings,
} from "../building.ts";

/** Gear of one kind that can stand in any room: how much of it there is, what stands already counted in. */
export interface Pool<T> {
  readonly each: T;
  readonly count: number;
}

/** A dehumidifier: litres a day at 26.7 °C and 60 %, and W of electricity it turns into heat. */
export interface Dehumidifier {
  readonly litresPerDay: number;
  readonly power: number;
}

/** What can be set in a room. */
export interface RoomChoices {
  /** Exchanges with outdoors that its windows give, 1/h. */
  readonly windows: readonly number[];
  /** Its heating, where that can be turned on. */
  readonly heating?: Climate;
  /** false: its air speed was measured, so air movers would not show. */
  readonly takesMovers: boolean;
  /** Air movers at most. */
  readonly mostMovers: number;
  /** Doors that can be opened and closed, by their places among the building's links; each belongs to one room. */
  readonly doors?: readonly number[];
}

/** All there is to move. */
export interface Levers {
  /** By the building's rooms. */
  readonly rooms: readonly RoomChoices[];
  readonly airMovers?: Pool<AirMover>;
  readonly dehumidifiers?: Pool<Dehumidifier>;
  /** A each machine takes, and what all of them may take together; no limit where absent. */
  readonly electric?: { readonly mover: number; readonly dehumidifier: number; readonly most: number };
  /** Hours after the start from which a setting holds. */
  readonly from: number;
}

/** How a room is set; the same numbers as in {@link RoomSettings}. */
export interface RoomSetting {
  readonly exchange: number;
  readonly isHeated: boolean;
  readonly movers: number;
  readonly dehumidifiers: number;
  /** Which of its doors stand open, a bit each in the order of {@link RoomChoices.doors}. */
  readonly openDoors: number;
}

/** Every room's setting, in order. */
export type Setting = readonly RoomSetting[];

/** What holds in a room at an hour: as it began and as it was changed until then. */
export function settingsAt(building: Building, room: number, hours: number): RoomSettings {
  const changes = (building.changes ?? [])
    .filter((change) => change.room === room && change.hours <= hours)
    .toSorted((a, b) => a.hours - b.hours)
    .map(({ hours: _, room: __, ...change }) => change);
  return Object.assign({ ...itemAt(building.rooms, room) }, ...changes) as RoomSettings;
}

/** Whether a door stands open at an hour. */
function isOpenAt({ links = [], doorChanges = [] }: Building, link: number, hours: number): boolean {
  const last = doorChanges
    .filter((change) => change.link === link && change.hours <= hours)
    .toSorted((a, b) => a.hours - b.hours)
    .at(-1);
  return (last?.flow ?? links[link]?.flow ?? 0) > 0;
}

/** How a building is set at the hour its levers are moved. */
export function presentSetting(building: Building, { rooms, dehumidifiers, from }: Levers): Setting {
  return building.rooms.map((_, room) => {
    const {
      outdoorAirChangesPerHour,
      climate,
      airMovers = [],
      dehumidifierLitresPerDay = 0,
    } = settingsAt(building, room, from);
    const each = dehumidifiers?.each.litresPerDay ?? Number.POSITIVE_INFINITY;
    return {
      exchange: outdoorAirChangesPerHour,
      isHeated: climate?.mode !== "floating",
      movers: airMovers.length,
      dehumidifiers: Math.round(dehumidifierLitresPerDay / each),
      openDoors: (rooms[room]?.doors ?? []).reduce(
        (bits, link, bit) => (isOpenAt(building, link, from) ? bits | (1 << bit) : bits),
        0,
      ),
    };
  });
}

/** What is switched at the levers' hour for rooms to be set otherwise; what stays as it is keeps its own figures. */
export function changesTo(building: Building, levers: Levers, present: Setting, next: Setting): Change[] {
  const { airMovers, dehumidifiers, from } = levers;
  return next.flatMap((setting, room): Change[] => {
    const before = itemAt(present, room);
    const heating = levers.rooms[room]?.heating;
    const standing = settingsAt(building, room, from).airMovers ?? [];
    const mover = airMovers?.each;
    const change: Partial<RoomSettings> = {
      ...(setting.exchange === before.exchange ? {} : { outdoorAirChangesPerHour: setting.exchange }),
      ...(setting.isHeated === before.isHeated || !setting.isHeated || !heating ? {} : { climate: heating }),
      ...(setting.movers === before.movers || !mover
        ? {}
        : { airMovers: Array.from({ length: setting.movers }, (_, i) => standing[i] ?? mover) }),
      ...(setting.dehumidifiers === before.dehumidifiers || !dehumidifiers
        ? {}
        : {
            dehumidifierLitresPerDay: setting.dehumidifiers * dehumidifiers.each.litresPerDay,
            dehumidifierPower: setting.dehumidifiers * dehumidifiers.each.power,
          }),
    };
    return Object.keys(change).length > 0 ? [{ hours: from, room, ...change }] : [];
  });
}

/** Doors opened and closed for rooms to be set otherwise. */
export function doorChangesTo({ rooms, from }: Levers, present: Setting, next: Setting): DoorChange[] {
  return next.flatMap((setting, room) => {
    const turned = setting.openDoors ^ itemAt(present, room).openDoors;
    return (rooms[room]?.doors ?? []).flatMap((link, bit): DoorChange[] =>
      turned & (1 << bit)
        ? [{ hours: from, link, flow: setting.openDoors & (1 << bit) ? OPEN_DOOR_FLOW : 0 }]
        : [],
    );
  });
}

/** A building with more switched in it. */
export function withSwitched(building: Building, { changes, doorChanges }: Switched): Building {
  return {
    ...building,
    ...(changes.length > 0 ? { changes: [...(building.changes ?? []), ...changes] } : {}),
    ...(doorChanges.length > 0 ? { doorChanges: [...(building.doorChanges ?? []), ...doorChanges] } : {}),
  };
}

/** What is switched in a building. */
export interface Switched {
  readonly changes: readonly Change[];
  readonly doorChanges: readonly DoorChange[];
}

/** A building whose rooms are set otherwise from the levers' hour on. */
export const setTo = (building: Building, levers: Levers, present: Setting, next: Setting): Building =>
  withSwitched(building, {
    changes: changesTo(building, levers, present, next),
    doorChanges: doorChangesTo(levers, present, next),
  });

/** Count of one kind of gear in all rooms. */
export const standing = (setting: Setting, kind: "movers" | "dehumidifiers"): number =>
  setting.reduce((sum, room) => sum + room[kind], 0);

interface GearCount {
  readonly movers: number;
  readonly dehumidifiers: number;
}

/** What all gear together may come to. */
interface GearPool extends GearCount {
  /** A that a setting takes is no more than this. */
  readonly amps: number;
  readonly ampsOf: (setting: Setting) => number;
}

/** All gear there is, of the van, or what stands already where that is more; and what may run at once. */
export function poolOf({ airMovers, dehumidifiers, electric }: Levers, present: Setting): GearPool {
  const ampsOf = (setting: Setting) =>
    electric
      ? electric.mover * standing(setting, "movers") +
        electric.dehumidifier * standing(setting, "dehumidifiers")
      : 0;
  return {
    movers: Math.max(airMovers?.count ?? 0, standing(present, "movers")),
    dehumidifiers: Math.max(dehumidifiers?.count ?? 0, standing(present, "dehumidifiers")),
    amps: Math.max(electric?.most ?? 0, ampsOf(present)),
    ampsOf,
  };
}

export const isWithin = (pool: GearPool, setting: Setting): boolean =>
  standing(setting, "movers") <= pool.movers &&
  standing(setting, "dehumidifiers") <= pool.dehumidifiers &&
  pool.ampsOf(setting) <= pool.amps;

/** Settings of one room that some gear to spare allows. */
export function roomSettings(levers: Levers, room: number, now: RoomSetting, left: GearCount): RoomSetting[] {
  const choices = itemAt(levers.rooms, room);
  const upTo = (most: number) => Array.from({ length: Math.max(0, most) + 1 }, (_, i) => i);
  const movers = choices.takesMovers
    ? upTo(Math.min(Math.max(choices.mostMovers, now.movers), now.movers + left.movers))
    : [now.movers];
  const dehumidifiers = levers.dehumidifiers
    ? upTo(now.dehumidifiers + left.dehumidifiers)
    : [now.dehumidifiers];
  const doorSets = Array.from({ length: 1 << (choices.doors?.length ?? 0) }, (_, bits) => bits);
  const exchanges = [...new Set([now.exchange, ...choices.windows])];
  const heats = now.isHeated || !choices.heating ? [now.isHeated] : [false, true];
  return exchanges.flatMap((exchange) =>
    heats.flatMap((isHeated) =>
      movers.flatMap((count) =>
        dehumidifiers.flatMap((each) =>
          doorSets.map((openDoors) => ({
            exchange,
            isHeated,
            movers: count,
            dehumidifiers: each,
            openDoors,
          })),
        ),
      ),
    ),
  );
}
