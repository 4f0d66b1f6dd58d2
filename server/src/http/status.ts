import type { FailureCode } from "../failures.ts";

/** Which status each kind of error answers with: the only place that says so. */
export const STATUS: Record<FailureCode, number> = {
  malformed: 400,
  "signed-out": 401,
  "wrong-origin": 403,
  "wrong-crew": 403,
  "other-person": 403,
  "not-allowed": 403,
  "not-found": 404,
  "version-conflict": 409,
  "entry-differs": 409,
  "last-owner": 409,
  "crew-full": 409,
  "already-there": 409,
  "precondition-failed": 412,
  "too-large": 413,
  "unsupported-media-type": 415,
  "range-not-satisfiable": 416,
  invalid: 422,
  "too-many": 429,
  "update-needed": 426,
  internal: 500,
  unreadable: 500,
  "storage-full": 507,
  unavailable: 503,
};
