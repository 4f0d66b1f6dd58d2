import { type Endpoint, faultsOf } from "@scutch/contract";
import type { Router } from "express";
import type { z } from "zod";
import { ApiFailure } from "./apiFailure.ts";

type Of<S> = S extends z.ZodType ? z.output<S> : undefined;

export interface Call<E extends Endpoint> {
  readonly params: Of<E["params"]>;
  readonly query: Of<E["query"]>;
  readonly body: Of<E["body"]>;
}

/** What a handler gives back. Checked by the type, not at run time: it was composed from what was checked going in. */
type Answer<E extends Endpoint> = z.output<E["response"]>;

function checked<S extends z.ZodType | undefined>(schema: S, value: unknown): Of<S> {
  if (schema === undefined) return undefined as Of<S>;
  const result = schema.safeParse(value);
  if (!result.success) throw new ApiFailure("invalid", { faults: faultsOf(result.error) });
  return result.data as Of<S>;
}

/** Puts an endpoint of the contract on a router: its input is checked strictly, then handed over typed. */
export function mount<E extends Endpoint>(
  router: Router,
  endpoint: E,
  handle: (call: Call<E>) => Promise<Answer<E>>,
): void {
  const path = endpoint.path.replaceAll(/\{(\w+)\}/g, ":$1");
  router[endpoint.method](path, async (request, response) => {
    if (endpoint.body && !request.is("application/json")) throw new ApiFailure("unsupported-media-type");
    const answer = await handle({
      params: checked(endpoint.params, request.params) as Call<E>["params"],
      query: checked(endpoint.query, request.query) as Call<E>["query"],
      body: checked(endpoint.body, request.body) as Call<E>["body"],
    });
    response.json(answer);
  });
}
