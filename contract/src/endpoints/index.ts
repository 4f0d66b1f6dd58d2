import type * as z from "zod";
import { changeEndpoints } from "./change.ts";
import { crewEndpoints } from "./crew.ts";
import type { Endpoint } from "./endpoint.ts";
import { forecastEndpoints } from "./forecast.ts";
import { jobEndpoints } from "./job.ts";
import { logEndpoints } from "./log.ts";
import { photoEndpoints } from "./photo.ts";
import { recordEndpoints } from "./record.ts";
import { shelfEndpoints } from "./shelf.ts";
import { stockEndpoints } from "./stock.ts";

export type { Endpoint } from "./endpoint.ts";
export type { HeldJob, NewerJob, Visit } from "./job.ts";
export type { LogPart } from "./log.ts";
export { RecordChange } from "./record.ts";

export const endpoints = {
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

export type Endpoints = typeof endpoints;
export type Shelf = z.infer<Endpoints["readShelf"]["response"]>;
