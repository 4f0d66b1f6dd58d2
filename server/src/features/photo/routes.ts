import { endpoints, type PhotoFacts } from "@scutch/contract";
import type { Router } from "express";
import type { Actor } from "../../actor.ts";
import type { Context } from "../../http/context.ts";
import { mount, mountPicture, mountUpload } from "../../http/mount.ts";
import { addPhoto, listPhotos, pictureOf, removePhoto } from "./service.ts";

export function photoRoutes(router: Router, { db, blobs, photoQuota }: Context): void {
  const albumOf = ({ crewId }: Actor) => ({ db, blobs, crewId, quota: photoQuota });
  mount(router, endpoints.listPhotos, ({ params }, actor) => listPhotos(albumOf(actor), params.jobId));
  mountUpload(router, endpoints.addPhoto, ({ params, query, picture }, actor) =>
    addPhoto(albumOf(actor), params.jobId, params.photoId, signed(query, actor), picture),
  );
  mountPicture(router, endpoints.readPicture, ({ params }, actor) =>
    pictureOf(albumOf(actor), params.photoId),
  );
  mount(router, endpoints.removePhoto, ({ params }, actor) => removePhoto(albumOf(actor), params.photoId));
}

/** A picture’s facts with what only the server can say: who sent it. One from a file keeps the name the file has. */
const signed = (facts: PhotoFacts, { person }: Actor): PhotoFacts =>
  facts.importedBy === undefined ? { ...facts, by: person.name } : { ...facts, importedBy: person.name };
