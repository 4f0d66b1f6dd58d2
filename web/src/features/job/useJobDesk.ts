import { skipToken } from "@reduxjs/toolkit/query";
import { faultsOf, Job, type JobId, jobInput, type LogEntry, type Shelf } from "@scutch/contract";
import { type JobInput, planWork, type WorkPlan } from "@scutch/core/plan";
import { useCallback, useMemo } from "react";
import { type LoadFailure, useJobQuery, useLogQuery, useShelfQuery } from "../../api/scutchApi.ts";
import { useAppDispatch } from "../../app/store.ts";
import { startOf } from "../../format/time.ts";
import { contractFault } from "../../format/words.ts";
import { changeJob } from "../../offline/changes.ts";
import { type Dried, useDrying } from "../../workers/useDrying.ts";

/** Writes a limit that was broken in the unit of the field that broke it. */
export type ShowLimit = (limit: number, field: string | number | undefined) => string;

/** Everything the phases of an open job work with. */
export interface JobDesk {
  readonly job: Job;
  readonly shelf: Shelf;
  readonly log: readonly LogEntry[];
  /** What the plan is computed from, and the plan. */
  readonly input: JobInput;
  readonly work: WorkPlan;
  readonly dried: Dried | undefined;
  /** Milliseconds since 1970 at which the job starts. */
  readonly start: number;
  /** Changes the plan; a returned sentence says why it was refused, and then nothing has changed. */
  readonly edit: (change: (job: Job) => Job, showLimit?: ShowLimit) => string | undefined;
}

export type Desk =
  | { readonly state: "loading" }
  | { readonly state: "failed"; readonly code: LoadFailure["code"]; readonly retry: () => void }
  | { readonly state: "ready"; readonly desk: JobDesk };

const NOTHING: readonly LogEntry[] = [];

/** Opens a job: its plan, its log, the shelf, and what follows from them. */
export function useJobDesk(jobId: JobId | undefined): Desk {
  const dispatch = useAppDispatch();
  const jobQuery = useJobQuery(jobId ?? skipToken);
  const logQuery = useLogQuery(jobId ?? skipToken);
  const shelfQuery = useShelfQuery();
  const job = jobQuery.data?.job;
  const log = logQuery.data ?? NOTHING;
  const shelf = shelfQuery.data;
  const start = job ? startOf(job) : 0;

  const planned = useMemo(() => {
    if (!job || !shelf) return undefined;
    const site = shelf.sites.find(({ id }) => id === job.siteId);
    const input = jobInput(job, { ...shelf, ...(site ? { site } : {}), log, startsAt: startOf(job) });
    return { input, work: planWork(input) };
  }, [job, shelf, log]);
  const work = planned?.work;
  const dried = useDrying(work);

  const edit = useCallback(
    (change: (job: Job) => Job, showLimit: ShowLimit = String): string | undefined => {
      if (!job) return undefined;
      const checked = Job.safeParse(change(job));
      if (!checked.success) {
        const [fault] = faultsOf(checked.error);
        return fault
          ? contractFault(fault, (limit) => showLimit(limit, fault.path.at(-1)))
          : "This isn’t allowed here.";
      }
      dispatch(changeJob(job, checked.data));
      return undefined;
    },
    [dispatch, job],
  );

  const failure = jobQuery.error ?? shelfQuery.error;
  if (jobId === undefined || failure)
    return {
      state: "failed",
      code: failure && "code" in failure && failure.code === "offline" ? "offline" : "not-found",
      retry: () => {
        void jobQuery.refetch();
        void logQuery.refetch();
        void shelfQuery.refetch();
      },
    };
  if (!job || !shelf || !planned || logQuery.data === undefined) return { state: "loading" };
  return { state: "ready", desk: { job, shelf, log, ...planned, dried, start, edit } };
}
