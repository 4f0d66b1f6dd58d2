import type { Changes, JobId, Topic } from "@scutch/contract";
import { today } from "../format/time.ts";
import type { Send } from "./api.ts";
import type { PullResult } from "./ask.ts";
import type { DeviceDb } from "./db.ts";
import { forgetJob } from "./forgetJob.ts";
import { pullCrew, pullJob, pullPhotos, pullShelf, pullStock, pullToday } from "./pull.ts";
import { pullLog } from "./pullLog.ts";

/** Reads what changed elsewhere, and keeps the mark once all of it has come. */
export async function takeChanges(db: DeviceDb, send: Send, { seq, topics }: Changes): Promise<PullResult> {
  const mark = await db.fact("changes");
  // On its first day nothing tells what this device has missed.
  const pulled = await pullTopics(db, send, mark ? topics : ["all"]);
  if (pulled === "kept") await db.setFact("changes", { seq });
  return pulled;
}

/** Reads topics again, as far as this device holds them; the first answer that stops everything. */
async function pullTopics(db: DeviceDb, send: Send, topics: readonly Topic[]): Promise<PullResult> {
  const wanted = new Set<Topic>(topics);
  if (wanted.delete("all")) for (const topic of ["shelf", "stock", "settings"] as const) wanted.add(topic);
  let list = topics.includes("all");
  for (const topic of wanted) {
    const [kind, id = ""] = topic.split(":");
    const pulled = await pullTopic(db, send, kind ?? "", id as JobId);
    if (pulled === "not-found") continue;
    if (pulled === "list") list = true;
    else if (pulled !== "kept") return pulled;
  }
  return list ? pullToday(db, send, today()) : "kept";
}

/** "list": of a job this device doesn't hold, only the list tells. */
async function pullTopic(db: DeviceDb, send: Send, kind: string, id: JobId): Promise<PullResult | "list"> {
  switch (kind) {
    case "shelf":
      return pullShelf(db, send);
    case "stock":
      return pullStock(db, send);
    case "settings":
      return pullCrew(db, send);
  }
  const row = await db.jobs.get(id);
  if (!row) return kind === "job" || (kind === "log" && (await db.cards.get(id))) ? "list" : "kept";
  switch (kind) {
    case "job": {
      const pulled = await pullJob(db, send, id);
      if (pulled === "not-found") await forgetJob(db, id);
      return pulled;
    }
    case "log":
      return pullLog(db, send, id);
    case "photos":
      return pullPhotos(db, send, id);
    default:
      // Of a newer server: read when it is opened.
      return "kept";
  }
}
