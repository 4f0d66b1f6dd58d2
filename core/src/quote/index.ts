export { EXTRA_UNIT, EXTRAS, type Extra, type ExtraLine, extraLines } from "./extras.ts";
export { flightPrice } from "./stairs.ts";
