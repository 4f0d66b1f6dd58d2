import { faultsOf, Job, type JobId, type LogEntry } from "@scutch/contract";
import { useCallback, useDeferredValue, useMemo } from "react";
import { changeJob } from "../device/changes.ts";
import { noteChecked } from "../device/checkedPlans.ts";
import { usePull } from "../device/deviceQuery.ts";
import { type LocalLog, useLocalJob, useLocalLog } from "../device/localJob.ts";
import { useLocalShelf } from "../device/localRecords.ts";
import { pullJob, pullShelf } from "../device/pull.ts";
import { pullLog } from "../device/pullLog.ts";
import { limitsIn, type ShowLimit } from "../format/readers.ts";
import { contractFault } from "../format/words.ts";
import { useUnits } from "../state/useUnits.ts";
import type { Planned } from "./computePlan.ts";
import { fitMixes } from "./fitMixes.ts";
import { type DryingForecast, useDried } from "./useDried.ts";
import { useLateStart } from "./useLateStart.ts";
import { usePlanned } from "./usePlanned.ts";
import { useVesselContents } from "./useVesselContents.ts";

/** The phase of the job in sight, by its address: /jobs/ID/survey. */
const screenInSight = () => location.pathname.split("/")[3] ?? "";

/** Everything the phases of an open job work with. */
export interface JobDesk extends Omit<Planned, "result"> {
  readonly dried: DryingForecast | undefined;
  /** Entries only a newer version of the app understands, and whether something in the plan is such. */
  readonly newer: LocalLog["newer"];
  readonly newerPlan: boolean;
  /** Changes the plan; a returned sentence says why it was refused, and then nothing has changed. */
  readonly edit: (change: (job: Job) => Job, showLimit?: ShowLimit) => string | undefined;
}

/** `logNow`: its log this moment; the desk follows it. */
export type Desk =
  /** `isLacking`: this device has been read, and the server has to be asked. */
  | { readonly state: "loading"; readonly isLacking: boolean }
  | {
      readonly state: "failed";
      readonly code: "offline" | "not-found" | "newer" | "unreadable";
      readonly retry: () => void;
    }
  | { readonly state: "ready"; readonly desk: JobDesk; readonly logNow: readonly LogEntry[] };

/** What a job's log says once there is time for all that follows from it; of another job at once. */
function useLater<T>(log: T, jobId: JobId | undefined): T {
  const pair = useMemo(() => ({ log, jobId }), [log, jobId]);
  const later = useDeferredValue(pair);
  return later.jobId === jobId ? later.log : log;
}

/** A plan as it may be, or what is wrong with it in a sentence. */
function checkPlan(plan: Job, showLimit: ShowLimit): { readonly plan: Job } | { readonly fault: string } {
  const checked = Job.safeParse(plan);
  if (checked.success) {
    noteChecked(checked.data);
    return { plan: checked.data };
  }
  const [fault] = faultsOf(checked.error);
  return {
    fault: fault
      ? contractFault(fault, (limit) => showLimit(limit, fault.path.at(-1)))
      : "This isn’t allowed here.",
  };
}

/** What is wrong with a plan, in a sentence; undefined where nothing is. */
export function planFault(plan: Job, showLimit: ShowLimit = String): string | undefined {
  const checked = checkPlan(plan, showLimit);
  return "fault" in checked ? checked.fault : undefined;
}

/** Opens a job: its plan, its log, the shelf, and what follows from them. */
export function useJobDesk(jobId: JobId | undefined): Desk {
  const here = useLocalJob(jobId);
  const logNow = useLocalLog(jobId);
  const logHere = useLater(logNow, jobId);
  const shelf = useLocalShelf();
  const job = usePull(jobId && `job ${jobId}`, ({ db, send }) => pullJob(db, send, jobId as JobId));
  const log = usePull(jobId && `log ${jobId}`, ({ db, send }) => pullLog(db, send, jobId as JobId));
  const shelves = usePull("shelf", ({ db, send }) => pullShelf(db, send));
  const { plan } = here;
  const units = useUnits();
  const vesselContents = useVesselContents(plan);
  const lateStart = useLateStart(plan, shelf, logHere?.entries);
  const known = usePlanned(plan, shelf, logHere?.entries, { vesselContents, lateStart });
  const dried = useDried(known);
  const edit = useCallback(
    (change: (job: Job) => Job, showLimit?: ShowLimit): string | undefined => {
      if (!plan) return undefined;
      const changed = change(plan);
      const after = shelf ? fitMixes(plan, changed, shelf) : changed;
      const checked = checkPlan(after, showLimit ?? limitsIn(units));
      if ("fault" in checked) return checked.fault;
      changeJob(plan, checked.plan, screenInSight());
      return undefined;
    },
    [plan, units, shelf],
  );
  const desk = useMemo((): JobDesk | undefined => {
    if (!known || !logHere) return undefined;
    const { result: _, ...rest } = known;
    return {
      ...rest,
      newer: logHere.newer,
      newerPlan: here.newer,
      dried,
      edit,
    };
  }, [known, logHere, here.newer, dried, edit]);

  if (desk) return { state: "ready", desk, logNow: logNow?.entries ?? desk.log };
  const retry = () => {
    job.again();
    log.again();
    shelves.again();
  };
  if (here.read && here.newer && !plan) return { state: "failed", code: "newer", retry };
  const lacks = !plan ? job.state : shelf === null ? shelves.state : "asking";
  if (jobId === undefined) return { state: "failed", code: "not-found", retry };
  if (here.read && shelf !== undefined && lacks !== "asking" && lacks !== "kept")
    return {
      state: "failed",
      code: lacks === "not-found" || lacks === "unreadable" ? lacks : "offline",
      retry,
    };
  return { state: "loading", isLacking: here.read && (!plan || shelf === null) };
}
