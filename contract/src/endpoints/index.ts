import type * as z from "zod";
import { accountEndpoints } from "./account.ts";
import { changeEndpoints } from "./change.ts";
import { crewEndpoints } from "./crew.ts";
import type { Endpoint, Needs } from "./endpoint.ts";
import { forecastEndpoints } from "./forecast.ts";
import { jobEndpoints } from "./job.ts";
import { logEndpoints } from "./log.ts";
import { PATHS } from "./paths.ts";
import { photoEndpoints } from "./photo.ts";
import { recordEndpoints } from "./record.ts";
import { shelfEndpoints } from "./shelf.ts";
import { stockEndpoints } from "./stock.ts";

export type { Endpoint, Needs } from "./endpoint.ts";
export type { HeldJob, NewerJob, Visit } from "./job.ts";
export type { LogPart } from "./log.ts";
export { RecordChange } from "./record.ts";

export const endpoints = {
  ...accountEndpoints,
  ...changeEndpoints,
  ...crewEndpoints,
  ...forecastEndpoints,
  ...jobEndpoints,
  ...logEndpoints,
  ...photoEndpoints,
  ...recordEndpoints,
  ...shelfEndpoints,
  ...stockEndpoints,
} satisfies Record<string, Endpoint>;

/** Streams of server-sent events: what it takes to listen. */
export const streams = {
  followChanges: { path: PATHS.followChanges, needs: "read" },
  followLogger: { path: PATHS.followLogger, needs: "log" },
} as const satisfies Record<string, { readonly path: string; readonly needs: Needs }>;

export type Endpoints = typeof endpoints;
export type Shelf = z.infer<Endpoints["readShelf"]["response"]>;
