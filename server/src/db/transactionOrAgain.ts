import type { Db, Transaction } from "./connect.ts";
import { isDeadlock, isDuplicate } from "./driverErrors.ts";

/** More writers than this falling over each other at one row is a fault, not bad luck. */
const MOST_RUNS = 8;

/**
 * Runs a transaction, and once more after each time another one at the same rows won: deadlock, or a row that was just
 * made. So `work` must answer rightly when it finds its own work done.
 */
export async function transactionOrAgain<T>(db: Db, work: (tx: Transaction) => Promise<T>): Promise<T> {
  for (let run = 1; ; run++) {
    try {
      return await db.transaction(work);
    } catch (error) {
      if (run >= MOST_RUNS || !(isDeadlock(error) || isDuplicate(error))) throw error;
    }
  }
}
