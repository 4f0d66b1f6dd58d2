import { mergeJobs, type StoredJob } from "@scutch/contract";
import type { Held } from "../state/holdingSlice.ts";
import type { Send } from "./api.ts";

/** Others may save at the same moment, but not for ever. */
const MOST_ROUNDS = 8;

const THING_PATHS: Readonly<Record<string, string>> = {
  product: "products",
  vessel: "vessels",
  gear: "gear",
  site: "sites",
  lot: "stock",
};

/**
 * Sends what this device couldn't keep straight to the server, so that it isn't lost with the page: a plan joined with what
 * the server has now, an entry or a thing as it is. False where it couldn't be sent either.
 */
export async function sendDirectly(held: Held, send: Send): Promise<boolean> {
  if (held.kind === "entry") {
    const reply = await send("POST", `/jobs/${held.jobId}/log`, { entries: [held.entry] });
    return reply.outcome === "done";
  }
  if (held.kind === "photo") {
    const { id, jobId, facts, picture } = held.photo;
    const query = new URLSearchParams(facts as Record<string, string>);
    return (await send("PUT", `/jobs/${jobId}/photos/${id}?${query}`, picture)).outcome === "done";
  }
  if (held.kind === "photo-gone") return (await send("DELETE", `/photos/${held.photoId}`)).outcome === "done";
  if (held.kind === "thing") {
    const [kind = "", id = ""] = held.thing.split(":");
    const path = kind === "settings" ? "/crew/settings" : `/${THING_PATHS[kind]}/${id}`;
    return (await send("PUT", path, held.value)).outcome === "done";
  }
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const there = await send("GET", `/jobs/${held.jobId}`);
    const theirs = there.outcome === "done" ? (there.body as StoredJob) : undefined;
    if (!theirs && !(there.outcome === "refused" && there.status === 404)) return false;
    const plan = theirs ? mergeJobs(held.before ?? held.after, held.after, theirs.job).plan : held.after;
    const reply = await send("PUT", `/jobs/${held.jobId}`, { baseVersion: theirs?.version ?? 0, job: plan });
    if (reply.outcome === "done") return true;
    if (reply.outcome !== "refused" || reply.error.code !== "version-conflict") return false;
  }
  return false;
}
