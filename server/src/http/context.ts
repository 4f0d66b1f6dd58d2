import type { CrewId } from "@scutch/contract";
import type { Request } from "express";
import type { BlobStore } from "../blobs/blobStore.ts";
import type { Db } from "../db/connect.ts";
import type { ForecastService } from "../forecast/forecastService.ts";
import type { LoggerService } from "../logger/loggerService.ts";
import type { ChangeFeed } from "./changeFeed.ts";

/** Who asks: whose work it is, and who of them where that is known. */
export interface Actor {
  readonly crewId: CrewId;
  readonly person?: string;
}

/** Tells who a request comes from; undefined: nobody who may ask. */
export type ActorOf = (request: Request) => Promise<Actor | undefined>;

/** What requests are answered with. */
export interface Context {
  readonly db: Db;
  readonly blobs: BlobStore;
  readonly actorOf: ActorOf;
  readonly feed: ChangeFeed;
  readonly forecasts: ForecastService;
  readonly loggers: LoggerService;
}
