/** Where bytes are kept that don't belong in the database, each whole under a key. Keys are made of ids, never of names. */
export interface BlobStore {
  /** Keeps bytes for good: when it returns they outlive a power cut. A second put of a key replaces the first. Full: code ENOSPC. */
  put(key: string, bytes: Buffer): Promise<void>;
  get(key: string): Promise<Buffer | undefined>;
  /** Gone already is no error. */
  delete(key: string): Promise<void>;
  /** Throws where nothing can be kept now. */
  check(): Promise<void>;
  /** Deletes everything under a key's first part, such as a crew's id. */
  deleteAll(folder: string): Promise<void>;
}

/** The store doesn't answer, answers too late, or didn't keep what it said it kept. Asked again later it may work. */
export class StoreUnavailable extends Error {
  constructor(cause: unknown) {
    super("the store of photos can’t be used", { cause });
    this.name = "StoreUnavailable";
  }
}

const KEY = /^[0-9a-f-]+(?:\/[0-9a-f-]+)*$/;

/** A key as it is, or an error for one that could lead elsewhere. */
export function checkedKey(key: string): string {
  if (!KEY.test(key)) throw new Error(`not a key: ${key}`);
  return key;
}
