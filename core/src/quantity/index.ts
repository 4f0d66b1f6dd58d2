export { graduationsDown, graduationsUp, roundToMeasure } from "./measure.ts";
export { numberAtStart, plainMarks } from "./number.ts";
export {
  type Ambiguous,
  decided,
  failed,
  type Parsed,
  type ParseFault,
  parseQuantity,
  readingsOf,
} from "./parse.ts";
export { type BareRate, parseRate } from "./rate.ts";
export { decimal, readable, showDuration, showFeetInches, showQuantity } from "./show.ts";
export { type Dimension, fromSi, toSi, UNITS, type UnitId, unitSpelled } from "./units.ts";
