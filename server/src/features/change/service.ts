/** For services of other features: what they save is told. */
export { holdCrew, noteChange } from "./store.ts";
