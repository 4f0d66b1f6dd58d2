import type { ApiError } from "@scutch/contract";
import type { ErrorRequestHandler } from "express";
import type { Logger } from "pino";
import { isDatabaseGone } from "../db/driverErrors.ts";
import { ApiFailure, STATUS } from "./apiFailure.ts";

function asFailure(error: unknown): ApiFailure {
  if (error instanceof ApiFailure) return error;
  if (isDatabaseGone(error)) return new ApiFailure("unavailable");
  const type = (error as { type?: string } | null)?.type;
  if (type === "entity.too.large") return new ApiFailure("too-large");
  if (type?.startsWith("entity.") || type === "encoding.unsupported" || type === "charset.unsupported")
    return new ApiFailure("malformed");
  if (error instanceof URIError) return new ApiFailure("not-found");
  return new ApiFailure("internal");
}

/** Writes every error in the one shape; only what nobody foresaw goes to the log, and none of it to the caller. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error, request, response, _next) => {
    const failure = asFailure(error);
    if (failure.code === "internal" || failure.code === "unavailable")
      log.error({ err: error, method: request.method, path: request.path }, failure.code);
    const body: ApiError = { error: { code: failure.code, ...failure.details } };
    response.status(STATUS[failure.code]).json(body);
  };
}
