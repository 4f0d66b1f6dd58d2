import { OutOfRange, requireInRange } from "../guard.ts";
import type { Air, Building, RoomSettings } from "./building.ts";
import { DRYING_LIMITS } from "./limits.ts";

type Limited = keyof typeof DRYING_LIMITS;

function check(quantity: Limited, value: number | undefined): void {
  if (value !== undefined)
    requireInRange(quantity, value, DRYING_LIMITS[quantity][0], DRYING_LIMITS[quantity][1]);
}

function checkAir(air: Air): void {
  check("temperature", air.temperature);
  check("relativeHumidity", air.relativeHumidity);
}

function checkOutdoorAir(air: Air): void {
  check("outdoorTemperature", air.temperature);
  check("relativeHumidity", air.relativeHumidity);
}

function checkSettings(settings: Partial<RoomSettings>): void {
  check("outdoorAirChangesPerHour", settings.outdoorAirChangesPerHour);
  check("airSpeed", settings.airSpeed);
  check("dehumidifierLitresPerDay", settings.dehumidifierLitresPerDay);
  check("power", settings.dehumidifierPower);
  for (const mover of settings.airMovers ?? []) {
    check("flow", mover.flow);
    check("jetSpeed", mover.jetSpeed);
    check("power", mover.power);
  }
  if (settings.climate?.mode === "heated") {
    check("temperature", settings.climate.setpoint);
    check("capacity", settings.climate.capacity);
  }
}

/** A coil's cold isn't reckoned, so it belongs only to rooms whose temperature is held. */
export function coilNeedsHeld({ hvac, rooms, changes = [] }: Building): boolean {
  if (hvac?.coil === undefined) return false;
  return [...rooms, ...changes].some(({ climate }) => climate !== undefined && climate.mode !== "held");
}

/** Throws OutOfRange, naming the quantity, where a building lies outside {@link DRYING_LIMITS}. */
export function checkBuilding(building: Building): void {
  const { rooms, outdoor, weather, changes = [], links = [], doorChanges = [] } = building;
  check("rooms", rooms.length);
  check("pressure", building.pressure);
  if (outdoor !== undefined) checkOutdoorAir(outdoor);
  if (weather !== undefined || outdoor === undefined) check("weather", weather?.length ?? 0);
  weather?.forEach((point, i) => {
    checkOutdoorAir(point);
    requireInRange("weather hours", point.hours, weather[i - 1]?.hours ?? 0, DRYING_LIMITS.hours[1]);
  });
  for (const room of rooms) {
    checkAir(room);
    checkSettings(room);
    check("area", room.area);
    check("height", room.height);
    check("faceWeight", room.faceWeight);
    check("pileHeight", room.pileHeight);
    check("residual", room.residual);
    check("finishedAt", room.finishedAt ?? 0);
    requireInRange("airMoversFrom", room.airMoversFrom ?? 0, ...DRYING_LIMITS.finishedAt);
    check("envelopeConductance", room.envelopeConductance);
    check("heatCapacity", room.heatCapacity);
  }
  check("changes", changes.length);
  for (const change of changes) {
    requireInRange("change's room", change.room, 0, rooms.length - 1);
    check("hours", change.hours);
    checkSettings(change);
  }
  for (const link of links) {
    requireInRange("link end", link.a, 0, rooms.length - 1);
    requireInRange("link end", link.b, 0, rooms.length - 1);
    check("flow", link.flow);
  }
  check("changes", doorChanges.length);
  for (const change of doorChanges) {
    requireInRange("change's door", change.link, 0, links.length - 1);
    check("hours", change.hours);
    check("flow", change.flow);
  }
  if (coilNeedsHeld(building))
    throw new OutOfRange("rooms with a cooling coil whose temperature isn't held", 1, 0, 0);
}
