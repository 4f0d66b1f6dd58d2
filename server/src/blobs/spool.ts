import { createHash, randomUUID } from "node:crypto";
import { createWriteStream } from "node:fs";
import { readdir, rm, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { isDiskFull } from "../db/driverErrors.ts";
import { ApiFailure } from "../failures.ts";

/** What was sent, in a file of its own and not in memory: any number of phones may be sending, and slowly. */
export interface SentFile {
  readonly file: string;
  readonly bytes: number;
  /** Hexadecimal. */
  readonly sha256: string;
}

const NAME = /^scutch-[0-9a-f-]{36}\.upload$/;
/** No sending takes this long, ms: what is older was left by a server that was killed. */
const LEFT_OVER = 3_600_000;

/** Removes what servers that were killed have left of sendings. */
export async function clearSpool(now: number): Promise<void> {
  for (const name of (await readdir(tmpdir())).filter((each) => NAME.test(each))) {
    const file = path.join(tmpdir(), name);
    const known = await stat(file).catch(() => undefined); // its sending just ended
    if (known && known.mtimeMs < now - LEFT_OVER) await rm(file, { force: true });
  }
}

/**
 * Writes `stream` into a file, lets `use` have it, and removes it. Throws too-large beyond `limit` bytes, and storage-full when the disk
 * for temporary files has no space.
 */
export async function withSpooled<T>(
  stream: Readable,
  limit: number,
  use: (sent: SentFile) => Promise<T>,
): Promise<T> {
  const file = path.join(tmpdir(), `scutch-${randomUUID()}.upload`);
  const hash = createHash("sha256");
  let bytes = 0;
  try {
    await pipeline(
      stream,
      async function* (pieces: AsyncIterable<Buffer>) {
        for await (const piece of pieces) {
          bytes += piece.length;
          if (bytes > limit) throw new ApiFailure("too-large");
          hash.update(piece);
          yield piece;
        }
      },
      createWriteStream(file, { flags: "wx", mode: 0o600 }),
    );
    return await use({ file, bytes, sha256: hash.digest("hex") });
  } catch (error) {
    throw isDiskFull(error) ? new ApiFailure("storage-full") : error;
  } finally {
    await rm(file, { force: true });
  }
}
