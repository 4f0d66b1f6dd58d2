import {
  type Departure,
  type JointMoves,
  type LeverMove,
  outdoorAirAt,
  type Windows,
} from "@scutch/core/drying";
import type { WorkPlan } from "@scutch/core/plan";
import { moisterBy } from "@scutch/core/weather";
import { hoursAndMinutes } from "../../format/time.ts";
import { windowsFor } from "../../planning/dryingGear.ts";
import type { RoomDoor } from "../../planning/roomDoors.ts";
import { turnedDoors } from "./changesFor.ts";

/** A move as a line: what to do, why, and how much later the rooms are ready without it. */
export interface MoveLine {
  readonly key: string;
  readonly what: string;
  readonly why: string;
  readonly gain: string;
}

/** Where moves are made. */
export interface Placed {
  readonly work: WorkPlan;
  readonly departure: Departure | undefined;
  /** After the start, from which on they are made. */
  readonly hours: number;
  /** By the rooms’ places. */
  readonly doors: readonly (readonly RoomDoor[])[];
  /** What stands in the rooms now. */
  readonly standing: readonly {
    readonly movers: number;
    readonly dehumidifiers: number;
    /** With outdoors, 1/h. */
    readonly exchange: number;
  }[];
}

/** What to do with windows that are open further now, and with those that aren’t. */
const WINDOWS_DO: Readonly<Record<"closing" | "opening", Readonly<Record<Windows, string>>>> = {
  closing: {
    shut: "Close the windows",
    ajar: "Close the windows but for one ajar",
    "one-open": "Close all windows but one",
    "cross-ventilated": "Leave windows open on both sides",
  },
  opening: {
    shut: "Keep the windows closed",
    ajar: "Set a window ajar",
    "one-open": "Open one window",
    "cross-ventilated": "Open windows on both sides",
  },
};

/** Hours as a gain, to five minutes. */
export const gainText = (hours: number) =>
  hours > A_DAY ? "over a day" : hoursAndMinutes(Math.max(1, Math.round(hours * 12)) / 12);
const A_DAY = 24;

/** Whether outdoor air holds less water than the room’s did before cleaning. */
function isDrierOutside({ building, rooms }: WorkPlan, room: number, hours: number): boolean {
  const inside = rooms[room]?.air;
  const outdoor = outdoorAirAt(building, hours);
  return !inside || !outdoor || moisterBy(outdoor, inside, building.pressure) < 0;
}

function lineOf(
  { room, lever, to }: LeverMove,
  { work, departure, standing, hours, doors }: Placed,
): Omit<MoveLine, "key" | "gain"> {
  const name = work.rooms[room]?.name ?? "";
  if (lever === "exchange") {
    const windows = windowsFor(to.exchange, departure, room);
    const drier = isDrierOutside(work, room, hours);
    const closing = to.exchange < (standing[room]?.exchange ?? to.exchange);
    return {
      what: `${WINDOWS_DO[closing ? "closing" : "opening"][windows]} in ${name}.`,
      why: drier
        ? closing
          ? "Wide open, the room gets too cold to dry."
          : "The outdoor air is drier."
        : closing
          ? "The outdoor air is damper."
          : "The room’s air would get damper than the outdoor air.",
    };
  }
  if (lever === "isHeated")
    return {
      what: `Turn the heating on in ${name}.`,
      why: "The room is too cold for its air to hold much moisture.",
    };
  if (lever === "openDoors") return doorLine(name, turnedDoors(doors[room] ?? [], to.openDoors));
  const kind = lever === "movers" ? "air mover" : "dehumidifier";
  const change = to[lever] - (standing[room]?.[lever] ?? 0);
  const count = Math.abs(change);
  const gear = count === 1 ? `${kind === "air mover" ? "an" : "a"} ${kind}` : `${count} ${kind}s`;
  return change < 0
    ? { what: `Take ${gear} out of ${name}.`, why: "It helps more elsewhere." }
    : {
        what: `Put ${gear} in ${name}.`,
        why:
          lever === "movers" ? "Too little air moves over the carpet." : "It takes the water out of the air.",
      };
}

