import { outdoorAt } from "../weather/index.ts";
import type { Air, Building } from "./building.ts";

/** Air outdoors of a building at an hour after the start, °C and 0…1. */
export function outdoorAirAt({ outdoor, weather, pressure }: Building, hours: number): Air | undefined {
  return weather && weather.length > 0 ? outdoorAt(weather, hours, pressure) : outdoor;
}

/** The coldest it gets outdoors, °C. */
export const coldestOutdoors = ({ outdoor, weather = [] }: Building): number | undefined =>
  weather.length > 0 ? Math.min(...weather.map(({ temperature }) => temperature)) : outdoor?.temperature;
