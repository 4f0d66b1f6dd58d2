import type { ApiError, Fault } from "@scutch/contract";

export type FailureCode = ApiError["error"]["code"];

/** An answer that isn't the one asked for. Thrown by services, written by http/errors.ts. */
export class ApiFailure extends Error {
  constructor(
    readonly code: FailureCode,
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
