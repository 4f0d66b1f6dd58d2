import { isDeepStrictEqual } from "node:util";
import type { CrewId, JobId, Photo, PhotoFacts, PhotoId } from "@scutch/contract";
import type { BlobStore } from "../../blobs/blobStore.ts";
import type { SentFile } from "../../blobs/spool.ts";
import type { Db, Transaction } from "../../db/connect.ts";
import { isDiskFull, isDuplicate } from "../../db/driverErrors.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { ApiFailure, invalid, notFound } from "../../failures.ts";
import { noteChange } from "../change/service.ts";
import { requireJob } from "../job/service.ts";
import { readPicture } from "./picture.ts";
import {
  addRow,
  photoById,
  photosKept,
  photosOfJob,
  removeRow,
  removeRowsOf,
  type StoredPhoto,
} from "./store.ts";

/** Where pictures are kept, and whose. */
interface Album {
  readonly db: Db;
  readonly crewId: CrewId;
  readonly blobs: BlobStore;
}

export interface PhotoContext extends Album {
  /** What all pictures of a crew may take together, bytes. */
  readonly quota: number;
}

/** For the crew: what it keeps, and all of it in order. */
export { photosKept, photosOf } from "./store.ts";

const MAX_PHOTOS = 400;

/** A picture's key names its bytes too, so that two sent under one id never overwrite each other. */
export const keyOf = (crewId: string, photoId: string, sha256: string | null) =>
  `${crewId}/${photoId}${sha256 === null ? "" : `-${sha256.slice(0, 16)}`}`;

export async function listPhotos(
  { db, crewId }: Pick<PhotoContext, "db" | "crewId">,
  jobId: JobId,
): Promise<{ photos: Photo[] }> {
  await requireJob(db, crewId, jobId);
  return { photos: await photosOfJob(db, crewId, jobId) };
}

/**
 * Adds a picture once: sent again, the same bytes with the same facts, it answers as before; the id for something else is
 * entry-differs. The picture is kept before its row is: what is listed can be seen.
 */
export async function addPhoto(
  { db, crewId, blobs, quota }: PhotoContext,
  jobId: JobId,
  id: PhotoId,
  told: PhotoFacts,
  { file, sha256 }: Pick<SentFile, "file" | "sha256">,
): Promise<Photo> {
  const facts = { ...told, takenAt: new Date(told.takenAt).toISOString() };
  const sent = { jobId, facts, sha256 };
  const known = await photoById(db, crewId, id);
  if (known) return sameOrRefused(known, sent);
  await requireJob(db, crewId, jobId);
  if ((await photosOfJob(db, crewId, jobId)).length >= MAX_PHOTOS)
    throw invalid({ path: [], code: "too-many-photos", limit: MAX_PHOTOS });
  const picture = await readPicture(file);
  if (!picture) throw invalid({ path: [], code: "not-a-picture" });
  const { jpeg, width, height } = picture;
  if ((await photosKept(db, crewId)).bytes + jpeg.length > quota) throw new ApiFailure("storage-full");
  const photo: Photo = { ...facts, id, jobId, width, height };
  await keep(blobs, keyOf(crewId, id, sha256), jpeg);
  try {
    await db.transaction(async (tx) => {
      await addRow(tx, crewId, photo, { sha256, bytes: jpeg.length });
      await noteChange(tx, crewId, `photos:${jobId}`);
    });
  } catch (error) {
    // It came twice at once: the other one is in. Of the same bytes the file is the same, of others it is nobody's.
    const there = isDuplicate(error) ? await photoById(db, crewId, id) : undefined;
    if (!there) throw error;
    if (there.sha256 !== sha256) await blobs.delete(keyOf(crewId, id, sha256));
    return sameOrRefused(there, sent);
  }
  return photo;
}

async function keep(blobs: BlobStore, key: string, jpeg: Buffer): Promise<void> {
  try {
    await blobs.put(key, jpeg);
  } catch (error) {
    throw isDiskFull(error) ? new ApiFailure("storage-full") : error;
  }
}

function sameOrRefused(
  { photo, sha256 }: StoredPhoto,
  sent: { readonly jobId: JobId; readonly facts: PhotoFacts; readonly sha256: string },
): Photo {
  const { id: _id, jobId, width: _width, height: _height, by: _by, importedBy: _importer, ...theirs } = photo;
  const { by: _sender, importedBy: _sent, ...facts } = sent.facts;
  const sameBytes = sha256 === null || sha256 === sent.sha256;
  if (jobId !== sent.jobId || !sameBytes || !isDeepStrictEqual(theirs, facts))
    throw new ApiFailure("entry-differs", { theirs, yours: facts });
  return photo;
}

/** A picture's JPEG. Throws not-found for another crew's, or one that was removed. */
export async function pictureOf({ db, crewId, blobs }: Album, id: PhotoId): Promise<Buffer> {
  const known = await photoById(db, crewId, id);
  const jpeg = known && (await blobs.get(keyOf(crewId, id, known.sha256)));
  if (!jpeg) throw notFound();
  return jpeg;
}

/** Takes a job's pictures out of the database; the keys of their files. */
export async function removePhotosOf(tx: Transaction, crewId: string, jobId: JobId): Promise<string[]> {
  const rows = await removeRowsOf(tx, crewId, jobId);
  return rows.map(({ id, sha256 }) => keyOf(crewId, id, sha256));
}

export async function removePhoto({ db, crewId, blobs }: Album, id: PhotoId) {
  const known = await photoById(db, crewId, id);
  const removed = await retryTransaction(db, async (tx) => {
    const done = await removeRow(tx, crewId, id);
    if (known) await noteChange(tx, crewId, `photos:${known.photo.jobId}`);
    return done;
  });
  if (known) await blobs.delete(keyOf(crewId, id, known.sha256));
  return { removed };
}
