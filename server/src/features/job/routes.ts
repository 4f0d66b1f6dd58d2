import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../app.ts";
import { mount } from "../../http/mount.ts";
import { listJobs, readJob, saveJob } from "./service.ts";

export function jobRoutes(router: Router, { db, crewId }: Context): void {
  mount(router, endpoints.listJobs, ({ query }) => listJobs(db, crewId, query.before, query.limit));
  mount(router, endpoints.readJob, ({ params }) => readJob(db, crewId, params.jobId));
  mount(router, endpoints.saveJob, ({ params, body }) =>
    saveJob(db, crewId, params.jobId, body.baseVersion, body.job),
  );
}
