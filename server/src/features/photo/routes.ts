import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../app.ts";
import { mount, mountPicture, mountUpload } from "../../http/mount.ts";
import { addPhoto, fileOf, listPhotos, removePhoto } from "./service.ts";

export function photoRoutes(router: Router, album: Context): void {
  mount(router, endpoints.listPhotos, ({ params }) => listPhotos(album, params.jobId));
  mountUpload(router, endpoints.addPhoto, ({ params, query, picture }) =>
    addPhoto(album, params.jobId, params.photoId, query, picture),
  );
  mountPicture(router, endpoints.readPicture, ({ params }) => fileOf(album, params.photoId));
  mount(router, endpoints.removePhoto, ({ params }) => removePhoto(album, params.photoId));
}
