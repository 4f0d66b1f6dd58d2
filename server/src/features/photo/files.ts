import { randomUUID } from "node:crypto";
import { mkdir, rename, rm, writeFile } from "node:fs/promises";
import path from "node:path";

/** Where a picture lies. Both parts are ids the contract has checked, so no name from outside becomes part of a path. */
export const pictureFile = (dir: string, crewId: string, photoId: string) =>
  path.join(dir, crewId, `${photoId}.jpg`);

/** Writes a picture whole or not at all. */
export async function keepPicture(file: string, bytes: Buffer): Promise<void> {
  await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
  const part = `${file}.${randomUUID()}.part`;
  await writeFile(part, bytes, { mode: 0o600 });
  await rename(part, file);
}

export const dropPicture = (file: string) => rm(file, { force: true });
