export {
  GRAINS_PER_POUND,
  HUMIDITY_RATIO_FACTOR,
  humidityRatioFromRelativeHumidity,
  humidityRatioFromVapourPressure,
  relativeHumidityFromHumidityRatio,
  vapourPressureFromHumidityRatio,
} from "./humidityRatio.ts";
export {
  airFromRelativeHumidity,
  dewPoint,
  enthalpy,
  type MoistAir,
  specificVolume,
  vapourPressureDeficit,
  wetBulb,
} from "./moistAir.ts";
export { pressureAtElevation, SEA_LEVEL_PRESSURE } from "./pressure.ts";
export { SaturatedVapour } from "./saturatedVapour.ts";
export { dewPointFromVapourPressure, saturationPressure } from "./saturation.ts";
export { saturatedVapourDensity, vapourDensity } from "./vapourDensity.ts";
