import type { CrewId } from "@scutch/contract";
import { APIError, createAuthMiddleware } from "better-auth/api";
import type { Db } from "../db/connect.ts";
import { addAuditLine, crewsOf, personByEmail } from "../features/account/service.ts";
import type { SignInGuard } from "./signInGuard.ts";

const PASSWORD = "/sign-in/email";
/** Addresses at which a session begins. */
const SIGN_INS: readonly string[] = [PASSWORD, "/passkey/verify-authentication"];

const emailOf = (body: unknown): string | undefined =>
  typeof body === "object" && body !== null && "email" in body && typeof body.email === "string"
    ? body.email
    : undefined;

/** Before and after signing in: who guesses waits, and what happened is written down. */
export function signInHooks(db: Db, guard: SignInGuard) {
  const addressOf = (headers: Headers | undefined) => headers?.get("x-client-ip") ?? "";
  /** A line for each crew of the person: in no crew, no owner could read it. */
  const note = async (
    userId: string | undefined,
    what: "signed-in" | "sign-in-failed" | "password-changed",
    address: string,
  ) => {
    const crews = userId === undefined ? [] : await crewsOf(db, userId);
    for (const { id, person } of crews)
      await addAuditLine(db, { crewId: id as CrewId, what, by: person, address });
  };
  return {
    before: createAuthMiddleware(async ({ path, body, headers }) => {
      const email = path === PASSWORD ? emailOf(body) : undefined;
      const wait = email === undefined ? undefined : await guard.waitFor(email, addressOf(headers));
      if (wait !== undefined)
        throw new APIError(
          "TOO_MANY_REQUESTS",
          { code: "TOO_MANY", message: "Too many tries", retryAfter: wait },
          { "Retry-After": String(wait) },
        );
    }),
    after: createAuthMiddleware(async ({ path, body, headers, context }) => {
      const address = addressOf(headers);
      const email = emailOf(body);
      const begun = context.newSession;
      if (SIGN_INS.includes(path)) {
        if (begun) {
          if (email !== undefined) await guard.noteRight(email, address);
          await note(begun.user.id, "signed-in", address);
        } else if (email !== undefined) {
          await guard.noteWrong(email, address);
          await note(await personByEmail(db, email.toLowerCase()), "sign-in-failed", address);
        }
      }
      if (path === "/change-password" && context.session)
        await note(context.session.user.id, "password-changed", address);
    }),
  };
}
