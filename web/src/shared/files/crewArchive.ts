import { CrewFile, Photo, parseTolerantly } from "@scutch/contract";
import { BlobReader, BlobWriter, configure, type FileEntry, TextWriter, ZipReader } from "@zip.js/zip.js";

// A worker of the library’s own would be a script from nowhere, which the page’s rules refuse.
configure({ useWebWorkers: false });

/** Characters: no line of ours comes near it, and a longer one would fill the memory. */
const LONGEST_LINE = 40_000_000;

/** A crew’s zip (docs/job-format.md), opened: read piece by piece, since it may be larger than this device’s memory. */
export interface CrewArchive {
  readonly crew: CrewFile;
  /** In the order they were taken; what isn’t a photo’s line is left out. */
  readonly photos: readonly Photo[];
  /** Lines of the file’s jobs and of its log, each read as JSON; undefined for one that isn’t. */
  readonly jobs: () => AsyncIterable<unknown>;
  readonly entries: () => AsyncIterable<unknown>;
  readonly picture: (photo: Photo) => Promise<Blob | undefined>;
  readonly close: () => Promise<void>;
}

/** Opens a crew’s zip; undefined for what isn’t one, or is damaged. Throws nothing. */
export async function openArchive(file: Blob): Promise<CrewArchive | undefined> {
  const zip = new ZipReader(new BlobReader(file), { checkSignature: true });
  try {
    const entries = new Map<string, FileEntry>();
    for await (const entry of zip.getEntriesGenerator())
      if (!entry.directory) entries.set(entry.filename, entry);
    const text = async (name: string) => (await entries.get(name)?.getData(new TextWriter())) ?? "";
    const crew = parseTolerantly(CrewFile, JSON.parse(await text("crew.json")));
    if (!crew.ok || !entries.has("jobs.ndjson") || !entries.has("log.ndjson")) return undefined;
    const photos = (await text("photos.ndjson"))
      .split("\n")
      .flatMap((line) => Photo.safeParse(parsed(line)).data ?? []);
    return {
      crew: crew.value,
      photos,
      jobs: () => linesOf(entries.get("jobs.ndjson")),
      entries: () => linesOf(entries.get("log.ndjson")),
      picture: async ({ id }) =>
        entries.get(`photos/${id}.jpg`)?.getData(new BlobWriter("image/jpeg"), { checkSignature: true }),
      close: () => zip.close(),
    };
  } catch {
    // Not a zip, cut off, or not what its sums say.
    return undefined;
  }
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
}

/** Throws where the file is damaged. */
async function* linesOf(entry: FileEntry | undefined): AsyncGenerator<unknown> {
  if (!entry) return;
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  const written = entry.getData(writable);
  written.catch(() => undefined); // it is heard of below
  let held = "";
  const decoder = new TextDecoder();
  for (const reader = readable.getReader(); ; ) {
    const { done, value } = await reader.read();
    held += done ? decoder.decode() : decoder.decode(value, { stream: true });
    const lines = held.split("\n");
    held = lines.pop() ?? "";
    if (held.length > LONGEST_LINE) throw new RangeError("a line without end");
    for (const line of lines) if (line) yield parsed(line);
    if (done) break;
  }
  await written;
  if (held) yield parsed(held);
}
