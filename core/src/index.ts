export { OutOfRange } from "./guard.ts";
export { floatAt, itemAt } from "./itemAt.ts";
export { omitAbsent } from "./omitAbsent.ts";
