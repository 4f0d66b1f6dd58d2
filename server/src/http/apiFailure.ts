import type { ApiError, Fault } from "@scutch/contract";

type Code = ApiError["error"]["code"];

/** Which status each kind of error answers with: the only place that says so. */
export const STATUS: Record<Code, number> = {
  malformed: 400,
  "signed-out": 401,
  "wrong-origin": 403,
  "wrong-crew": 403,
  "not-found": 404,
  "version-conflict": 409,
  "entry-differs": 409,
  "precondition-failed": 412,
  "too-large": 413,
  "unsupported-media-type": 415,
  "range-not-satisfiable": 416,
  invalid: 422,
  "update-needed": 426,
  internal: 500,
  unavailable: 503,
};

/** An answer that isn't the one asked for. Thrown by services, written by the error handler. */
export class ApiFailure extends Error {
  constructor(
    readonly code: Code,
    readonly details: Omit<ApiError["error"], "code"> = {},
  ) {
    super(code);
    this.name = "ApiFailure";
  }
}

export const notFound = () => new ApiFailure("not-found");
export const invalid = (...faults: Fault[]) => new ApiFailure("invalid", { faults });

/** The id in the address and the one in the document must name the same thing. */
export function sameId(address: string, document: string): void {
  if (address !== document) throw invalid({ path: ["id"], code: "differs-from-address" });
}
