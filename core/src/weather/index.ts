export { type OutdoorAir, outdoorAirOver, type WeatherPoint } from "./outdoorAir.ts";
