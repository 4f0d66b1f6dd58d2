export {
  type AirReading,
  type Doubt,
  type DoubtfulReading,
  type Meter,
  type MeterReading,
  NOISE,
  POINTS_METER,
  type Reading,
} from "./readings.ts";
export { type Refit, type RefitOptions, refit, refitInSteps } from "./refit.ts";
