import path from "node:path";
import express, { type Express } from "express";
import type { Logger } from "pino";
import type { Db } from "./db/connect.ts";
import { jobRoutes } from "./features/job/routes.ts";
import { logRoutes } from "./features/log/routes.ts";
import { photoRoutes } from "./features/photo/routes.ts";
import { shelfRoutes } from "./features/shelf/routes.ts";
import { stockRoutes } from "./features/stock/routes.ts";
import { notFound } from "./http/apiFailure.ts";
import { docsRouter } from "./http/docs.ts";
import { errorHandler } from "./http/errors.ts";
import { onlyOurPages, securityHeaders } from "./http/security.ts";

/** What requests are answered with. */
export interface Context {
  readonly db: Db;
  readonly crewId: string;
  /** Where pictures are kept. */
  readonly photoDir: string;
}

interface Options extends Context {
  readonly log: Logger;
  /** The built web app; absent in tests of the API alone. */
  readonly webDir?: string;
}

const BODY_LIMIT = "1mb";
const A_YEAR = "1y";

/** The server's one list, top to bottom in the order a request meets it. Opens nothing itself. */
export function makeApp({ log, webDir, ...context }: Options): Express {
  const app = express();
  app.disable("x-powered-by");
  app.set("query parser", "simple");
  app.use(securityHeaders);
  app.use(onlyOurPages);

  const api = express.Router();
  api.use((_request, response, next) => {
    response.set("Cache-Control", "no-store");
    next();
  });
  api.get("/health", async (_request, response) => {
    await context.db.execute("select 1");
    response.json({ ok: true });
  });
  api.use(express.json({ limit: BODY_LIMIT, strict: true }));
  jobRoutes(api, context);
  logRoutes(api, context);
  photoRoutes(api, context);
  shelfRoutes(api, context);
  stockRoutes(api, context);
  api.use(docsRouter());
  api.use(() => {
    throw notFound();
  });
  app.use("/api", api);

  if (webDir !== undefined) {
    app.use(
      "/assets",
      express.static(path.join(webDir, "assets"), { immutable: true, maxAge: A_YEAR, fallthrough: false }),
    );
    app.use(
      express.static(webDir, {
        index: false,
        setHeaders: (response) => response.set("Cache-Control", "no-cache"),
      }),
    );
    app.get("/{*page}", (_request, response) => {
      response.set("Cache-Control", "no-cache").sendFile(path.join(webDir, "index.html"));
    });
  }
  app.use(errorHandler(log));
  return app;
}
