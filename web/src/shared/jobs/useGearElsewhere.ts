import type { Job, Shelf } from "@scutch/contract";
import { useMemo } from "react";
import { dayOf } from "../../format/time.ts";
import { type GearCount, gearStanding, totalGear } from "../../planning/gearStanding.ts";
import { nameById } from "../../planning/nameById.ts";
import { startOf } from "../../planning/place.ts";
import { type JobListItem, useJobList } from "./useJobList.ts";

/** The van’s gear that stands at other jobs, and at which. */
export interface GearElsewhere extends GearCount {
  readonly places: readonly string[];
}

const NONE: GearElsewhere = { movers: 0, dehumidifiers: 0, places: [] };

/** Gear that another job has when this one wants it: in its finished rooms, or planned for it earlier on the same day. */
export function gearElsewhere(
  jobs: readonly JobListItem[],
  job: Job,
  shelf: Shelf,
  now: number,
): GearElsewhere {
  // Until a day to come it is fetched.
  if (job.day > dayOf(now)) return NONE;
  const own = startOf(job, shelf);
  const others = jobs.flatMap((item) => {
    if (item.removed || item.id === job.id) return [];
    const known = item.begun ?? (item.day === job.day && startOf(item, shelf) < own ? item.today : undefined);
    if (!known) return [];
    // Under way it has what its finished rooms have.
    if (item.entries > 0 && item.finished === 0) return [];
    const gear = totalGear(gearStanding(known, shelf, now));
    return gear.movers + gear.dehumidifiers > 0
      ? [{ ...gear, place: nameById(shelf.sites, item.siteId, "another job") }]
      : [];
  });
  return { ...totalGear(others), places: others.map(({ place }) => place) };
}

/** {@link gearElsewhere} as far as this device knows. */
export function useGearElsewhere(job: Job, shelf: Shelf, now: number): GearElsewhere {
  const jobs = useJobList(dayOf(now));
  const minute = Math.ceil(now / 60_000) * 60_000;
  return useMemo(() => (jobs ? gearElsewhere(jobs, job, shelf, minute) : NONE), [jobs, job, shelf, minute]);
}
