import { setTimeout as pause } from "node:timers/promises";
import type { Db, Transaction } from "./connect.ts";
import { isContended } from "./driverErrors.ts";

/** More writers than this falling over each other at one row is a fault, not bad luck. */
const MAX_RUNS = 8;

/**
 * Runs a transaction, and once more after each time another one at the same rows won: deadlock, or a row that was just
 * made. So `work` must answer rightly when it finds its own work done. Reads see what is committed, and rows that aren't
 * there are not locked: many first saves at once don't wait for each other's gaps.
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
