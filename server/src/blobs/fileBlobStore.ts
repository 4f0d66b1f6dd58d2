import { randomUUID } from "node:crypto";
import { access, constants, mkdir, open, readFile, rename, rm } from "node:fs/promises";
import path from "node:path";
import { type BlobStore, checkedKey } from "./blobStore.ts";

async function sync(place: string): Promise<void> {
  const handle = await open(place, "r");
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

async function writeDown(place: string, bytes: Buffer): Promise<void> {
  const handle = await open(place, "wx", 0o600);
  try {
    await handle.writeFile(bytes);
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/** Blobs as files in a folder, each written whole or not at all. */
export function fileBlobStore(dir: string, ending: string): BlobStore {
  const fileOf = (key: string) => path.join(dir, `${checkedKey(key)}${ending}`);
  return {
    async put(key, bytes) {
      const file = fileOf(key);
      const folder = path.dirname(file);
      await mkdir(folder, { recursive: true, mode: 0o700 });
      const part = `${file}.${randomUUID()}.part`;
      try {
        await writeDown(part, bytes);
        await rename(part, file);
      } catch (error) {
        // On a full disk above all, half a picture must not stay and fill it further.
        await rm(part, { force: true });
        throw error;
      }
      await sync(folder); // the name, too, has to reach the disk
    },
    async get(key) {
      try {
        return await readFile(fileOf(key));
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code === "ENOENT") return undefined;
        throw error;
      }
    },
    delete: (key) => rm(fileOf(key), { force: true }),
    async check() {
      await mkdir(dir, { recursive: true, mode: 0o700 });
      await access(dir, constants.W_OK);
    },
    async deleteAll(folder) {
      await rm(path.join(dir, checkedKey(folder)), { recursive: true, force: true });
    },
  };
}
