import { Job, OPEN_DAYS, parseTolerantly, type Shelf } from "@scutch/contract";
import { roomFinishTimes } from "@scutch/core/log";
import { useMemo } from "react";
import { useDeviceQuery, useStableValue } from "../../device/deviceQuery.ts";
import { currentPlan } from "../../device/jobRow.ts";
import { knownEntry } from "../../device/knownEntry.ts";
import { dayBefore, dayOf } from "../../format/time.ts";
import { type GearCount, gearStanding, type KnownJob, totalGear } from "../../planning/gearStanding.ts";
import { nameById } from "../../planning/nameById.ts";
import { startOf } from "../../planning/place.ts";

/** The van’s gear that stands at other jobs, and at which. */
export interface GearElsewhere extends GearCount {
  readonly places: readonly string[];
}

const NONE: GearElsewhere = { movers: 0, dehumidifiers: 0, places: [] };

/** Gear that other jobs have when this one wants it: in their finished rooms, or planned for them earlier on the same day. */
export function gearElsewhere(
  others: readonly KnownJob[],
  job: Job,
  shelf: Shelf,
  now: number,
): GearElsewhere {
  const own = startOf(job, shelf);
  const has = others.flatMap((known) => {
    const isBegun = known.log.length > 0;
    // Under way it has what its finished rooms have; not begun, what is planned for it, if it comes first.
    if (isBegun && roomFinishTimes(known.log).size === 0) return [];
    if (!isBegun && (known.job.day !== job.day || startOf(known.job, shelf) >= own)) return [];
    const gear = totalGear(gearStanding(known, shelf, now));
    const place = nameById(shelf.sites, known.job.siteId, "another job");
    return gear.movers + gear.dehumidifiers > 0 ? [{ ...gear, place }] : [];
  });
  return { ...totalGear(has), places: has.map(({ place }) => place) };
}

/** {@link gearElsewhere} as far as this device knows. A job of a day to come has all of it: until then it is fetched. */
export function useGearElsewhere(job: Job, shelf: Shelf, now: number): GearElsewhere {
  const today = dayOf(now);
  const isToCome = job.day > today;
  const found = useDeviceQuery(
    async (db) => {
      if (isToCome) return [];
      const since = dayBefore(today, OPEN_DAYS);
      const cards = await db.cards.filter(({ day }) => day >= since && day <= today).toArray();
      const ids = cards.map(({ id }) => id as string).filter((id) => id !== job.id);
      const rows = (await db.jobs.bulkGet(ids)).filter((row) => row !== undefined);
      const entries = await db.entries.where("jobId").anyOf(ids).toArray();
      return rows.map((row) => ({
        plan: currentPlan(row),
        entries: entries.filter(({ jobId }) => jobId === row.id).map(({ entry }) => entry),
      }));
    },
    [job.id, today, isToCome],
  );
  const steady = useStableValue(found);
  const others = useMemo(
    () =>
      (steady ?? []).flatMap(({ plan, entries }): KnownJob[] => {
        const known = parseTolerantly(Job, plan);
        if (!known.ok || known.value.removed) return [];
        return [{ job: known.value, log: entries.flatMap((entry) => knownEntry(entry) ?? []) }];
      }),
    [steady],
  );
  const minute = Math.floor(now / 60_000) * 60_000;
  return (
    useStableValue(useMemo(() => gearElsewhere(others, job, shelf, minute), [others, job, shelf, minute])) ??
    NONE
  );
}
