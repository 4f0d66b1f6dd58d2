import path from "node:path";
import type { Config } from "../config.ts";
import type { BlobStore } from "./blobStore.ts";
import { fileBlobStore } from "./fileBlobStore.ts";

/** The store that the settings name: a bucket, or else a folder. What speaks to a bucket is loaded only for one. */
export async function openBlobStore(
  { PHOTO_STORE, PHOTO_DIR }: Pick<Config, "PHOTO_STORE" | "PHOTO_DIR">,
  ending: string,
): Promise<BlobStore> {
  if (PHOTO_STORE === undefined) return fileBlobStore(path.resolve(PHOTO_DIR), ending);
  const { s3BlobStore } = await import("./s3BlobStore.ts");
  return s3BlobStore(PHOTO_STORE, ending);
}
