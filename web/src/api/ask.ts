import { ApiError, type Endpoint } from "@scutch/contract";
import type { z } from "zod";
import type { Reply } from "../offline/sender.ts";

/** Longer than this without an answer and the device counts as offline, ms. */
const PATIENCE = 8000;

/** A body as it travels: a picture as it is, anything else as JSON. */
function content(body: unknown): RequestInit {
  if (body === undefined) return {};
  if (body instanceof Blob) return { body, headers: { "content-type": body.type } };
  return { body: JSON.stringify(body), headers: { "content-type": "application/json" } };
}

/** Sends a request to our own server and tells an answer, a refusal and silence apart. */
export async function send(method: string, path: string, body?: unknown): Promise<Reply> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      signal: AbortSignal.timeout(PATIENCE),
      ...content(body),
    });
    const answer: unknown = await response.json();
    if (response.ok) return { outcome: "done", body: answer };
    const error = ApiError.safeParse(answer);
    if (error.success) return { outcome: "refused", status: response.status, error: error.data.error };
  } catch {
    // No connection, no answer in time, or one that isn't ours (a hotel's sign-in page): offline all the same.
  }
  return { outcome: "unreachable" };
}

type Answer<E extends Endpoint> = z.output<E["response"]>;

/** Asks a reading endpoint of the contract; undefined where the server can't be reached, null where it has no such thing. */
export async function ask<E extends Endpoint>(
  endpoint: E,
  params: Readonly<Record<string, string>> = {},
): Promise<Answer<E> | null | undefined> {
  const path = endpoint.path.replaceAll(/\{(\w+)\}/g, (_, name: string) =>
    encodeURIComponent(params[name] ?? ""),
  );
  const reply = await send(endpoint.method.toUpperCase(), path);
  if (reply.outcome === "done") return endpoint.response.parse(reply.body) as Answer<E>;
  return reply.outcome === "refused" && reply.status === 404 ? null : undefined;
}
