import * as z from "zod";

/**
 * Ids are made by whoever makes the thing, with no signal too: UUID version 7, so that they sort by time and keep
 * their name when they join up. One canonical form, in small letters. Branded: a room's can't be passed for a batch's.
 */
const id = <Brand extends string>(brand: Brand) => z.uuidv7().toLowerCase().brand(brand);

export const CrewId = id("CrewId");
export const PersonId = id("PersonId");
export const SiteId = id("SiteId");
export const CustomerId = id("CustomerId");
export const JobId = id("JobId");
export const RoomId = id("RoomId");
export const BatchId = id("BatchId");
export const ProductId = id("ProductId");
export const VesselId = id("VesselId");
export const EntryId = id("EntryId");
export const DoorId = id("DoorId");
export const SpotId = id("SpotId");
export const PhotoId = id("PhotoId");
export const GearId = id("GearId");
export const LotId = id("LotId");
/** One sending of a plan, so that the server knows it again when its answer was lost. */
export const SaveId = id("SaveId");

export type CrewId = z.infer<typeof CrewId>;
export type PersonId = z.infer<typeof PersonId>;
export type SiteId = z.infer<typeof SiteId>;
export type CustomerId = z.infer<typeof CustomerId>;
export type JobId = z.infer<typeof JobId>;
export type RoomId = z.infer<typeof RoomId>;
export type BatchId = z.infer<typeof BatchId>;
export type ProductId = z.infer<typeof ProductId>;
export type VesselId = z.infer<typeof VesselId>;
export type EntryId = z.infer<typeof EntryId>;
export type DoorId = z.infer<typeof DoorId>;
export type SpotId = z.infer<typeof SpotId>;
export type PhotoId = z.infer<typeof PhotoId>;
export type GearId = z.infer<typeof GearId>;
export type LotId = z.infer<typeof LotId>;
export type SaveId = z.infer<typeof SaveId>;
