import { within } from "../guard.ts";
import type { Air, Building } from "./building.ts";

/** What the drying equations are good for; the contract takes its limits from here. SI, fractions, hours. */
export const DRYING_LIMITS = {
  temperature: [-10, 50],
  relativeHumidity: [0.01, 1],
  area: [0.1, 9999],
  height: [1, 30],
  outdoorAirChangesPerHour: [0, 60],
  faceWeight: [0.1, 5],
  pileHeight: [0.001, 0.05],
  residual: [0, 5],
  airSpeed: [0, 7],
  flow: [0, 10],
  jetSpeed: [0, 40],
  dehumidifierLitresPerDay: [0, 1000],
  finishedAt: [0, 48],
  rooms: [1, 60],
  airChangesPerHour: [0, 30],
  apparatusDewPoint: [1, 25],
  share: [0, 1],
} as const satisfies Record<string, readonly [number, number]>;

type Limited = keyof typeof DRYING_LIMITS;

function check(quantity: Limited, value: number): void {
  within(quantity, value, DRYING_LIMITS[quantity][0], DRYING_LIMITS[quantity][1]);
}

function checkAir(air: Air): void {
  check("temperature", air.temperature);
  check("relativeHumidity", air.relativeHumidity);
}

/** Throws OutOfRange, naming the quantity, where a building lies outside {@link DRYING_LIMITS}. */
export function checkBuilding(building: Building): void {
  check("rooms", building.rooms.length);
  checkAir(building.outdoor);
  for (const room of building.rooms) {
    checkAir(room);
    check("area", room.area);
    check("height", room.height);
    check("outdoorAirChangesPerHour", room.outdoorAirChangesPerHour);
    check("faceWeight", room.faceWeight);
    check("pileHeight", room.pileHeight);
    check("residual", room.residual);
    check("finishedAt", room.finishedAt ?? 0);
    check("dehumidifierLitresPerDay", room.dehumidifierLitresPerDay ?? 0);
    if (room.airSpeed !== undefined) check("airSpeed", room.airSpeed);
    for (const mover of room.airMovers ?? []) {
      check("flow", mover.flow);
      check("jetSpeed", mover.jetSpeed);
    }
  }
  for (const link of building.links ?? []) {
    within("link end", link.a, 0, building.rooms.length - 1);
    within("link end", link.b, 0, building.rooms.length - 1);
    check("flow", link.flow);
  }
}
