import type { ApiError } from "@scutch/contract";
import type { ErrorRequestHandler } from "express";
import type { Logger } from "pino";
import { isContended, isDatabaseGone } from "../db/driverErrors.ts";
import { ApiFailure } from "../failures.ts";
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
  if (isDatabaseGone(error) || isContended(error)) return new ApiFailure("unavailable");
  if (error instanceof URIError) return new ApiFailure("not-found");
  const status = (error as { status?: unknown } | null)?.status;
  if (typeof status === "number" && status >= 400 && status < 500)
    return new ApiFailure(OF_STATUS[status] ?? "malformed");
  return new ApiFailure("internal");
}

/** Given up by whoever asked, while it was read or answered: nobody is there to be told. */
const isGivenUp = (error: unknown) =>
  ["request.aborted", "ECONNABORTED"].includes(
    String((error as { type?: string } | null)?.type ?? (error as { code?: string } | null)?.code),
  );

/** What the first of an error's causes says: of a database that is away that is all there is to know. */
function rootOf(error: unknown): string {
  let root = error;
  while (root instanceof Error && root.cause instanceof Error) root = root.cause;
  return root instanceof Error ? root.message : String(root);
}

/** Writes every error in the one shape; only what nobody foresaw goes to the log, and none of it to the caller. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error, request, response, _next) => {
    if (isGivenUp(error) || response.headersSent) {
      response.destroy();
      return;
    }
    const failure = asFailure(error);
    const { method, path } = request;
    if (failure.code === "internal" || failure.code === "unreadable")
      log.error({ err: error, method, path }, failure.code);
    if (failure.code === "unavailable") log.warn({ why: rootOf(error), method, path }, failure.code);
    if (failure.code === "unavailable") response.set("Retry-After", RETRY_AFTER);
    if (failure.details.retryAfter !== undefined)
      response.set("Retry-After", String(failure.details.retryAfter));
    const body: ApiError = { error: { code: failure.code, ...failure.details } };
    response.status(STATUS[failure.code]).json(body);
  };
}
