import { Job, parseTolerantly } from "@scutch/contract";
import { type VesselUser, vesselContents } from "@scutch/core/log";
import { useDeviceQuery, useStableValue } from "../device/deviceQuery.ts";
import { currentPlan } from "../device/jobRow.ts";
import { knownEntry } from "../device/knownEntry.ts";

/** Products that the day's other jobs left unrinsed in the van's vessels, by vessel, as far as this device knows. */
export function useVesselContents(
  job: Job | undefined,
): Readonly<Record<string, readonly string[]>> | undefined {
  const found = useDeviceQuery(
    async (db) => {
      if (!job) return undefined;
      const userOf = async (plan: Job): Promise<VesselUser> => {
        const rows = await db.entries.where("jobId").equals(plan.id).toArray();
        const log = rows.flatMap(({ entry }) => knownEntry(entry) ?? []);
        return { batches: plan.batches, log };
      };
      // Only the day's are read closely: a device may hold thousands of others.
      const rows = await db.jobs
        .filter((row) => currentPlan(row).day === job.day && row.id !== job.id)
        .toArray();
      const sameDay = rows.flatMap((row) => {
        const plan = parseTolerantly(Job, currentPlan(row));
        return plan.ok ? [plan.value] : [];
      });
      return vesselContents(await Promise.all(sameDay.map(userOf)), await userOf(job));
    },
    [job?.id, job?.day, job?.batches],
  );
  return useStableValue(found);
}
