export { anyJob, idOf } from "./anyJob.ts";
export { aGear, aJob, anEntry, aProduct, aRoom, aShelf, aSpot, aVessel, idFor } from "./builders.ts";
export { type Asked, requestOfEach } from "./requests.ts";
