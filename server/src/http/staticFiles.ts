import path from "node:path";
import { type RequestHandler, Router } from "express";
import sirv from "sirv";
import { notFound } from "../failures.ts";

const A_YEAR = "public, max-age=31536000, immutable";

/** The built web app: files with a hash in their name for good, the rest asked for anew; compressed at build, served so. */
export function staticFiles(webDir: string): Router {
  const router = Router();
  const files = sirv(webDir, {
    brotli: true,
    gzip: true,
    etag: true,
    setHeaders: (response, pathname) =>
      response.setHeader("Cache-Control", pathname.startsWith("/assets/") ? A_YEAR : "no-cache"),
  }) as RequestHandler;
  router.use(files);
  router.use("/assets", () => {
    throw notFound();
  });
  router.get("/{*page}", (_request, response) => {
    response.set("Cache-Control", "no-cache").sendFile(path.join(webDir, "index.html"));
  });
  return router;
}
