import { within } from "../guard.ts";
import type { Air, Building } from "./building.ts";
import { DRYING_LIMITS } from "./limits.ts";

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
