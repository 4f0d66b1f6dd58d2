export { flightPrice } from "./stairs.ts";
