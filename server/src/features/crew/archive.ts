import { type CrewFile, type CrewId, withoutKeySafe } from "@scutch/contract";
import { TextReader, Uint8ArrayReader, ZipWriter } from "@zip.js/zip.js";
import type { BlobStore } from "../../blobs/blobStore.ts";
import type { Db } from "../../db/connect.ts";
import { inSnapshot } from "../../db/snapshot.ts";
import { ApiFailure, notFound } from "../../failures.ts";
import { storedPlans } from "../job/service.ts";
import { storedEntries } from "../log/service.ts";
import { keyOf, photosOf } from "../photo/service.ts";
import { readShelf } from "../shelf/service.ts";
import { readLots } from "../stock/service.ts";
import { readCrew } from "./store.ts";

/** Each archive holds a connection to the database while its jobs and logs are read. */
const MOST_AT_ONCE = 2;
/** s; what a usual archive takes. */
const RETRY_AFTER = 60;
const underWay = new Set<CrewId>();

/** Where a crew’s data and pictures are. */
interface Kept {
  readonly db: Db;
  readonly blobs: BlobStore;
}

/**
 * Everything a crew has, as a zip (docs/job-format.md): jobs, logs and shelf as they were at one moment, each by one query that is
 * written as it is read, then the pictures that are there, one at a time. Throws too-many while others are made. The answer writes it.
 */
export async function crewArchive(
  kept: Kept,
  crewId: CrewId,
): Promise<(sink: WritableStream<Uint8Array>) => Promise<void>> {
  if (underWay.has(crewId) || underWay.size >= MOST_AT_ONCE)
    throw new ApiFailure("too-many", { retryAfter: RETRY_AFTER });
  underWay.add(crewId);
  return async (sink) => {
    try {
      await writeArchive(kept, crewId, sink);
    } finally {
      underWay.delete(crewId);
    }
  };
}

async function writeArchive({ db, blobs }: Kept, crewId: CrewId, sink: WritableStream<Uint8Array>) {
  const zip = new ZipWriter(sink, { useWebWorkers: false });
  const photos = await inSnapshot(db, async (moment) => {
    await zip.add("crew.json", new TextReader(JSON.stringify(await crewFile(moment, crewId))));
    await zip.add("jobs.ndjson", bytesOf(jobLines(moment, crewId)));
    await zip.add("log.ndjson", bytesOf(entryLines(moment, crewId)));
    return photosOf(moment, crewId);
  });
  const lines: string[] = [];
  for (const { photo, sha256 } of photos) {
    const jpeg = await blobs.get(keyOf(crewId, photo.id, sha256));
    // Removed since: neither it nor its line is in the file.
    if (!jpeg) continue;
    await zip.add(`photos/${photo.id}.jpg`, new Uint8ArrayReader(jpeg), { level: 0 });
    lines.push(`${JSON.stringify(photo)}\n`);
  }
  await zip.add("photos.ndjson", new TextReader(lines.join("")));
  await zip.close();
}

/** What isn’t counted in thousands. The file leaves the crew: the codes of key safes stay. */
async function crewFile(db: Db, crewId: CrewId): Promise<CrewFile> {
  const known = await readCrew(db, crewId);
  if (!known) throw notFound();
  const shelf = await readShelf(db, { crewId, role: "owner" });
  return {
    format: "scutch-crew",
    formatVersion: 1,
    crew: known.crew,
    settings: known.settings,
    ...shelf,
    sites: shelf.sites.map(withoutKeySafe),
    lots: await readLots(db, crewId),
    jobs: [],
  };
}

async function* jobLines(db: Db, crewId: CrewId): AsyncGenerator<string> {
  for await (const { plan } of storedPlans(db, crewId)) yield `{"job":${plan}}\n`;
}

async function* entryLines(db: Db, crewId: CrewId): AsyncGenerator<string> {
  for await (const { jobId, entry } of storedEntries(db, crewId))
    yield `{"jobId":"${jobId}","entry":${entry}}\n`;
}

/** Characters of a piece: many lines at a time, which is faster than each alone. */
const PIECE = 64 * 1024;

/** Lines as bytes, in pieces. */
function bytesOf(lines: AsyncIterable<string>): ReadableStream<Uint8Array> {
  return ReadableStream.from(pieces(lines)) as ReadableStream<Uint8Array>;
}

async function* pieces(lines: AsyncIterable<string>): AsyncGenerator<Uint8Array> {
  const encoder = new TextEncoder();
  let held = "";
  for await (const line of lines) {
    held += line;
    if (held.length < PIECE) continue;
    yield encoder.encode(held);
    held = "";
  }
  if (held) yield encoder.encode(held);
}
