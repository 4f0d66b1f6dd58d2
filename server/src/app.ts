import express, { type Express, type RequestHandler } from "express";
import type { Logger } from "pino";
import { authRoutes, noteAddress } from "./auth/authRoutes.ts";
import { type Door, doorRoutes } from "./auth/doorRoutes.ts";
import { notFound } from "./failures.ts";
import { accountRoutes } from "./features/account/routes.ts";
import { changeRoutes, feedOf, tellOfSaves } from "./features/change/routes.ts";
import { crewRoutes } from "./features/crew/routes.ts";
import { forecastRoutes } from "./features/forecast/routes.ts";
import { jobRoutes } from "./features/job/routes.ts";
import { logRoutes } from "./features/log/routes.ts";
import { loggerRoutes } from "./features/logger/routes.ts";
import { photoRoutes } from "./features/photo/routes.ts";
import { recordRoutes } from "./features/record/routes.ts";
import { shelfRoutes } from "./features/shelf/routes.ts";
import { stockRoutes } from "./features/stock/routes.ts";
import type { ForecastService } from "./forecast/forecastService.ts";
import { simulatedForecast } from "./forecast/simulatedForecast.ts";
import type { ChangeFeed } from "./http/changeFeed.ts";
import type { Context } from "./http/context.ts";
import { docsRouter } from "./http/docs.ts";
import { errorHandler } from "./http/errors.ts";
import { actorGate, contractGate } from "./http/gate.ts";
import { healthRoutes } from "./http/health.ts";
import { inTurn } from "./http/inTurn.ts";
import { sameOriginOnly, securityHeaders, sizedBodiesOnly } from "./http/security.ts";
import { staticFiles } from "./http/staticFiles.ts";
import type { LoggerService } from "./logger/loggerService.ts";
import { simulatedLogger } from "./logger/simulatedLogger.ts";

interface Options extends Omit<Context, "feed" | "forecasts" | "loggers" | "origin" | "photoQuota"> {
  /** Absent: the simulated ones. */
  readonly forecasts?: ForecastService;
  readonly loggers?: LoggerService;
  /** Absent: its own, which is heard by this app alone. */
  readonly feed?: ChangeFeed;
  /** Absent: {@link PHOTO_QUOTA}. */
  readonly photoQuota?: number;
  readonly log: Logger;
  /** Where browsers reach this server. */
  readonly origins: readonly [string, ...string[]];
  /** How people sign in; absent in tests of the API alone. */
  readonly door?: Door;
  /** Notes how long each request takes; absent where nothing looks at that. */
  readonly time?: RequestHandler;
  /** The built web app; absent in tests of the API alone. */
  readonly webDir?: string;
}

const BODY_LIMIT = "1mb";
/** Bytes that all pictures of a crew may take together. */
export const PHOTO_QUOTA = 20e9;

/** The server's one list, top to bottom in the order a request meets it. Opens nothing itself. */
export function makeApp({
  log,
  webDir,
  feed,
  forecasts,
  loggers,
  origins,
  door,
  time,
  ...given
}: Options): Express {
  const context: Context = {
    ...given,
    photoQuota: given.photoQuota ?? PHOTO_QUOTA,
    origin: origins[0],
    feed: feed ?? feedOf(given.db),
    forecasts: forecasts ?? simulatedForecast(),
    loggers: loggers ?? simulatedLogger(),
  };
  const app = express();
  app.disable("x-powered-by");
  app.set("query parser", "simple");
  // The client's address is taken from a proxy on this machine, and from no other.
  app.set("trust proxy", "loopback");
  if (time) app.use(time);
  app.use(securityHeaders(origins[0]));
  app.use(sameOriginOnly(origins));
  app.use(sizedBodiesOnly);
  app.use(noteAddress);

  const api = express.Router();
  api.use((_request, response, next) => {
    response.set("Cache-Control", "no-store");
    next();
  });
  healthRoutes(api, context);
  api.use(docsRouter());
  if (door) authRoutes(api, door.accounts);
  api.use(contractGate());
  if (door) doorRoutes(api, context.db, door);
  api.use(inTurn());
  api.use(actorGate(context.actorOf));
  api.use(tellOfSaves(context.feed));
  api.use(express.json({ limit: BODY_LIMIT, strict: true }));
  accountRoutes(api, context);
  changeRoutes(api, context);
  crewRoutes(api, context);
  forecastRoutes(api, context);
  jobRoutes(api, context);
  logRoutes(api, context);
  loggerRoutes(api, context);
  photoRoutes(api, context);
  recordRoutes(api, context);
  shelfRoutes(api, context);
  stockRoutes(api, context);
  api.use(() => {
    throw notFound();
  });
  app.use("/api", api);
  if (webDir !== undefined) app.use(staticFiles(webDir));
  app.use(errorHandler(log));
  return app;
}
