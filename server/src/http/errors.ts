import { types } from "node:util";
import type { ApiError } from "@scutch/contract";
import type { ErrorRequestHandler, Request } from "express";
import type { Logger } from "pino";
import { StoreUnavailable } from "../blobs/blobStore.ts";
import { isContended, isDatabaseGone } from "../db/driverErrors.ts";
import { ApiFailure } from "../failures.ts";
import { routeOf } from "./route.ts";
import { STATUS } from "./status.ts";

/** Seconds after which trying again makes sense. */
const RETRY_AFTER = "2";

/** What the body reader and the file sender call a request they can't serve, by the status they give it. */
const OF_STATUS: Readonly<Record<number, ApiError["error"]["code"]>> = {
  404: "not-found",
  412: "precondition-failed",
  413: "too-large",
  415: "unsupported-media-type",
  416: "range-not-satisfiable",
};

function asFailure(error: unknown): ApiFailure {
  if (error instanceof ApiFailure) return error;
  if (isDatabaseGone(error) || isContended(error) || error instanceof StoreUnavailable)
    return new ApiFailure("unavailable");
  if (error instanceof URIError) return new ApiFailure("not-found");
  const status = (error as { status?: unknown } | null)?.status;
  if (typeof status === "number" && status >= 400 && status < 500)
    return new ApiFailure(OF_STATUS[status] ?? "malformed");
  return new ApiFailure("internal");
}

/** The one who asked has hung up while the request was read or answered. */
const isGivenUp = (request: Request, error: unknown) =>
  (request.destroyed && !request.complete) ||
  ["request.aborted", "ECONNABORTED"].includes(
    String((error as { type?: string } | null)?.type ?? (error as { code?: string } | null)?.code),
  );

/** The first of an error's causes. */
function rootOf(error: unknown): unknown {
  let root = error;
  while (types.isNativeError(root) && root.cause !== undefined) root = root.cause;
  return root;
}

interface Trace {
  readonly kind: string;
  readonly code?: string;
  readonly at?: readonly string[];
}

/**
 * What a log may say of an error: its kind, its code and where in our code it came from. Its message isn't in it: that quotes what was
 * sent, such as a customer's name.
 */
function traceOf(error: unknown): Trace {
  const root = rootOf(error);
  if (!types.isNativeError(root)) return { kind: typeof root };
  const frames = (each: unknown) =>
    types.isNativeError(each) ? (each.stack ?? "").split("\n").filter((line) => /^\s+at /.test(line)) : [];
  const { code } = root as { readonly code?: unknown };
  return {
    kind: root.name,
    ...(typeof code === "string" ? { code } : {}),
    at: [...frames(root), ...(root === error ? [] : frames(error))].map((line) => line.trim()).slice(0, 20),
  };
}

/** Writes every error in the one shape; only what nobody foresaw goes to the log, and none of it to the caller. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error, request, response, _next) => {
    if (isGivenUp(request, error) || response.headersSent) {
      response.destroy();
      return;
    }
    const failure = asFailure(error);
    const about = { method: request.method, route: routeOf(request) };
    if (failure.code === "internal" || failure.code === "unreadable")
      log.error({ ...about, ...traceOf(error) }, failure.code);
    if (failure.code === "unavailable") {
      const { kind, code } = traceOf(error);
      log.warn({ ...about, kind, code }, failure.code);
    }
    if (failure.code === "unavailable") response.set("Retry-After", RETRY_AFTER);
    if (failure.details.retryAfter !== undefined)
      response.set("Retry-After", String(failure.details.retryAfter));
    const body: ApiError = { error: { code: failure.code, ...failure.details } };
    response.status(STATUS[failure.code]).json(body);
  };
}
