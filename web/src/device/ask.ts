import type { Endpoints } from "@scutch/contract";
import type { ConnectionState } from "../state/connectionSlice.ts";
import { type Answer, pathOf, type Reply, type Send, STOPS } from "./api.ts";

/** How asking the server went. What it said is in the database. */
export type PullResult = "kept" | "not-found" | "unreadable" | Exclude<ConnectionState, "ok">;
export type Missing = Exclude<PullResult, "kept">;

/** Reads from the server: its answer, or why there is none. */
export async function ask<K extends keyof Endpoints>(
  send: Send,
  name: K,
  params: Readonly<Record<string, string>> = {},
  query: Readonly<Record<string, string>> = {},
): Promise<Answer<K> | Missing> {
  return answerOf<K>(await send("GET", pathOf(name, params, query)));
}
export function answerOf<K extends keyof Endpoints>(reply: Reply): Answer<K> | Missing {
  if (reply.outcome === "done") return reply.body as Answer<K>;
  if (reply.outcome === "refused" && reply.error.code === "unreadable") return "unreadable";
  if (reply.outcome === "refused")
    return reply.status === 404 ? "not-found" : (STOPS[reply.error.code] ?? "server-fault");
  return reply.outcome === "fault" && reply.ours ? "server-fault" : "offline";
}
export const isMissing = (answer: unknown): answer is Missing => typeof answer === "string";
