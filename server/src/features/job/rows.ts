import type { batchBoosters, batches, doors, jobs, roomAirMovers, roomParts, rooms, spots } from "./table.ts";

export type JobRow = typeof jobs.$inferSelect;
export type BatchRow = typeof batches.$inferSelect;
export type BoosterRow = typeof batchBoosters.$inferSelect;
export type RoomRow = typeof rooms.$inferSelect;
export type AirMoverRow = typeof roomAirMovers.$inferSelect;
export type PartRow = typeof roomParts.$inferSelect;
export type DoorRow = typeof doors.$inferSelect;
export type SpotRow = typeof spots.$inferSelect;

export const orNull = <T>(value: T | undefined): T | null => value ?? null;
