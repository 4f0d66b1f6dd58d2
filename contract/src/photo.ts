import * as z from "zod";
import { JobId, PhotoId, RoomId, SpotId } from "./ids.ts";
import { Instant } from "./moment.ts";

/** Largest picture that is taken in, bytes. */
export const MAX_PHOTO_BYTES = 10 * 1024 * 1024;
/** Longest side a device makes a picture smaller to before it sends it, pixels. */
export const PHOTO_SIDE = 1600;
/** What pictures come in as. They are told apart by their content, not by what the sender calls them. */
export const PHOTO_TYPES = ["image/jpeg", "image/png", "image/webp"] as const;

/** What a picture is of. */
export const PhotoFacts = z.strictObject({
  roomId: RoomId.optional(),
  spotId: SpotId.optional(),
  moment: z.enum(["before", "after"]),
  takenAt: Instant,
  by: z
    .string()
    .max(120)
    .optional()
    .meta({ description: "Who took it: the signed-in person, as the server says" }),
  importedBy: z
    .string()
    .max(120)
    .optional()
    .meta({ description: "It came from a file: `by` is as the file has it, and this is who imported it" }),
});
export type PhotoFacts = z.infer<typeof PhotoFacts>;

/** A picture kept with a job. The picture itself is read by its id; where it was taken is not in it. */
export const Photo = PhotoFacts.extend({
  id: PhotoId,
  jobId: JobId,
  width: z.int().min(1).meta({ unit: "pixels" }),
  height: z.int().min(1).meta({ unit: "pixels" }),
}).meta({ id: "Photo" });
export type Photo = z.infer<typeof Photo>;
