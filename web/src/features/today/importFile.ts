import type { CrewFile, JobFile } from "@scutch/contract";
import type { Send } from "../../device/api.ts";
import { pathOf } from "../../device/api.ts";
import { addJob, addJobWithLog, saveRecord } from "../../device/changes.ts";
import type { DeviceDb } from "../../device/db.ts";
import { copyOf } from "../../planning/jobCopy.ts";

/** Whether a job is known, here or on the server; undefined where the server can't be asked. */
async function isKnown(db: DeviceDb, send: Send, jobId: string): Promise<boolean | undefined> {
  if (await db.jobs.get(jobId)) return true;
  const reply = await send("GET", pathOf("readJob", { jobId }));
  if (reply.outcome === "done") return true;
  return reply.outcome === "refused" && reply.status === 404 ? false : undefined;
}

/** What the file's own things are needed for: each that isn't here yet is added, none that is here is changed. */
async function addMissing(
  db: DeviceDb,
  things: {
    readonly products: JobFile["products"];
    readonly vessels: JobFile["vessels"];
    readonly gear: NonNullable<JobFile["gear"]>;
    readonly sites: readonly NonNullable<JobFile["site"]>[];
    readonly customers?: CrewFile["customers"];
    readonly lots?: CrewFile["lots"];
  },
): Promise<void> {
  const there = async (kind: string, id: string) => (await db.things.get(`${kind}:${id}`)) !== undefined;
  // Before their places, which are kept as they are only while the customer is.
  for (const each of things.customers ?? [])
    if (!(await there("customer", each.id))) saveRecord("customer", each);
  for (const each of things.sites) if (!(await there("site", each.id))) saveRecord("site", each);
  for (const each of things.products) if (!(await there("product", each.id))) saveRecord("product", each);
  for (const each of things.vessels) if (!(await there("vessel", each.id))) saveRecord("vessel", each);
  for (const each of things.gear) if (!(await there("gear", each.id))) saveRecord("gear", each);
  for (const each of things.lots ?? []) if (!(await there("lot", each.id))) saveRecord("lot", each);
}

export interface ImportResult {
  readonly jobs: number;
  /** Of them, made as a copy without its log, because a job of that name by its id is here already. */
  readonly copies: number;
  readonly left: number;
}

/** Reads a job in: as it is with its log, or, where it is known already, as a copy beside it. */
export async function importJob(db: DeviceDb, send: Send, file: JobFile): Promise<ImportResult> {
  const { products, vessels, gear = [], site, job, log = [] } = file;
  await addMissing(db, { products, vessels, gear, sites: site ? [site] : [] });
  // With no signal it can't be known whether another device has it: a copy is never wrong.
  if ((await isKnown(db, send, job.id)) === false) {
    await addJobWithLog(job, log);
    return { jobs: 1, copies: 0, left: 0 };
  }
  addJob(copyOf(job, { day: job.day, title: `${job.title}, copy`.slice(0, 120) }), undefined);
  return { jobs: 1, copies: 1, left: 0 };
}

/** Reads a crew's data in: what isn't here yet is added; jobs that are known already are left as they are. */
export async function importCrew(db: DeviceDb, send: Send, file: CrewFile): Promise<ImportResult> {
  await addMissing(db, file);
  let [jobs, left] = [0, 0];
  for (const { job, log } of file.jobs) {
    if ((await isKnown(db, send, job.id)) === false) {
      await addJobWithLog(job, log);
      jobs++;
    } else left++;
  }
  return { jobs, copies: 0, left };
}
