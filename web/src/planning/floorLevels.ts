import type { Job } from "@scutch/contract";
import { boundingBox, type Point } from "@scutch/core/floor";
import { floorOf } from "./floorPlan.ts";

/** A plan of more levels is drawn level by level, the upper ones to the right. */
const BETWEEN = 1.5;

/** An outline as an SVG path. */
export const outlinePath = (points: readonly Point[]): string =>
  `M${points.map(({ x, y }) => `${x} ${y}`).join("L")}Z`;

/** Every level beside the other, with the door each room is left by. */
export function placeLevels(job: Job) {
  const floor = floorOf(job);
  const levels = [...new Set(floor.rooms.map(({ level }) => level))].toSorted((a, b) => a - b);
  let shift = 0;
  const rooms: { id: string; name: string; passage: boolean; outline: readonly Point[] }[] = [];
  const exits = new Map<string, Point>();
  for (const level of levels) {
    const own = floor.rooms.filter((room) => room.level === level);
    const box = boundingBox(own.flatMap(({ outline }) => outline));
    const move = ({ x, y }: Point): Point => ({ x: x - box.left + shift, y: y - box.top });
    for (const { id, outline } of own) {
      const room = job.rooms.find((each) => each.id === id);
      rooms.push({ id, name: room?.name ?? "", passage: room?.passage ?? false, outline: outline.map(move) });
    }
    for (const door of floor.doors.filter((each) => each.level === level)) {
      const said = job.doors?.find(({ id }) => id === door.id);
      if (!said) continue;
      // A room is left by its door out, else by the one to the room that is worked later.
      for (const roomId of [said.from, said.to]) {
        if (roomId === undefined) continue;
        const other = said.to === undefined ? undefined : roomId === said.from ? said.to : said.from;
        const place = (id: string | undefined) => job.rooms.findIndex((room) => room.id === id);
        if (other === undefined || (!exits.has(roomId) && place(other) > place(roomId)))
          exits.set(roomId, move(door.at));
      }
    }
    shift += box.width + BETWEEN;
  }
  return {
    rooms,
    exits,
    box: boundingBox(rooms.length > 0 ? rooms.flatMap(({ outline }) => outline) : [{ x: 0, y: 0 }]),
  };
}
