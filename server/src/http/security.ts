import type { RequestHandler } from "express";
import helmet from "helmet";
import { ApiFailure } from "../failures.ts";

/** Nothing is loaded from anywhere but here; inline styles only where the API's reading page needs them. */
export const securityHeaders = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'none'"],
      scriptSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", "data:", "blob:"], // blob: pictures taken here that are still to be sent
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'"],
      manifestSrc: ["'self'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  // Plain http on loopback: neither makes sense there.
  strictTransportSecurity: false,
  crossOriginOpenerPolicy: { policy: "same-origin" },
});

const LOOPBACK = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/i;

/**
 * Until there are accounts the server speaks to this machine only. Listening on loopback isn't enough: a page on the
 * web can make the browser call it, or point a name of its own at it. So the host must be loopback, a request that
 * changes something must come from a page of ours, and no other site's page may load anything from here but by a link.
 */
export const sameOriginOnly: RequestHandler = (request, _response, next) => {
  const host = request.headers.host ?? "";
  const { origin } = request.headers;
  const site = request.get("sec-fetch-site");
  const reads = request.method === "GET" || request.method === "HEAD";
  const foreign = reads
    ? site === "cross-site" && request.get("sec-fetch-mode") !== "navigate"
    : (site !== undefined && site !== "same-origin" && site !== "none") ||
      (origin !== undefined && origin !== `http://${host}`);
  if (!LOOPBACK.test(host) || foreign) throw new ApiFailure("wrong-origin");
  next();
};
