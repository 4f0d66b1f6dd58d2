/** For services of other features: a crew's settings are saved as a record. */
export { readCrew, writeSettings } from "./store.ts";
