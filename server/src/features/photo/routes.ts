import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Actor } from "../../actor.ts";
import type { Context } from "../../http/context.ts";
import { mount, mountPicture, mountUpload } from "../../http/mount.ts";
import { addPhoto, listPhotos, pictureOf, removePhoto } from "./service.ts";

export function photoRoutes(router: Router, { db, blobs }: Context): void {
  const albumOf = ({ crewId }: Actor) => ({ db, blobs, crewId });
  mount(router, endpoints.listPhotos, ({ params }, actor) => listPhotos(albumOf(actor), params.jobId));
  mountUpload(router, endpoints.addPhoto, ({ params, query, picture }, actor) =>
    addPhoto(albumOf(actor), params.jobId, params.photoId, { ...query, by: actor.person.name }, picture),
  );
  mountPicture(router, endpoints.readPicture, ({ params }, actor) =>
    pictureOf(albumOf(actor), params.photoId),
  );
  mount(router, endpoints.removePhoto, ({ params }, actor) => removePhoto(albumOf(actor), params.photoId));
}
