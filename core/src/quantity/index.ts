export { graduationsDown, graduationsUp, roundToMeasure } from "./measure.ts";
export { type Parsed, type ParseFault, parseQuantity } from "./parse.ts";
export { decimal, readable, showDuration, showFeetInches, showQuantity } from "./show.ts";
export { areaOf, parseRoomSize, type Rectangle, type RoomShape } from "./size.ts";
export { type Dimension, fromSi, toSi, UNITS, type UnitId } from "./units.ts";
