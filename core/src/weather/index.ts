export {
  type EpwFault,
  type EpwFile,
  type EpwHour,
  type EpwPlace,
  epwBetween,
  readEpw,
  type WeatherMoment,
} from "./epw.ts";
export { type OutdoorAir, outdoorAirOver, type WeatherPoint } from "./outdoorAir.ts";
export { moisterBy, outdoorAt, weatherSeries } from "./weatherSeries.ts";
