import { createApi, fakeBaseQuery } from "@reduxjs/toolkit/query/react";
import {
  endpoints,
  type Job,
  type JobId,
  type JobPage,
  type LogEntry,
  type Shelf,
  type Stock,
} from "@scutch/contract";
import { type LocalDb, openLocal } from "../offline/local.ts";
import {
  jobsView,
  jobView,
  keepEntries,
  keepJobs,
  logView,
  type PhotoHere,
  photosView,
  shelfView,
  stockView,
} from "../offline/views.ts";
import { ask } from "./ask.ts";

/** This device's copy, opened once. */
let opened: Promise<LocalDb> | undefined;
export function localDb(): Promise<LocalDb> {
  opened ??= openLocal();
  return opened;
}

export type LoadFailure = { readonly code: "offline" } | { readonly code: "not-found" };

export interface JobHere {
  /** 0: the server has never had it. */
  version: number;
  job: Job;
}

/** Counts what was changed here, so that an answer computed before a change doesn't undo it on the screen. */
let changes = 0;
export const noteChange = () => {
  changes++;
};

interface Source<T> {
  /** As this device has it. */
  readonly here: (local: LocalDb) => Promise<T | undefined>;
  /** Asks the server and keeps its answer; says whether it answered. */
  readonly fetch: (local: LocalDb) => Promise<"kept" | "not-found" | "unreachable">;
}

/**
 * Answers from this device at once where it can, and asks the server behind that; `show` puts the fresher answer on
 * the screen. Only what this device has never seen waits for the server.
 */
async function localFirst<T>(
  source: Source<T>,
  show: (fresh: T) => void,
): Promise<{ data: T } | { error: LoadFailure }> {
  const local = await localDb();
  const known = await source.here(local);
  const fetched = source.fetch(local);
  if (known !== undefined) {
    void fetched.then(async (outcome) => {
      const before = changes;
      const fresh = outcome === "kept" ? await source.here(local) : undefined;
      if (fresh !== undefined && changes === before) show(fresh);
    });
    return { data: known };
  }
  const outcome = await fetched;
  const fresh = outcome === "kept" ? await source.here(local) : undefined;
  if (fresh !== undefined) return { data: fresh };
  return { error: { code: outcome === "unreachable" ? "offline" : "not-found" } };
}

const jobsSource: Source<JobPage> = {
  here: async (local) =>
    (await local.count("jobs")) + (await local.count("outbox")) > 0 ? jobsView(local) : undefined,
  async fetch(local) {
    const askedAt = Date.now();
    const page = await ask(endpoints.listJobs);
    if (!page) return "unreachable";
    await keepJobs(local, page.jobs, askedAt);
    return "kept";
  },
};

const jobSource = (jobId: JobId): Source<JobHere> => ({
  here: (local) => jobView(local, jobId),
  async fetch(local) {
    const askedAt = Date.now();
    const stored = await ask(endpoints.readJob, { jobId });
    if (stored) await keepJobs(local, [stored], askedAt);
    return stored ? "kept" : stored === null ? "not-found" : "unreachable";
  },
});

const logSource = (jobId: JobId): Source<LogEntry[]> => ({
  // A log this device has never seen isn't an empty one: shown as such, a fill that was made would be asked for again.
  here: async (local) => {
    const entries = await logView(local, jobId);
    return entries.length > 0 || (await local.getKey("entries", jobId)) !== undefined ? entries : undefined;
  },
  async fetch(local) {
    const askedAt = Date.now();
    const answer = await ask(endpoints.readLog, { jobId });
    if (answer) await keepEntries(local, jobId, answer.entries, askedAt);
    return answer ? "kept" : answer === null ? "not-found" : "unreachable";
  },
});

const photosSource = (jobId: JobId): Source<PhotoHere[]> => ({
  here: (local) => photosView(local, jobId),
  async fetch(local) {
    const answer = await ask(endpoints.listPhotos, { jobId });
    if (answer) await local.put("photos", { jobId, photos: answer.photos });
    return answer ? "kept" : answer === null ? "not-found" : "unreachable";
  },
});

const shelfSource: Source<Shelf> = {
  here: shelfView,
  async fetch(local) {
    const shelf = await ask(endpoints.readShelf);
    if (!shelf) return "unreachable";
    await local.put("shelf", shelf, "shelf");
    return "kept";
  },
};

const stockSource: Source<Stock> = {
  here: stockView,
  async fetch(local) {
    const stock = await ask(endpoints.readStock);
    if (!stock) return "unreachable";
    await local.put("stock", stock, "stock");
    return "kept";
  },
};

/** What the screens read. Changing things goes through the outbox: see offline/changes. */
export const scutchApi = createApi({
  reducerPath: "api",
  baseQuery: fakeBaseQuery<LoadFailure>(),
  refetchOnMountOrArgChange: 30,
  endpoints: (build) => ({
    jobs: build.query<JobPage, void>({
      queryFn: (_, { dispatch }) =>
        localFirst(
          jobsSource,
          (fresh) => void dispatch(scutchApi.util.upsertQueryData("jobs", undefined, fresh)),
        ),
    }),
    job: build.query<JobHere, JobId>({
      queryFn: (jobId, { dispatch }) =>
        localFirst(
          jobSource(jobId),
          (fresh) => void dispatch(scutchApi.util.upsertQueryData("job", jobId, fresh)),
        ),
    }),
    log: build.query<LogEntry[], JobId>({
      queryFn: async (jobId, { dispatch }) => {
        const log = await localFirst(
          logSource(jobId),
          (fresh) => void dispatch(scutchApi.util.upsertQueryData("log", jobId, fresh)),
        );
        // With no connection the job opens all the same, on what is known of it here: nothing yet.
        return "error" in log ? { data: [] } : log;
      },
    }),
    photos: build.query<PhotoHere[], JobId>({
      queryFn: (jobId, { dispatch }) =>
        localFirst(
          photosSource(jobId),
          (fresh) => void dispatch(scutchApi.util.upsertQueryData("photos", jobId, fresh)),
        ),
    }),
    stock: build.query<Stock, void>({
      queryFn: (_, { dispatch }) =>
        localFirst(
          stockSource,
          (fresh) => void dispatch(scutchApi.util.upsertQueryData("stock", undefined, fresh)),
        ),
    }),
    shelf: build.query<Shelf, void>({
      queryFn: (_, { dispatch }) =>
        localFirst(
          shelfSource,
          (fresh) => void dispatch(scutchApi.util.upsertQueryData("shelf", undefined, fresh)),
        ),
    }),
  }),
});

export const { useJobsQuery, useJobQuery, useLogQuery, usePhotosQuery, useShelfQuery, useStockQuery } =
  scutchApi;
