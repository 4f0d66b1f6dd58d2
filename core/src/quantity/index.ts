export { graduationsDown, graduationsUp, roundToMeasure } from "./measure.ts";
export { plainMarks } from "./number.ts";
export { failed, type Parsed, type ParseFault, parseQuantity } from "./parse.ts";
export { decimal, readable, showDuration, showFeetInches, showQuantity } from "./show.ts";
export { type Dimension, fromSi, toSi, UNITS, type UnitId } from "./units.ts";
