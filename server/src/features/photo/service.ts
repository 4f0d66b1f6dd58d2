import { isDeepStrictEqual } from "node:util";
import type { JobId, Photo, PhotoFacts, PhotoId } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { isDuplicate } from "../../db/driverErrors.ts";
import { ApiFailure, invalid, notFound } from "../../http/apiFailure.ts";
import { jobExists } from "../job/store.ts";
import { dropPicture, keepPicture, pictureFile } from "./files.ts";
import { readPicture } from "./picture.ts";
import { addRow, photoById, photosOfJob, removeRow } from "./store.ts";

/** Where pictures are kept, and whose. */
export interface Album {
  readonly db: Db;
  readonly crewId: string;
  readonly photoDir: string;
}

const MOST_PHOTOS = 400;

export async function listPhotos({ db, crewId }: Album, jobId: JobId): Promise<{ photos: Photo[] }> {
  if (!(await jobExists(db, crewId, jobId))) throw notFound();
  return { photos: await photosOfJob(db, crewId, jobId) };
}

/** Adds a picture once: sent again with the same facts it answers as before; the id for something else is entry-differs. */
export async function addPhoto(
  album: Album,
  jobId: JobId,
  id: PhotoId,
  facts: PhotoFacts,
  bytes: Buffer,
): Promise<Photo> {
  const { db, crewId, photoDir } = album;
  const known = await photoById(db, crewId, id);
  if (known) return sameOrRefused(known, jobId, facts);
  if (!(await jobExists(db, crewId, jobId))) throw notFound();
  if ((await photosOfJob(db, crewId, jobId)).length >= MOST_PHOTOS)
    throw invalid({ path: [], code: "too-many-photos", limit: MOST_PHOTOS });
  const picture = await readPicture(bytes);
  if (!picture) throw invalid({ path: [], code: "not-a-picture" });
  const { jpeg, width, height } = picture;
  const photo: Photo = { ...facts, takenAt: new Date(facts.takenAt).toISOString(), id, jobId, width, height };
  await keepPicture(pictureFile(photoDir, crewId, id), jpeg);
  try {
    await addRow(db, crewId, photo);
  } catch (error) {
    // The same picture came twice at once: the other one is in, and the file is the same.
    const there = isDuplicate(error) ? await photoById(db, crewId, id) : undefined;
    if (!there) throw error;
    return sameOrRefused(there, jobId, facts);
  }
  return photo;
}

function sameOrRefused(known: Photo, jobId: JobId, facts: PhotoFacts): Photo {
  const { id: _id, jobId: theirJob, width: _width, height: _height, ...theirs } = known;
  const mine = { ...facts, takenAt: new Date(facts.takenAt).toISOString() };
  if (theirJob !== jobId || !isDeepStrictEqual(theirs, mine))
    throw new ApiFailure("entry-differs", { theirs, yours: mine });
  return known;
}

/** Path of a picture's file. Throws not-found for another crew's, or one that was removed. */
export async function fileOf({ db, crewId, photoDir }: Album, id: PhotoId): Promise<string> {
  if (!(await photoById(db, crewId, id))) throw notFound();
  return pictureFile(photoDir, crewId, id);
}

export async function removePhoto({ db, crewId, photoDir }: Album, id: PhotoId) {
  const removed = await removeRow(db, crewId, id);
  await dropPicture(pictureFile(photoDir, crewId, id));
  return { removed };
}
