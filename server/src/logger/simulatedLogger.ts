import { DRYING_LIMITS } from "@scutch/core/drying";
import { seededRandom, standardNormal } from "@scutch/core/numeric";
import type { LoggerService } from "./loggerService.ts";

/** ms between two readings. */
const EVERY = 2000;
/** What a step of the display is, K and as a share, and how far the air wanders between two readings (invented). */
const STEP = { temperature: 0.1, relativeHumidity: 0.001 } as const;
const WANDERS = { temperature: 0.03, relativeHumidity: 0.002 } as const;

const toStep = (value: number, step: number, [low, high]: readonly [number, number]) =>
  Math.min(high, Math.max(low, Number((Math.round(value / step) * step).toFixed(3))));

/** A logger without a radio: air that wanders about what it began with, for trying the app and for its tests. */
export const simulatedLogger = (every = EVERY, now: () => number = Date.now): LoggerService => ({
  follow({ temperature, relativeHumidity }, hear) {
    const uniform = seededRandom(Math.round(temperature * 1000 + relativeHumidity * 100));
    let [warmth, humidity] = [temperature, relativeHumidity];
    const tell = () => {
      hear({
        at: new Date(now()).toISOString(),
        temperature: toStep(warmth, STEP.temperature, DRYING_LIMITS.temperature),
        relativeHumidity: toStep(humidity, STEP.relativeHumidity, DRYING_LIMITS.relativeHumidity),
      });
      warmth += WANDERS.temperature * standardNormal(uniform);
      humidity += WANDERS.relativeHumidity * standardNormal(uniform);
    };
    tell();
    const timer = setInterval(tell, every);
    return () => clearInterval(timer);
  },
});