function doorLine(name: string, turned: readonly RoomDoor[]): Omit<MoveLine, "key" | "gain"> {
  const named = (isShut: boolean) =>
    turned.filter((door) => door.isShut === isShut).map(({ other }) => other);
  const [toOpen, toClose] = [named(true), named(false)];
  const doorsTo = (others: readonly string[]) =>
    `the ${others.length === 1 ? "door" : "doors"} between ${name} and ${others.join(", ")}`;
  return {
    what: [
      ...(toOpen.length > 0 ? [`Open ${doorsTo(toOpen)}.`] : []),
      ...(toClose.length > 0 ? [`Close ${doorsTo(toClose)}.`] : []),
    ].join(" "),
    why: toClose.length > 0 ? "It keeps damp air out." : "Drier air gets in.",
  };
}

/** Moves as lines; what is done alike in several rooms is one line. */
export function moveLines(moves: JointMoves["moves"], placed: Placed): MoveLine[] {
  const lines = new Map<
    string,
    { readonly line: ReturnType<typeof lineOf>; readonly rooms: string[]; gain: number }
  >();
  for (const move of moves) {
    const line = lineOf(move, placed);
    const name = placed.work.rooms[move.room]?.name ?? "";
    const isShared = move.lever === "exchange" || move.lever === "isHeated";
    const key = isShared
      ? `${line.what.replace(` in ${name}.`, "")} ${line.why}`
      : `${move.room} ${move.lever}`;
    const before = lines.get(key);
    if (before) {
      before.rooms.push(name);
      before.gain = Math.max(before.gain, move.gain);
    } else lines.set(key, { line, rooms: [name], gain: move.gain });
  }
  const carried = carriedLines(moves, placed);
  const others = [...lines]
    .filter(([key]) => !carried.has(key))
    .map(([key, { line, rooms, gain }]) => {
      const [first = ""] = rooms;
      const isAll =
        rooms.length > 1 && rooms.length === placed.work.rooms.filter(({ passage }) => !passage).length;
      const where = isAll ? " in every room." : ` in ${rooms.join(", ")}.`;
      const what = rooms.length > 1 ? line.what.replace(` in ${first}.`, where) : line.what;
      return { key, what, why: line.why, gain: gainText(gain) };
    });
  return [...new Set([...carried.values()]), ...others];
}

/** Machines that go from one room to one other, as one line for both moves; by the keys of those. */
function carriedLines(moves: JointMoves["moves"], { work, standing }: Placed): Map<string, MoveLine> {
  const lines = new Map<string, MoveLine>();
  for (const lever of ["movers", "dehumidifiers"] as const) {
    const own = moves.filter((move) => move.lever === lever);
    const more = ({ room, to }: LeverMove) => to[lever] - (standing[room]?.[lever] ?? 0);
    const [out, into] = [own.filter((move) => more(move) < 0), own.filter((move) => more(move) > 0)];
    const [from, to] = [out[0], into[0]];
    if (!from || !to || out.length > 1 || into.length > 1 || more(from) !== -more(to)) continue;
    const kind = lever === "movers" ? "air mover" : "dehumidifier";
    const gear = more(to) === 1 ? `the ${kind}` : `${more(to)} ${kind}s`;
    const name = ({ room }: LeverMove) => work.rooms[room]?.name ?? "";
    const line: MoveLine = {
      key: `${lever} ${from.room} ${to.room}`,
      what: `Carry ${gear} from ${name(from)} to ${name(to)}.`,
      why: "It helps more there.",
      gain: gainText(Math.max(from.gain, to.gain)),
    };
    for (const { room } of [from, to]) lines.set(`${room} ${lever}`, line);
  }
  return lines;
}

/** What stands in the rooms once moves are made. */
export const standingAfter = (standing: Placed["standing"], moves: JointMoves["moves"]): Placed["standing"] =>
  standing.map((before, room) => {
    // Every move of a room tells all of its new setting.
    const to = moves.find((move) => move.room === room)?.to;
    return to ? { movers: to.movers, dehumidifiers: to.dehumidifiers, exchange: to.exchange } : before;
  });
