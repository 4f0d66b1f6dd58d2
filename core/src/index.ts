export { OutOfRange } from "./guard.ts";
export { floatAt, itemAt, numberAt } from "./itemAt.ts";
export { omitAbsent } from "./omitAbsent.ts";
