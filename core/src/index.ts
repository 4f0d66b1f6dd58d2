export { OutOfRange } from "./guard.ts";
export { omitAbsent } from "./omitAbsent.ts";
