import { types } from "node:util";

/** What MariaDB's driver throws, told apart in one place. Drizzle wraps the driver's error as its cause. */
function* causes(error: unknown): Generator<Error> {
  // Not instanceof: Node's own errors come from another realm than a test's.
  for (let each = error; types.isNativeError(each); each = each.cause) yield each;
}

function driverCode(error: unknown): string | undefined {
  for (const each of causes(error)) if ("code" in each && typeof each.code === "string") return each.code;
  return undefined;
}

const FULL = new Set(["ENOSPC", "EDQUOT"]);
const GONE = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "ENOENT", // the socket's file
  "EHOSTUNREACH",
  "ENOTFOUND",
  "ETIMEDOUT",
  "PROTOCOL_CONNECTION_LOST",
  "PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR",
  "PROTOCOL_ENQUEUE_AFTER_QUIT",
  "PROTOCOL_PACKETS_OUT_OF_ORDER",
  "PROTOCOL_SEQUENCE_TIMEOUT",
  "ER_SERVER_SHUTDOWN",
  "ER_NORMAL_SHUTDOWN",
  "ER_CONNECTION_KILLED",
  "ER_QUERY_INTERRUPTED",
  "ER_CON_COUNT_ERROR",
  "ER_LOCK_WAIT_TIMEOUT",
  // A node of a cluster that has lost the others: another one answers, or this one again in a moment.
  "ER_UNKNOWN_COM_ERROR",
  "ER_ERROR_DURING_COMMIT",
  // Full: nothing is wrong with what was sent, and it can be sent again when there is room.
  ...FULL,
  "ER_DISK_FULL",
  "ER_RECORD_FILE_FULL",
  "ER_ERROR_ON_WRITE",
]);
/** Some of it comes without a code, in words only. */
const GONE_WORDS = /pool is closed|closed state|connection lost|connection is closed|server has gone away/i;

/** A disk without room, wherever it came from. */
export const isDiskFull = (error: unknown) => FULL.has(driverCode(error) ?? "");
/** The row is there already. */
export const isDuplicate = (error: unknown) => driverCode(error) === "ER_DUP_ENTRY";
/** Two transactions waited for each other and this one was rolled back: safe to run again. */
export const isDeadlock = (error: unknown) => driverCode(error) === "ER_LOCK_DEADLOCK";
/** Others won at the same rows, however often it was run again. */
export const isContended = (error: unknown) => isDeadlock(error) || isDuplicate(error);
/** The database isn't there, let go of us, or has no room. */
export const isDatabaseGone = (error: unknown) =>
  GONE.has(driverCode(error) ?? "") || [...causes(error)].some(({ message }) => GONE_WORDS.test(message));
