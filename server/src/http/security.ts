import type { RequestHandler } from "express";
import helmet from "helmet";
import { ApiFailure } from "../failures.ts";

/** s */
const A_YEAR = 31_536_000;
const hasOwnName = (origin: string): boolean => {
  const { protocol, port } = new URL(origin);
  return protocol === "https:" && port === "";
};

/** Nothing is loaded from anywhere but here; inline styles only where the API's reading page needs them. */
export const securityHeaders = (origin: string): RequestHandler =>
  helmet({
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
    // Only for a name of its own on the usual port: it holds for every port of a name, so for localhost it would hold for others’ pages.
    strictTransportSecurity: hasOwnName(origin) ? { maxAge: A_YEAR } : false,
    crossOriginOpenerPolicy: { policy: "same-origin" },
  });

const LOOPBACK = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/;

/**
 * A page on the web can make a browser call this server, or point a name of its own at it. So the host must be one the server is
 * reached by, a request that changes something must come from a page of ours, and no other site's page may load anything from here
 * but by a link.
 */
export const sameOriginOnly = (origins: readonly string[]): RequestHandler => {
  const hosts = new Map(origins.map((origin) => [new URL(origin).host, origin]));
  // On this machine alone: whichever port a forwarder or a test puts in front.
  const isLocal = origins.every((origin) => LOOPBACK.test(new URL(origin).host));
  return (request, _response, next) => {
    const host = (request.headers.host ?? "").toLowerCase();
    const own = hosts.get(host) ?? (isLocal && LOOPBACK.test(host) ? `http://${host}` : undefined);
    const { origin } = request.headers;
    const site = request.get("sec-fetch-site");
    const reads = request.method === "GET" || request.method === "HEAD";
    const foreign = reads
      ? site === "cross-site" && request.get("sec-fetch-mode") !== "navigate"
      : (site !== undefined && site !== "same-origin" && site !== "none") ||
        (origin !== undefined && origin !== own);
    if (own === undefined || foreign) throw new ApiFailure("wrong-origin");
    next();
  };
};

/** A body says how long it is, as every device's does: one that doesn't may have no end. The connection goes with it. */
export const sizedBodiesOnly: RequestHandler = (request, response, next) => {
  if (request.get("Transfer-Encoding") !== undefined) {
    response.set("Connection", "close");
    throw new ApiFailure("too-large");
  }
  next();
};
