export { OutOfRange } from "./guard.ts";
export { floatAt, itemAt, lastOf, numberAt, valueAt } from "./itemAt.ts";
export { omitAbsent } from "./omitAbsent.ts";
export { entriesOfRecord, isOneOf, keysOfRecord, namesById, recordOf } from "./records.ts";
