import type { JobId, Photo, PhotoId } from "@scutch/contract";
import { and, asc, count, eq, sql } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { omitNulls } from "../../db/nulls.ts";
import { photos } from "./table.ts";

type Row = typeof photos.$inferSelect;

function photoFrom({ crewId: _crew, sha256: _sha256, bytes: _bytes, takenAt, ...row }: Row): Photo {
  return omitNulls<Photo>({
    ...row,
    takenAt: takenAt.toISOString(),
  });
}

export async function photosOfJob(db: Db, crewId: string, jobId: JobId): Promise<Photo[]> {
  const rows = await db
    .select()
    .from(photos)
    .where(and(eq(photos.crewId, crewId), eq(photos.jobId, jobId)))
    .orderBy(asc(photos.takenAt), asc(photos.id));
  return rows.map(photoFrom);
}

const one = (crewId: string, id: PhotoId) => and(eq(photos.crewId, crewId), eq(photos.id, id));

/** A picture's facts and the fingerprint of what was sent; null for those from before fingerprints were kept. */
export interface StoredPhoto {
  readonly photo: Photo;
  readonly sha256: string | null;
}

export async function photoById(db: Db, crewId: string, id: PhotoId): Promise<StoredPhoto | undefined> {
  const [row] = await db.select().from(photos).where(one(crewId, id));
  return row && { photo: photoFrom(row), sha256: row.sha256 };
}

/** All pictures of a crew, job by job. */
export async function photosOf(db: Db, crewId: string): Promise<StoredPhoto[]> {
  const rows = await db
    .select()
    .from(photos)
    .where(eq(photos.crewId, crewId))
    .orderBy(asc(photos.jobId), asc(photos.takenAt), asc(photos.id));
  return rows.map((row) => ({ photo: photoFrom(row), sha256: row.sha256 }));
}

/** What a picture from before sizes were counted is taken to have, bytes. */
const USUAL_BYTES = 300_000;

/** A crew's pictures, and the bytes they take. */
export async function photosKept(db: Db, crewId: string): Promise<{ count: number; bytes: number }> {
  const [row] = await db
    .select({ count: count(), bytes: sql<string | null>`sum(coalesce(${photos.bytes}, ${USUAL_BYTES}))` })
    .from(photos)
    .where(eq(photos.crewId, crewId));
  return { count: row?.count ?? 0, bytes: Number(row?.bytes ?? 0) };
}

export async function addRow(
  db: Db | Transaction,
  crewId: string,
  photo: Photo,
  file: { readonly sha256: string; readonly bytes: number },
): Promise<void> {
  await db.insert(photos).values({
    ...photo,
    ...file,
    crewId,
    importedBy: photo.importedBy ?? null,
    roomId: photo.roomId ?? null,
    spotId: photo.spotId ?? null,
    by: photo.by ?? null,
    takenAt: new Date(photo.takenAt),
  });
}

/** Takes the rows of a job's pictures away; what they were, for their files to follow. */
export async function removeRowsOf(tx: Transaction, crewId: string, jobId: JobId) {
  const ofJob = and(eq(photos.crewId, crewId), eq(photos.jobId, jobId));
  const rows = await tx.select({ id: photos.id, sha256: photos.sha256 }).from(photos).where(ofJob);
  await tx.delete(photos).where(ofJob);
  return rows;
}

export async function removeRow(db: Db | Transaction, crewId: string, id: PhotoId): Promise<boolean> {
  const [{ affectedRows }] = await db.delete(photos).where(one(crewId, id));
  return affectedRows > 0;
}
