import type * as z from "zod";
import type { Permission } from "../role.ts";

/** What it takes to ask: nothing at all, or one of these permissions. */
export type Needs = "anyone" | Permission | readonly Permission[];

/** One thing the API does. The server mounts these, the web calls them, the OpenAPI document lists them. */
export interface Endpoint {
  readonly method: "get" | "put" | "post" | "delete";
  readonly path: string;
  readonly summary: string;
  readonly needs: Needs;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** Its body is a picture's bytes, or its answer is. */
  readonly picture?: "in" | "out";
  /** Its answer is a file of this type. */
  readonly file?: "application/zip";
  readonly response: z.ZodType;
  /** Statuses beside 200 that its errors come with. */
  readonly errors: readonly (400 | 403 | 404 | 409 | 412 | 413 | 415 | 416 | 422 | 426 | 429 | 507)[];
}

export const endpoint = <const E extends Endpoint>(value: E): E => value;
export const READ_ERRORS = [404] as const;
export const WRITE_ERRORS = [400, 403, 413, 415, 422, 426] as const;
