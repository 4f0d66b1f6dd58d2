import { createRequire } from "node:module";
import path from "node:path";
import { openApiDocument } from "@scutch/contract/openapi";
import express, { type Router } from "express";

/** Where the reading page’s files lie; only their folder is wanted, so the package itself is never loaded. */
const READER = path.dirname(createRequire(import.meta.url).resolve("swagger-ui-dist/package.json"));
const PAGE = `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>Scutch API</title><link rel="stylesheet" href="swagger-ui.css"></head>
<body><div id="api"></div><script src="swagger-ui-bundle.js"></script><script src="open.js"></script></body>
</html>`;
const OPEN = `SwaggerUIBundle({ url: "../openapi.json", dom_id: "#api", deepLinking: true, validatorUrl: null });`;

/** The API's description and a page to read and try it. */
export function docsRouter(): Router {
  const router = express.Router();
  const document = openApiDocument();
  router.get("/openapi.json", (_request, response) => {
    response.json(document);
  });
  router.get("/docs", (request, response, next) => {
    if (request.originalUrl.endsWith("/")) next();
    else response.redirect(301, `${request.baseUrl}/docs/`);
  });
  router.get("/docs/", (_request, response) => {
    response.type("html").send(PAGE);
  });
  router.get("/docs/open.js", (_request, response) => {
    response.type("js").send(OPEN);
  });
  router.use("/docs", express.static(READER, { index: false }));
  return router;
}
