import * as z from "zod";
import { JobId, PhotoId } from "../ids.ts";
import { Photo, PhotoFacts } from "../photo.ts";
import { endpoint, READ_ERRORS, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const photoEndpoints = {
  listPhotos: endpoint({
    method: "get",
    path: PATHS.listPhotos,
    summary: "Pictures kept with a job, in the order they were taken",
    params: z.strictObject({ jobId: JobId }),
    response: z.strictObject({ photos: z.array(Photo) }),
    errors: READ_ERRORS,
  }),
  addPhoto: endpoint({
    method: "put",
    path: PATHS.addPhoto,
    summary:
      "Add a picture, up to 10 MB; what tells where it was taken is removed. Sent again, it changes nothing",
    params: z.strictObject({ jobId: JobId, photoId: PhotoId }),
    query: PhotoFacts,
    picture: "in",
    response: Photo,
    errors: [...WRITE_ERRORS, 404, 409],
  }),
  readPicture: endpoint({
    method: "get",
    path: PATHS.readPicture,
    summary: "The picture itself",
    params: z.strictObject({ photoId: PhotoId }),
    picture: "out",
    response: z.unknown(),
    errors: [404, 412, 416],
  }),
  removePhoto: endpoint({
    method: "delete",
    path: PATHS.removePhoto,
    summary: "Take a picture away for good; gone already is no error",
    params: z.strictObject({ photoId: PhotoId }),
    response: z.strictObject({ removed: z.boolean() }),
    errors: [403, 422, 426],
  }),
};
