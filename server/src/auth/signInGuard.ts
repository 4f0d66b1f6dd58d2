import { createHash } from "node:crypto";
import type { Pool } from "mysql2/promise";
import { RateLimiterMySQL, RateLimiterRes } from "rate-limiter-flexible";
import { ApiFailure } from "../failures.ts";

const HOUR = 3600;
const DAY = 24 * HOUR;
/** Wrong passwords for one account from one address before it has to wait. */
const FREE_TRIES = 5;
/** From everywhere together, in an hour: a guess from a thousand addresses is slowed down too. */
const TRIES_OF_ACCOUNT = 60;
/** The first wait, s, and the longest: each wrong password after it doubles the wait. */
const WAITS = [30, HOUR] as const;

/** Keys of the limiter are short, and no table holds a mail address more than it must. */
const digest = (text: string) => createHash("sha256").update(text).digest("hex").slice(0, 32);

/** What is asked how often, from an address. */
const LIMITS = {
  /** New crews and new people. */
  joining: { points: 10, duration: HOUR },
  /** Codes of invites looked up: one is guessed in some 10^15 years. */
  codes: { points: 60, duration: HOUR },
} as const;

/** Slows down who guesses: counts wrong passwords, and asks for crews and invites, in the database, so that all servers count together. */
export function makeSignInGuard(pool: Pool, databaseUrl: string) {
  const limiter = (keyPrefix: string, points: number, duration: number) =>
    new RateLimiterMySQL({
      // The library speaks to the driver's own pool, not to its promises.
      storeClient: pool.pool,
      storeType: "pool",
      dbName: new URL(databaseUrl).pathname.slice(1),
      tableName: "tries",
      tableCreated: true,
      clearExpiredByTimeout: true,
      keyPrefix,
      points,
      duration,
    });
  const wrong = limiter("wrong", FREE_TRIES, DAY);
  const waits = limiter("wait", 1, WAITS[1]);
  const ofAccount = limiter("account", TRIES_OF_ACCOUNT, HOUR);
  const limits = {
    joining: limiter("joining", LIMITS.joining.points, LIMITS.joining.duration),
    codes: limiter("codes", LIMITS.codes.points, LIMITS.codes.duration),
  };
  const keyOf = (email: string, address: string) => digest(`${email.toLowerCase()} ${address}`);

  return {
    /** Seconds until a sign-in may be tried; undefined: now. */
    async waitFor(email: string, address: string): Promise<number | undefined> {
      const [own, all] = await Promise.all([
        waits.get(keyOf(email, address)),
        ofAccount.get(digest(email.toLowerCase())),
      ]);
      const waiting = own && own.remainingPoints <= 0 ? own.msBeforeNext : 0;
      const flooded = all && all.remainingPoints <= 0 ? all.msBeforeNext : 0;
      const ms = Math.max(waiting, flooded);
      return ms > 0 ? Math.ceil(ms / 1000) : undefined;
    },
    async noteWrong(email: string, address: string): Promise<void> {
      const key = keyOf(email, address);
      const { consumedPoints } = await wrong.penalty(key);
      await ofAccount.penalty(digest(email.toLowerCase()));
      if (consumedPoints < FREE_TRIES) return;
      await waits.block(key, Math.min(WAITS[1], WAITS[0] * 2 ** (consumedPoints - FREE_TRIES)));
    },
    async noteRight(email: string, address: string): Promise<void> {
      const key = keyOf(email, address);
      await Promise.all([wrong.delete(key), waits.delete(key)]);
    },
    /** Counts one more; throws too-many with the seconds to wait. */
    async count(what: keyof typeof LIMITS, address: string): Promise<void> {
      try {
        await limits[what].consume(digest(address));
      } catch (error) {
        if (!(error instanceof RateLimiterRes)) throw error;
        throw new ApiFailure("too-many", { retryAfter: Math.ceil(error.msBeforeNext / 1000) });
      }
    },
  };
}

export type SignInGuard = ReturnType<typeof makeSignInGuard>;
