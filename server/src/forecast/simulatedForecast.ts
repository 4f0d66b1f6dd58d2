import { isSouthern, utcOffset } from "@scutch/contract";
import { saturationPressure } from "@scutch/core/air";
import { seededRandom } from "@scutch/core/numeric";
import type { ForecastPlace, ForecastService } from "./forecastService.ts";

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const YEAR = 365.25 * DAY;
/** Hours told at once, and how far off the first may be. */
const HOURS_TOLD = 96;
const REACHES = { back: DAY, ahead: 7 * DAY } as const;
/** A mild climate (invented): °C. */
const MEAN = 11;
const SEASON = 8;
const DAILY = 4;
const WEATHER = 3;
/** The warmest day is so long after midwinter, the warmest hour at three in the afternoon. */
const WARMEST_DAY = 200 / 365.25;
const WARMEST_HOUR = 15;
/** K below the day's mean at which dew falls, give or take. */
const DEW_BELOW = { mean: 4, swing: 2.5 } as const;
/** Fronts pass every few days. */
const FRONTS = [3.1 * DAY, 5.3 * DAY] as const;
/** K a kilometre up (standard atmosphere). */
const LAPSE = 6.5;

const turn = (share: number) => Math.cos(2 * Math.PI * share);

/** Air outdoors at a place and moment: season, hour and fronts, the same each time it is asked. */
function airAt({ id, zone, elevation = 0 }: ForecastPlace, at: number) {
  const uniform = seededRandom(Number.parseInt(id.slice(-8), 16));
  const fronts = (shift: number) =>
    FRONTS.reduce((sum, period) => sum + turn(at / period + shift + uniform()), 0) / FRONTS.length;
  const hour = ((at + utcOffset(zone, at)) % DAY) / HOUR;
  const season = turn(at / YEAR - WARMEST_DAY) * (zone !== undefined && isSouthern(zone) ? -1 : 1);
  const mean = MEAN + SEASON * season + WEATHER * fronts(0) - (LAPSE * elevation) / 1000;
  const temperature = mean + DAILY * turn((hour - WARMEST_HOUR) / 24);
  const dewPoint = Math.min(temperature, mean - DEW_BELOW.mean + DEW_BELOW.swing * fronts(0.4));
  const relativeHumidity = saturationPressure(dewPoint) / saturationPressure(temperature);
  return {
    temperature: Math.round(temperature * 10) / 10,
    relativeHumidity: Math.min(1, Math.round(relativeHumidity * 100) / 100),
  };
}

/** A forecast without a network: invented weather, for trying the app and for its tests. */
export const simulatedForecast = (now: () => number = Date.now): ForecastService => ({
  async hourly(place, from) {
    const first = Math.floor(from / HOUR) * HOUR;
    const isReached = first > now() - REACHES.back && first < now() + REACHES.ahead;
    const hours = isReached ? HOURS_TOLD : 0;
    return {
      name: "Simulated forecast",
      points: Array.from({ length: hours }, (_, hour) => {
        const at = first + hour * HOUR;
        return { at: new Date(at).toISOString(), ...airAt(place, at) };
      }),
    };
  },
});
