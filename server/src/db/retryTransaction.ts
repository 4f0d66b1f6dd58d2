import { setTimeout as pause } from "node:timers/promises";
import type { Db, Transaction } from "./connect.ts";
import { isContended } from "./driverErrors.ts";

/** More writers than this falling over each other at one row is a fault, not bad luck. */
const MAX_RUNS = 8;

/**
 * Retries on deadlock or duplicate key, so `work` must be idempotent. READ COMMITTED: no gap locks, so that many first saves
 * at once don't wait for each other.
 */
export async function retryTransaction<T>(db: Db, work: (tx: Transaction) => Promise<T>): Promise<T> {
  for (let run = 1; ; run++) {
    try {
      return await db.transaction(work, { isolationLevel: "read committed" });
    } catch (error) {
      if (run >= MAX_RUNS || !isContended(error)) throw error;
      await pause(Math.random() * 5 * run);
    }
  }
}
