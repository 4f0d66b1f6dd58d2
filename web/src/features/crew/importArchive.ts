import { Job, type JobId, LogEntry, type Photo, parseTolerantly } from "@scutch/contract";
import { deepEqual } from "@scutch/core/plan";
import * as z from "zod";
import type { Answer, Reply, Send } from "../../device/api.ts";
import { pathOf } from "../../device/api.ts";
import { entriesRequest, photoRequest, type Request, recordRequest } from "../../device/requests.ts";
import type { CrewArchive } from "../../shared/files/crewArchive.ts";

/** Entries of one request, and about how many characters they may have: the server takes a megabyte. */
const BATCH = { entries: 500, length: 500_000 };
/** Jobs on their way at once. */
const AT_ONCE = 4;

/** What an import has done so far. */
export interface Imported {
  jobs: number;
  /** Jobs that were there already: their plans are left as they are. */
  jobsThere: number;
  entries: number;
  photos: number;
  /** Lines that can’t be read, what belongs to them, and what the server refused. */
  left: number;
}

/** Why an import broke off. What was imported by then stays, and importing the file again goes on from there. */
export type ImportEnd = "done" | "offline" | "no-room" | "not-allowed" | "damaged";

class BrokenOff extends Error {
  constructor(readonly why: Exclude<ImportEnd, "done">) {
    super(why);
  }
}

const LogLine = z.object({ jobId: z.string(), entry: z.unknown() });
const JobLine = z.object({ job: z.unknown() });

/**
 * Sends a crew’s zip to the server piece by piece: what isn’t there yet is added, nothing that is there is changed. Nothing is kept on
 * this device on the way, which may have less room than the file needs.
 */
export async function importArchive(
  archive: CrewArchive,
  send: Send,
  tell: (soFar: Imported) => void,
): Promise<ImportEnd> {
  const done: Imported = { jobs: 0, jobsThere: 0, entries: 0, photos: 0, left: 0 };
  const work = new ArchiveImport(archive, send, done, () => tell({ ...done }));
  try {
    await work.things();
    await work.jobs();
    await work.entries();
    await work.photos();
    return "done";
  } catch (error) {
    return error instanceof BrokenOff ? error.why : "damaged";
  } finally {
    tell({ ...done });
    await archive.close();
  }
}

class ArchiveImport {
  private readonly known = new Set<string>();

  constructor(
    private readonly archive: CrewArchive,
    private readonly send: Send,
    private readonly done: Imported,
    private readonly tell: () => void,
  ) {}

  /** Sends one request; false where the server refuses this very thing. Throws where there is no use in going on. */
  private async sent({
    method,
    path,
    body,
  }: Request): Promise<Extract<Reply, { outcome: "done" | "refused" }>> {
    const reply = await this.send(method, path, body);
    if (reply.outcome === "silent" || reply.outcome === "fault") throw new BrokenOff("offline");
    if (reply.outcome === "refused") {
      const { code } = reply.error;
      if (code === "storage-full") throw new BrokenOff("no-room");
      if (reply.status === 401 || reply.status === 403) throw new BrokenOff("not-allowed");
      if (reply.status === 426 || reply.status === 429) throw new BrokenOff("offline");
    }
    return reply;
  }

  private async read<K extends "readShelf" | "readStock" | "readCrew">(name: K): Promise<Answer<K>> {
    const reply = await this.sent({ method: "GET", path: pathOf(name) });
    if (reply.outcome !== "done") throw new BrokenOff("offline");
    return reply.body as Answer<K>;
  }

  /** Shelf, van, customers and stock; settings where the crew has set nothing yet. */
  async things(): Promise<void> {
    const { crew } = this.archive;
    const shelf = await this.read("readShelf");
    const { lots } = await this.read("readStock");
    // A place’s customer and a lot’s product come before them.
    const kinds = [
      ["customer", crew.customers ?? [], shelf.customers],
      ["site", crew.sites, shelf.sites],
      ["product", crew.products, shelf.products],
      ["vessel", crew.vessels, shelf.vessels],
      ["gear", crew.gear, shelf.gear],
      ["lot", crew.lots, lots],
    ] as const;
    for (const [kind, things, theirs] of kinds) {
      const there = new Set<string>((theirs ?? []).map(({ id }) => id));
      for (const thing of things) {
        if (there.has(thing.id)) continue;
        const { outcome } = await this.sent(recordRequest(`${kind}:${thing.id}`, thing, undefined));
        if (outcome === "refused") this.done.left++;
      }
    }
    const { settings } = await this.read("readCrew");
    if (deepEqual(settings, { prices: {} }))
      await this.sent(recordRequest("settings:crew", crew.settings, settings));
  }

