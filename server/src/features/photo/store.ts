import type { JobId, Photo, PhotoId } from "@scutch/contract";
import { and, asc, eq } from "drizzle-orm";
import type { Db } from "../../db/connect.ts";
import { said } from "../../db/said.ts";
import { photos } from "./table.ts";

type Row = typeof photos.$inferSelect;

function photoFrom({ crewId: _crew, takenAt, ...row }: Row): Photo {
  return said<Photo>({
    ...row,
    id: row.id as PhotoId,
    jobId: row.jobId as JobId,
    roomId: row.roomId as Photo["roomId"] | null,
    spotId: row.spotId as Photo["spotId"] | null,
    takenAt: takenAt.toISOString(),
  });
}

export async function photosOfJob(db: Db, crewId: string, jobId: string): Promise<Photo[]> {
  const rows = await db
    .select()
    .from(photos)
    .where(and(eq(photos.crewId, crewId), eq(photos.jobId, jobId)))
    .orderBy(asc(photos.takenAt), asc(photos.id));
  return rows.map(photoFrom);
}

const one = (crewId: string, id: string) => and(eq(photos.crewId, crewId), eq(photos.id, id));

export async function photoById(db: Db, crewId: string, id: string): Promise<Photo | undefined> {
  const [row] = await db.select().from(photos).where(one(crewId, id));
  return row && photoFrom(row);
}

export async function addRow(db: Db, crewId: string, photo: Photo): Promise<void> {
  await db.insert(photos).values({
    ...photo,
    crewId,
    roomId: photo.roomId ?? null,
    spotId: photo.spotId ?? null,
    by: photo.by ?? null,
    takenAt: new Date(photo.takenAt),
  });
}

export async function removeRow(db: Db, crewId: string, id: string): Promise<boolean> {
  const [{ affectedRows }] = await db.delete(photos).where(one(crewId, id));
  return affectedRows > 0;
}
