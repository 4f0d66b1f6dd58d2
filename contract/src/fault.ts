import * as z from "zod";

/** One thing wrong with what was sent: where, what, and the limit it broke. Sentences are made where it is shown. */
export const Fault = z.strictObject({
  path: z.array(z.union([z.string(), z.number()])),
  code: z.string(),
  limit: z.number().optional(),
  keys: z.array(z.string()).optional(),
});
export type Fault = z.infer<typeof Fault>;

/** The one shape every error of the API has. */
export const ApiError = z
  .strictObject({
    error: z.strictObject({
      code: z.enum([
        "invalid",
        "malformed",
        "too-large",
        "not-found",
        "version-conflict",
        "entry-differs",
        "wrong-origin",
        "wrong-crew",
        "other-person",
        "signed-out",
        "not-allowed",
        "too-many",
        "last-owner",
        "crew-full",
        "already-there",
        "update-needed",
        "precondition-failed",
        "range-not-satisfiable",
        "unsupported-media-type",
        "storage-full",
        "unreadable",
        "unavailable",
        "internal",
      ]),
      faults: z.array(Fault).optional(),
      /** With too-many: when to try again. */
      retryAfter: z.int().min(0).optional().meta({ unit: "s" }),
      /** With version-conflict: what the server holds, beside what was sent. */
      theirs: z.unknown().optional(),
      yours: z.unknown().optional(),
    }),
  })
  .meta({ id: "ApiError" });
export type ApiError = z.infer<typeof ApiError>;

/** Codes for what is counted, not measured: entries of a list, characters of a text. */
const TOO_BIG: Readonly<Record<string, string>> = { array: "too-many", string: "too-long" };

/** Zod's issues as faults. A union's issue is told by its closest branch. */
export function faultsOf(error: z.ZodError): Fault[] {
  return error.issues.flatMap((issue) => faultOf(issue as z.core.$ZodIssue, []));
}

function faultOf(issue: z.core.$ZodIssue, above: readonly PropertyKey[]): Fault[] {
  const path = [...above, ...issue.path].map((key) => (typeof key === "symbol" ? String(key) : key));
  switch (issue.code) {
    case "too_small":
      return [{ path, code: "too-small", limit: Number(issue.minimum) }];
    case "too_big":
      return [{ path, code: TOO_BIG[issue.origin] ?? "too-big", limit: Number(issue.maximum) }];
    case "unrecognized_keys":
      return [{ path, code: "unknown-key", keys: [...issue.keys] }];
    case "invalid_type":
      // The issue itself doesn’t carry what was received, only its message does.
      return [
        { path, code: issue.message.endsWith("received undefined") ? "missing" : `not-${issue.expected}` },
      ];
    case "invalid_value":
      return [{ path, code: "not-one-of" }];
    case "invalid_format":
      return [{ path, code: "bad-format" }];
    case "invalid_union":
      return [{ path, code: "not-one-of" }];
    case "custom":
      return [{ path, code: String(issue.params?.code ?? "invalid") }];
    default:
      return [{ path, code: "invalid" }];
  }
}
