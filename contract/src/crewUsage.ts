import * as z from "zod";

/** Days from an owner’s request to delete the crew until it is deleted. */
export const CLOSING_DAYS = 14;
/** What one crew may have. */
export const MAX_MEMBERS = 200;
export const MAX_JOBS = 100_000;

const Share = z.strictObject({ used: z.int().min(0), most: z.int().min(1) });

/** The app warns an owner from this share on. */
export const NEARLY_FULL = 0.8;
export const ROOMS = ["members", "jobs", "photos"] as const;
/** What there is room for. */
export type CrewRoom = (typeof ROOMS)[number];

/** How much of what a crew may keep on a server is used. */
export const CrewUsage = z
  .strictObject({
    members: Share,
    jobs: Share,
    photos: z.int().min(0),
    photoBytes: Share.meta({ unit: "bytes" }),
  })
  .meta({ id: "CrewUsage" });
export type CrewUsage = z.infer<typeof CrewUsage>;
