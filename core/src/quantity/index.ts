export { graduationsDown, graduationsUp, roundToMeasure } from "./measure.ts";
export { normalizeText, numberAtStart } from "./number.ts";
export {
  type Ambiguous,
  interpretationsOf,
  mapParsed,
  type Parsed,
  type ParseFault,
  parseFailure,
  parseQuantity,
  settleReading,
} from "./parse.ts";
export { type BareRate, parseRate } from "./rate.ts";
export { decimal, formatDuration, formatFeetInches, formatQuantity, readable } from "./show.ts";
export { type Dimension, fromSi, toSi, UNITS, type UnitId, unitSpelled } from "./units.ts";
