/** What MariaDB's driver throws, told apart in one place. Drizzle wraps the driver's error as its cause. */
function driverCode(error: unknown): string | undefined {
  for (let each = error; each instanceof Error; each = each.cause)
    if ("code" in each && typeof each.code === "string") return each.code;
  return undefined;
}

const GONE = new Set([
  "ECONNREFUSED",
  "PROTOCOL_CONNECTION_LOST",
  "ECONNRESET",
  "ER_SERVER_SHUTDOWN",
  "ETIMEDOUT",
]);

/** The row is there already. */
export const isDuplicate = (error: unknown) => driverCode(error) === "ER_DUP_ENTRY";
/** Two transactions waited for each other and this one was rolled back: safe to run again. */
export const isDeadlock = (error: unknown) => driverCode(error) === "ER_LOCK_DEADLOCK";
export const isDatabaseGone = (error: unknown) => GONE.has(driverCode(error) ?? "");
