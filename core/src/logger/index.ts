export {
  guessColumns,
  headerRow,
  type LoggerColumns,
  type LoggerRow,
  type RowFault,
  readLoggerRow,
} from "./columns.ts";
export { type AirAt, type Thinned, thinReadings } from "./thin.ts";
export { type DayOrder, readWallTime } from "./wallTime.ts";
