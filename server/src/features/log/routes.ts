import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { appendLog, readLog } from "./service.ts";

export function logRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readLog, ({ params, query }, { crewId }) =>
    readLog(db, crewId, params.jobId, query.after),
  );
  mount(router, endpoints.appendLog, ({ params, body }, { crewId }) =>
    appendLog(db, crewId, params.jobId, body.entries),
  );
}
