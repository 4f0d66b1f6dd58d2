import { serverAnswered } from "../state/connectionSlice.ts";
import type { Store } from "../state/store.ts";
import type { Send } from "./api.ts";
import type { DeviceDb } from "./db.ts";
import { inOneTab } from "./inOneTab.ts";
import { isSendable } from "./requests.ts";
import { type LaneResult, sendJob, sendPhotos, sendRecords } from "./sender.ts";

/** A pause after the last change before it is sent, ms: kept here already, and taps in a row become one save. */
const SOON = 200;
/** Exponential backoff with jitter: first and longest delay, ms. */
const BACKOFF_MS = [1000, 60_000] as const;

const isStopped = (sent: LaneResult) => sent !== "ok" && sent !== "idle";

export interface Outbox {
  /** Something new waits: it goes out in a moment. */
  readonly scheduleSend: () => void;
  /** There is reason to think the server is back: try now. */
  readonly sendNow: () => void;
}

/**
 * Sends what waits in lanes that don't wait for each other: the shelf's, one for each job, one for pictures. A lane runs in
 * one tab at a time. What stops everything (no line, a fault of the server) is tried again after growing pauses.
 */
export function startOutbox(db: DeviceDb, send: Send, store: Pick<Store, "dispatch">): Outbox {
  const running = new Map<string, Promise<LaneResult>>();
  const askedAgain = new Set<string>();
  let failures = 0;
  let soon: ReturnType<typeof setTimeout> | undefined;
  let retry: ReturnType<typeof setTimeout> | undefined;

  const lane = (name: string, work: () => Promise<LaneResult>): Promise<LaneResult> => {
    const already = running.get(name);
    if (already) {
      askedAgain.add(name);
      return already;
    }
    const run = (async () => {
      try {
        for (;;) {
          askedAgain.delete(name);
          const reach = await inOneTab(`${db.name}-${name}`, work);
          if (isStopped(reach) || !askedAgain.has(name)) return reach;
        }
      } catch {
        return "idle"; // The database is away: what it holds waits, and the page says so when something can't be kept.
      } finally {
        running.delete(name);
      }
    })();
    running.set(name, run);
    return run;
  };

  const kick = async (): Promise<void> => {
    clearTimeout(retry);
    const [jobs, entries, , photos] = await db.allWaiting();
    const jobIds = new Set([
      ...jobs.filter(isSendable).map(({ id }) => id),
      ...entries.filter(isSendable).map(({ jobId }) => jobId),
    ]);
    // A job may name a product or site that is as new as itself: the shelf's lane goes first.
    const shelf = lane("things", () => sendRecords(db, send));
    if (photos.some(isSendable)) void lane("photos", () => sendPhotos(db, send)).then(finish);
    const reaches = await Promise.all([
      shelf,
      ...[...jobIds].map(async (id) => {
        const sent = await shelf;
        return isStopped(sent) ? sent : lane(`job-${id}`, () => sendJob(db, id, send));
      }),
    ]);
    await finish(reaches.find(isStopped) ?? reaches.find((reach) => reach === "ok") ?? "idle");
  };

  const finish = async (reach: LaneResult): Promise<void> => {
    if (reach !== "idle") store.dispatch(serverAnswered(reach));
    const left = (await db.allWaiting()).flat().some(isSendable);
    failures = !isStopped(reach) && !left ? 0 : failures + 1;
    clearTimeout(retry);
    if (failures === 0) return;
    const pause = Math.min(BACKOFF_MS[1], BACKOFF_MS[0] * 2 ** (failures - 1));
    retry = setTimeout(() => void tryNow(), pause * (0.5 + Math.random() / 2));
  };

  // With the database away nothing is sent; what can't be kept is said where it was entered.
  const tryNow = () => kick().catch(() => undefined);
  return {
    scheduleSend: () => {
      clearTimeout(soon);
      soon = setTimeout(() => void tryNow(), SOON);
    },
    sendNow: () => {
      failures = 0;
      void tryNow();
    },
  };
}
