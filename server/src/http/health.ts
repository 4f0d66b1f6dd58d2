import { sql } from "drizzle-orm";
import type { Router } from "express";
import { schemaState } from "../db/migrate.ts";
import { ApiFailure } from "../failures.ts";
import type { Context } from "./context.ts";
import { withinDeadline } from "./deadline.ts";

/**
 * Health, as two questions. `live`: does the server answer? If not, start it again. `ready`: can it do its work? It can while its database
 * has the schema it was built for, or a later one, and photos can be kept. If not, send requests to another server.
 */
export function healthRoutes(router: Router, { db, blobs }: Pick<Context, "db" | "blobs">): void {
  const ok = { ok: true } as const;
  router.get("/health/live", (_request, response) => void response.json(ok));
  router.get("/health/ready", async (_request, response) => {
    const [state] = await withinDeadline(Promise.all([schemaState(db), blobs.check()]));
    // Newer: the servers of the next version are being started, and this one goes on until it is stopped.
    if (state === "older") throw new ApiFailure("unavailable");
    response.json(ok);
  });
  // Asked by devices: can work be sent?
  router.get("/health", async (_request, response) => {
    await withinDeadline(db.execute(sql`select 1`));
    response.json(ok);
  });
}
