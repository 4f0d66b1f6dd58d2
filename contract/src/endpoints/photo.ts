import * as z from "zod";
import { JobId, PhotoId } from "../ids.ts";
import { Photo, PhotoFacts } from "../photo.ts";
import { endpoint, READ_ERRORS, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const photoEndpoints = {
  listPhotos: endpoint({
    method: "get",
    path: PATHS.listPhotos,
    needs: "read",
    summary: "Photos of a job, in the order taken",
    params: z.strictObject({ jobId: JobId }),
    response: z.strictObject({ photos: z.array(Photo) }),
    errors: READ_ERRORS,
  }),
  addPhoto: endpoint({
    method: "put",
    path: PATHS.addPhoto,
    needs: "log",
    summary: "Add a photo, up to 10 MB; its location data is removed. Sending it again changes nothing",
    params: z.strictObject({ jobId: JobId, photoId: PhotoId }),
    query: PhotoFacts,
    picture: "in",
    response: Photo,
    errors: [...WRITE_ERRORS, 404, 409, 507],
  }),
  readPicture: endpoint({
    method: "get",
    path: PATHS.readPicture,
    needs: "read",
    summary: "The photo itself",
    params: z.strictObject({ photoId: PhotoId }),
    picture: "out",
    response: z.unknown(),
    errors: [404, 412, 416],
  }),
  removePhoto: endpoint({
    method: "delete",
    path: PATHS.removePhoto,
    needs: "log",
    summary: "Delete a photo for good; an unknown id is no error",
    params: z.strictObject({ photoId: PhotoId }),
    response: z.strictObject({ removed: z.boolean() }),
    errors: [403, 422, 426],
  }),
};
