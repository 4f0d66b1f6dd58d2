import http from "node:http";
import type { RequestHandler } from "express";
import type { Pool } from "mysql2/promise";
import { collectDefaultMetrics, Gauge, Histogram, Registry } from "prom-client";
import type { ChangeFeed } from "./changeFeed.ts";
import { routeOf } from "./route.ts";

/** s; the longest a request may take before it is told to come again is 3.5. */
const SECONDS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 60];

/** The driver’s own lists of a pool’s connections. */
interface Lists {
  readonly _allConnections: { readonly length: number };
  readonly _freeConnections: { readonly length: number };
  readonly _connectionQueue: { readonly length: number };
}

/** What a server says of itself to Prometheus: how long requests take and what it holds. No id, name or address is in it. */
export function makeMetrics(pool: Pool, feed: Pick<ChangeFeed, "size">) {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry, prefix: "scutch_" });
  const registers = [registry];
  const requests = new Histogram({
    name: "scutch_http_request_duration_seconds",
    help: "Time until a request was answered",
    labelNames: ["method", "route", "status"] as const,
    buckets: SECONDS,
    registers,
  });
  const lists = pool.pool as unknown as Lists;
  new Gauge({
    name: "scutch_database_connections",
    help: "Connections to the database, and requests that wait for one",
    labelNames: ["state"] as const,
    registers,
    collect() {
      const { _allConnections: all, _freeConnections: free, _connectionQueue: waiting } = lists;
      this.set({ state: "busy" }, all.length - free.length);
      this.set({ state: "free" }, free.length);
      this.set({ state: "waiting" }, waiting.length);
    },
  });
  new Gauge({
    name: "scutch_event_streams",
    help: "Devices that listen for changes",
    registers,
    collect() {
      this.set(feed.size);
    },
  });
  const time: RequestHandler = (request, response, next) => {
    // An event stream ends when its device leaves: that isn't how long an answer took.
    const done = requests.startTimer({ method: request.method });
    response.once("finish", () => {
      if (response.getHeader("content-type") !== "text/event-stream")
        done({ route: routeOf(request), status: String(response.statusCode) });
    });
    next();
  };
  return { registry, time };
}

/** Serves metrics on a port of their own, on this machine alone: they aren’t for the crews. */
export async function serveMetrics(registry: Registry, port: number): Promise<http.Server> {
  const server = http.createServer(async (request, response) => {
    if (request.url !== "/metrics") return void response.writeHead(404).end();
    response.writeHead(200, { "content-type": registry.contentType }).end(await registry.metrics());
  });
  await new Promise<void>((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, "127.0.0.1", resolve);
  });
  return server;
}