  async jobs(): Promise<void> {
    let under: Promise<void>[] = [];
    for await (const line of this.archive.jobs()) {
      const read = parseTolerantly(Job, JobLine.safeParse(line).data?.job);
      if (!read.ok) {
        this.done.left++;
        continue;
      }
      under.push(this.job(read.value));
      if (under.length < AT_ONCE) continue;
      await Promise.all(under);
      under = [];
      this.tell();
    }
    await Promise.all(under);
    this.tell();
  }

  private async job(job: Job): Promise<void> {
    const path = pathOf("saveJob", { jobId: job.id });
    // Saved again as it is, a job that is there would be answered like a new one.
    const there = await this.sent({ method: "GET", path });
    const isThere = there.outcome === "done" || there.error.code !== "not-found";
    const reply = isThere ? there : await this.sent({ method: "PUT", path, body: { baseVersion: 0, job } });
    if (isThere) this.done.jobsThere++;
    else if (reply.outcome === "done") this.done.jobs++;
    else {
      this.done.left++;
      return;
    }
    this.known.add(job.id);
  }

  /** The log comes job by job. */
  async entries(): Promise<void> {
    let batch: LogEntry[] = [];
    let [of, length] = ["", 0];
    const flush = async () => {
      if (batch.length > 0) await this.append(of as JobId, batch);
      [batch, length] = [[], 0];
      this.tell();
    };
    for await (const line of this.archive.entries()) {
      const { jobId = "", entry } = LogLine.safeParse(line).data ?? {};
      const read = parseTolerantly(LogEntry, entry);
      if (!read.ok || !this.known.has(jobId)) {
        this.done.left++;
        continue;
      }
      // Who wrote it stays; the server puts in who imported it.
      const imported = { ...read.value, importedBy: "import" };
      const size = JSON.stringify(imported).length;
      if (jobId !== of || batch.length >= BATCH.entries || length + size > BATCH.length) await flush();
      of = jobId;
      batch.push(imported);
      length += size;
    }
    await flush();
  }

  /** Adds entries to a job; where one of them can’t be added, the others are. */
  private async append(jobId: JobId, entries: readonly LogEntry[]): Promise<void> {
    const reply = await this.sent(entriesRequest(jobId, entries));
    if (reply.outcome === "done") this.done.entries += (reply.body as Answer<"appendLog">).added;
    else if (entries.length === 1) this.done.left++;
    else {
      const half = Math.ceil(entries.length / 2);
      await this.append(jobId, entries.slice(0, half));
      await this.append(jobId, entries.slice(half));
    }
  }

  /** They come job by job; what a job has already isn’t sent again. */
  async photos(): Promise<void> {
    let [of, there] = ["", new Set<string>()];
    for (const photo of this.archive.photos) {
      const { id, jobId } = photo;
      if (jobId !== of) [of, there] = [jobId, await this.photosThere(jobId)];
      if (there.has(id)) continue;
      const picture = this.known.has(jobId) ? await this.archive.picture(photo) : undefined;
      if (picture && (await this.photo(photo, picture))) this.done.photos++;
      else this.done.left++;
      this.tell();
    }
  }

  private async photosThere(jobId: JobId): Promise<Set<string>> {
    if (!this.known.has(jobId)) return new Set();
    const reply = await this.sent({ method: "GET", path: pathOf("listPhotos", { jobId }) });
    const photos = reply.outcome === "done" ? (reply.body as Answer<"listPhotos">).photos : [];
    return new Set(photos.map(({ id }) => id));
  }

  private async photo(photo: Photo, picture: Blob): Promise<boolean> {
    const { id, jobId, width: _width, height: _height, ...facts } = photo;
    const row = { id, jobId, facts: { ...facts, importedBy: "import" }, picture };
    return (await this.sent(photoRequest(row))).outcome === "done";
  }
}
