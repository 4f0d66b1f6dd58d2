import { Job, type LogEntry, parseTolerantly } from "@scutch/contract";
import type { ReviewedJob } from "@scutch/core/review";
import { useEffect, useMemo, useState } from "react";
import type { PullResult } from "../../device/ask.ts";
import { useDeviceQuery, usePull, useStableValue } from "../../device/deviceQuery.ts";
import { currentPlan } from "../../device/jobRow.ts";
import { knownEntry } from "../../device/knownEntry.ts";
import { useLocalShelf } from "../../device/localRecords.ts";
import { pullDays } from "../../device/pull.ts";
import { statePlan } from "../../planning/computePlan.ts";
import { placeOf } from "../../planning/place.ts";
import { reviewJob } from "../../planning/reviewJob.ts";
import { askPlan } from "../../planning/scheduleCache.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useMoney } from "../../state/useMoney.ts";
import { useUnits } from "../../state/useUnits.ts";

/** A job of the days looked at, with its name. */
export interface NamedReview extends ReviewedJob {
  readonly place: string;
  readonly title: string;
}

export interface Review {
  /** Those worked out so far; undefined until this device has been read. */
  readonly jobs: readonly NamedReview[] | undefined;
  /** Still to be worked out. */
  readonly left: number;
  /** How asking the server for those days went. */
  readonly pulled: PullResult | "asking";
}

interface Kept {
  readonly job: Job;
  readonly log: readonly LogEntry[];
}

/** Jobs of some days on this device, removed ones left out, each with its log. */
function useJobsOf(from: string, to: string): readonly Kept[] | undefined {
  const found = useDeviceQuery(
    async (db) => {
      const rows = (await db.jobs.toArray()).map(currentPlan);
      const jobs = rows.flatMap((plan): Job[] => {
        if (!(plan.day >= from && plan.day <= to)) return [];
        const job = parseTolerantly(Job, plan);
        return job.ok && !job.value.removed ? [job.value] : [];
      });
      const entries = await db.entries
        .where("jobId")
        .anyOf(jobs.map(({ id }) => id))
        .toArray();
      return jobs.map((job) => ({
        job,
        log: entries.flatMap(({ jobId, entry }) => (jobId === job.id ? (knownEntry(entry) ?? []) : [])),
      }));
    },
    [from, to],
  );
  return useStableValue(found);
}

/** The jobs of some days, looked back on; each is planned in the worker, one after the other. */
export function useReview(from: string, to: string): Review {
  const { state } = usePull(`days ${from} ${to}`, ({ db, send }) => pullDays(db, send, from, to));
  const kept = useJobsOf(from, to);
  const shelf = useLocalShelf();
  const { settings } = useAppSelector(selectCrew);
  const { digits } = useMoney();
  const { system } = useUnits();
  const [reviewed, setReviewed] = useState<{ of: unknown; jobs: readonly NamedReview[] }>();
  const asked = useMemo(
    () => (kept && shelf && settings ? { kept, shelf, settings, money: { digits, system } } : undefined),
    [kept, shelf, settings, digits, system],
  );
  useEffect(() => {
    if (!asked) return;
    setReviewed({ of: asked, jobs: [] });
    const letGo = asked.kept.map(({ job, log }) => {
      // As it stood before anything was logged: what is logged is what it is held against.
      const { input } = statePlan(job, asked.shelf, [], { pace: asked.settings.pace });
      return askPlan(job.id, { input, isDried: false }, ({ work }) => {
        const review = reviewJob({ job, log, input, work }, asked);
        const place = placeOf(job, asked.shelf).site?.name ?? "Unknown place";
        setReviewed((before) =>
          before?.of === asked
            ? { of: asked, jobs: [...before.jobs, { ...review, place, title: job.title }] }
            : before,
        );
      });
    });
    return () => {
      for (const each of letGo) each();
    };
  }, [asked]);
  const jobs = reviewed?.of === asked ? reviewed?.jobs : undefined;
  return { jobs, left: (kept?.length ?? 0) - (jobs?.length ?? 0), pulled: state };
}
