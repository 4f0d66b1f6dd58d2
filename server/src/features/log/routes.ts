import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../app.ts";
import { mount } from "../../http/mount.ts";
import { appendLog, readLog } from "./service.ts";

export function logRoutes(router: Router, { db, crewId }: Context): void {
  mount(router, endpoints.readLog, ({ params }) => readLog(db, crewId, params.jobId));
  mount(router, endpoints.appendLog, ({ params, body }) => appendLog(db, crewId, params.jobId, body.entries));
}
