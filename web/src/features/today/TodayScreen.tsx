import type { JobId } from "@scutch/contract";
import { format } from "date-fns";
import { Plus } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { useJobsQuery, useShelfQuery } from "../../api/scutchApi.ts";
import { useKey } from "../../app/useKey.ts";
import { dayOf } from "../../format/time.ts";
import { Button } from "../../ui/Button.tsx";
import { Empty, Failed, Loading } from "../../ui/States.tsx";
import { useNow } from "../job/useNow.ts";
import { JobRow } from "./JobRow.tsx";

const DAY = 86_400_000;
/** Brings the form library with it: not part of the first load. */
const NewJobDialog = lazy(async () => ({ default: (await import("./NewJobDialog.tsx")).NewJobDialog }));

/** The crew's jobs round today. */
export function TodayScreen() {
  const now = useNow();
  const jobs = useJobsQuery();
  const shelf = useShelfQuery();
  const [adding, setAdding] = useState(false);
  useKey("n", () => setAdding(true));
  const list = jobs.data?.jobs.map(({ job }) => job) ?? [];
  const today = dayOf(now);
  const soonestFirst = (a: { day: string; startsAt: string }, b: { day: string; startsAt: string }) =>
    `${a.day} ${a.startsAt}`.localeCompare(`${b.day} ${b.startsAt}`);
  const groups = [
    ["Today", list.filter((job) => job.day === today).toSorted(soonestFirst)],
    ["To come", list.filter((job) => job.day > today).toSorted(soonestFirst)],
    ["Before", list.filter((job) => job.day < today)],
  ] as const;

  return (
    <div className="mx-auto max-w-4xl px-4 pt-5 pb-10 sm:px-7 sm:pt-7">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="text-soft">{shelf.data?.crew ?? "\u00a0"}</p>
          <h1 className="font-bold text-3xl">{format(now, "EEEE d MMMM")}</h1>
        </div>
        <Button weight="main" onClick={() => setAdding(true)} disabled={!shelf.data}>
          <Plus aria-hidden size={22} /> New job
        </Button>
      </div>
      {jobs.isLoading && <Loading what="the jobs" />}
      {jobs.error && <Failed code="offline" what="job list" onRetry={() => void jobs.refetch()} />}
      {jobs.data && list.length === 0 && (
        <Empty title="No jobs yet.">
          Make the first one: a place, and the sizes of its rooms, are enough for a plan.
        </Empty>
      )}
      {groups.map(
        ([name, group]) =>
          group.length > 0 && (
            <section key={name} className="mt-7">
              <h2 className="mb-2 font-semibold text-soft">{name}</h2>
              <ul className="grid gap-3">
                {group.slice(0, 30).map((job) => (
                  <JobRow key={job.id} jobId={job.id as JobId} now={now} />
                ))}
              </ul>
            </section>
          ),
      )}
      {adding && shelf.data && (
        <Suspense>
          <NewJobDialog
            shelf={shelf.data}
            day={dayOf(now + (new Date(now).getHours() >= 17 ? DAY : 0))}
            onClose={() => setAdding(false)}
          />
        </Suspense>
      )}
    </div>
  );
}
