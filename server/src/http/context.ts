import type { Request, Response } from "express";
import type { Actor } from "../actor.ts";
import type { BlobStore } from "../blobs/blobStore.ts";
import type { Db } from "../db/connect.ts";
import type { ForecastService } from "../forecast/forecastService.ts";
import type { LoggerService } from "../logger/loggerService.ts";
import type { Mailbox } from "../mail/mailbox.ts";
import type { Mailer } from "../mail/mailer.ts";
import type { ChangeFeed } from "./changeFeed.ts";

/**
 * Tells who a request comes from, doing the work of the crew it names or of their own; undefined: not signed in. What keeps the
 * sign-in alive goes out with the response.
 */
export type ActorOf = (
  request: Request,
  crew: string | undefined,
  response: Response,
) => Promise<Actor | undefined>;

/** What requests are answered with. */
export interface Context {
  readonly db: Db;
  readonly blobs: BlobStore;
  /** What all pictures of a crew may take together, bytes. */
  readonly photoQuota: number;
  readonly actorOf: ActorOf;
  readonly feed: ChangeFeed;
  readonly forecasts: ForecastService;
  readonly loggers: LoggerService;
  /** Absent: no mail can be sent. */
  readonly mailer?: Mailer | undefined;
  /** What stands in for a mail server, to be read. */
  readonly mailbox?: Mailbox | undefined;
  /** Where browsers reach this server, for links. */
  readonly origin: string;
}
