import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { appendLog, readLog } from "./service.ts";

export function logRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readLog, ({ params, query }, actor) =>
    readLog(db, actor, params.jobId, query.after),
  );
  mount(router, endpoints.appendLog, ({ params, body }, actor) =>
    appendLog(db, actor, params.jobId, body.entries),
  );
}
