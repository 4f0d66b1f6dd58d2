import { Job } from "@scutch/contract";
import { useState } from "react";
import { useLocation } from "react-router";
import { pathOf } from "../../device/api.ts";
import { changeJob } from "../../device/changes.ts";
import { forgetJob } from "../../device/forgetJob.ts";
import { currentPlan } from "../../device/jobRow.ts";
import { pullJob } from "../../device/pull.ts";
import { session } from "../../device/session.ts";
import { longDay } from "../../format/time.ts";
import type { JobListItem } from "../../shared/jobs/useJobList.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";

interface Props {
  readonly jobs: readonly JobListItem[];
  readonly nameOf: (siteId: string) => string;
}

/** Jobs that were taken out: to be put back, or purged for good by the owner. */
export function RemovedJobs({ jobs, nameOf }: Props) {
  const { state } = useLocation();
  // The one just taken out is in sight, to be put back at once.
  const [open, setOpen] = useState((state as { takenOut?: string } | null)?.takenOut !== undefined);
  return (
    <section aria-label="Removed" className="mt-6">
      <Button weight="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
        {jobs.length === 1 ? "One removed job" : `${jobs.length} removed jobs`}
      </Button>
      {open && (
        <ul className="border-rule border-b">
          {jobs.map((job) => (
            <Line key={job.id} job={job} name={nameOf(job.siteId)} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Line({ job, name }: { readonly job: JobListItem; readonly name: string }) {
  const [sure, setSure] = useState(false);
  const [fault, setFault] = useState<string>();
  const putBack = async () => {
    const { db, send } = session();
    const plan = async () => (await db.jobs.get(job.id)) ?? undefined;
    const row = (await plan()) ?? (await pullJob(db, send, job.id as Job["id"]).then(plan));
    if (!row) return setFault("You’re offline, and this job isn’t on this device. Try again online.");
    const before = currentPlan(row);
    changeJob(before, Job.parse({ ...before, removed: undefined }), "today");
  };
  const purge = async () => {
    const { db, send } = session();
    const reply = await send("DELETE", pathOf("purgeJob", { jobId: job.id }));
    const gone = reply.outcome === "done" || (reply.outcome === "refused" && reply.status === 404);
    if (!gone) return setFault("Couldn’t reach the server, so nothing was deleted. Try again online.");
    await forgetJob(db, job.id);
  };
  return (
    <li className="flex flex-wrap items-center justify-between gap-2 border-rule border-t py-2">
      <span>
        <strong>{name}</strong>, {job.title}
        <span className="text-soft">
          {" "}
          · {longDay(job.day)} · {job.entries === 1 ? "1 entry" : `${job.entries} entries`} in its log
        </span>
      </span>
      <span className="flex flex-wrap gap-2">
        <Button onClick={() => void putBack()}>Restore</Button>
        {sure ? (
          <Button className="text-stop" onClick={() => void purge()}>
            Delete plan, log and photos for good
          </Button>
        ) : (
          <Button weight="quiet" className="text-stop" onClick={() => setSure(true)}>
            Delete for good
          </Button>
        )}
      </span>
      <FieldError sentence={fault} />
    </li>
  );
}
