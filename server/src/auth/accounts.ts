import { passkey } from "@better-auth/passkey";
import { hash, verify } from "@node-rs/argon2";
import { PASSWORD_LENGTHS } from "@scutch/contract";
import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { v7 } from "uuid";
import type { Db } from "../db/connect.ts";
import { accounts, passkeys, rateLimits, sessions, users, verifications } from "../features/account/table.ts";
import type { Mailer } from "../mail/mailer.ts";
import type { SignInGuard } from "./signInGuard.ts";
import { signInHooks } from "./signInHooks.ts";

/** Argon2id with OWASP's first choice of parameters: 19 MiB, two passes, one lane (Password Storage Cheat Sheet). */
const ARGON2ID = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;
const DAY = 86_400;
/** A phone that isn't used this long signs in again, s. Used, it is prolonged once a day. */
const SESSION_DAYS = 60;
/** A link to set a new password holds this long, s. */
const RESET_HOLDS = 3600;

export interface AccountOptions {
  readonly db: Db;
  readonly secret: string;
  /** Where browsers reach the server, the first of them in mails. */
  readonly origins: readonly [string, ...string[]];
  readonly mailer?: Mailer;
  readonly guard: SignInGuard;
}

/** The name passkeys belong to: an address in numbers can’t have any. */
export const passkeyName = (origins: readonly string[]): string | undefined =>
  origins.map((origin) => new URL(origin).hostname).find((name) => !/^[\d.]+$|:/.test(name));

/** The account library as this app uses it: passwords, passkeys, sessions. Its addresses are let through one by one, see authRoutes. */
export function makeAccounts({ db, secret, origins, mailer, guard }: AccountOptions) {
  const [origin] = origins;
  const name = passkeyName(origins);
  return betterAuth({
    appName: "Scutch",
    secret,
    baseURL: origin,
    basePath: "/api/auth",
    trustedOrigins: [...origins],
    telemetry: { enabled: false },
    logger: { disabled: true },
    database: drizzleAdapter(db, {
      provider: "mysql",
      schema: {
        user: users,
        session: sessions,
        account: accounts,
        verification: verifications,
        passkey: passkeys,
        rateLimit: rateLimits,
      },
      transaction: true,
    }),
    emailAndPassword: {
      enabled: true,
      minPasswordLength: PASSWORD_LENGTHS[0],
      maxPasswordLength: PASSWORD_LENGTHS[1],
      password: {
        hash: (password) => hash(password, ARGON2ID),
        verify: ({ hash: known, password }) => verify(known, password),
      },
      resetPasswordTokenExpiresIn: RESET_HOLDS,
      revokeSessionsOnPasswordReset: true,
      sendResetPassword: async ({ user, token }) =>
        mailer?.send({
          to: user.email,
          subject: "Set a new password for Scutch",
          text: `Someone, probably you, asked to set a new password.\n\nOpen this within an hour:\n${origin}/new-password#${token}\n\nIf it wasn’t you, ignore this mail: nothing has changed.`,
        }),
    },
    session: { expiresIn: SESSION_DAYS * DAY, updateAge: DAY, freshAge: DAY },
    rateLimit: {
      enabled: true,
      storage: "database",
      window: 60,
      max: 120,
      customRules: {
        "/sign-in/email": { window: 60, max: 20 },
        "/request-password-reset": { window: 3600, max: 5 },
      },
    },
    hooks: signInHooks(db, guard),
    advanced: {
      database: { generateId: () => v7() },
      useSecureCookies: origin.startsWith("https:"),
      cookiePrefix: "scutch",
      ipAddress: { ipAddressHeaders: ["x-client-ip"] },
    },
    ...(name === undefined
      ? {}
      : { plugins: [passkey({ rpID: name, rpName: "Scutch", origin: [...origins] })] }),
  });
}

export type Accounts = ReturnType<typeof makeAccounts>;
