/** Where bytes are kept that don't belong in the database, each whole under a key. Keys are made of ids, never of names. */
export interface BlobStore {
  /** Keeps bytes for good: when it returns they outlive a power cut. A second put of a key replaces the first. */
  put(key: string, bytes: Buffer): Promise<void>;
  get(key: string): Promise<Buffer | undefined>;
  /** Gone already is no error. */
  delete(key: string): Promise<void>;
  /** Throws where nothing can be kept now. */
  check(): Promise<void>;
  /** Deletes everything under a key's first part, such as a crew's id. */
  deleteAll(folder: string): Promise<void>;
}
