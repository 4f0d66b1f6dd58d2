export { OutOfRange } from "./guard.ts";
