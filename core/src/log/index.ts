export type { Entry, FillMade, OfKind } from "./entries.ts";
export { finishedRooms } from "./finished.ts";
export { fillsMade } from "./made.ts";
export { meterReadings, tankReadings } from "./measured.ts";
export { standing } from "./standing.ts";
export { attemptsOn, dyeTests, skippedOn, type Tested } from "./tested.ts";
export { stockUse, sumUses, type Use, usesOf } from "./used.ts";
