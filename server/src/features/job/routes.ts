import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { catchUp } from "./catchUp.ts";
import { listJobs, listVisits } from "./list.ts";
import { purgeJob } from "./purge.ts";
import { readJob, readRawJob, saveJob } from "./service.ts";

export function jobRoutes(router: Router, { db, blobs }: Context): void {
  mount(router, endpoints.listJobs, ({ query }, { crewId }) => listJobs(db, crewId, query, Date.now()));
  mount(router, endpoints.readVisits, async ({ query }, { crewId }) => ({
    visits: await listVisits(db, crewId, query.today),
  }));
  mount(router, endpoints.catchUpJobs, async ({ body }, actor) => ({
    jobs: await catchUp(db, actor, body.jobs),
  }));
  mount(router, endpoints.readRawJob, ({ params }, { crewId }) => readRawJob(db, crewId, params.jobId));
  mount(router, endpoints.readJob, ({ params }, actor) => readJob(db, actor, params.jobId));
  mount(router, endpoints.purgeJob, ({ params }, { crewId }) => purgeJob(db, blobs, crewId, params.jobId));
  mount(router, endpoints.saveJob, ({ params, body }, actor) => saveJob(db, actor, params.jobId, body));
}
