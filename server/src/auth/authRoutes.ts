import { toNodeHandler } from "better-auth/node";
import express, { type RequestHandler, type Router } from "express";
import { notFound } from "../failures.ts";
import type { Accounts } from "./accounts.ts";

/** What of the account library is reached from outside. Everything else is not found: people join and leave through our own routes. */
export const AUTH_PATHS = [
  "POST /sign-in/email",
  "POST /sign-out",
  "POST /change-password",
  "POST /request-password-reset",
  "POST /reset-password",
  "GET /passkey/generate-register-options",
  "POST /passkey/verify-registration",
  "GET /passkey/generate-authenticate-options",
  "POST /passkey/verify-authentication",
  "GET /passkey/list-user-passkeys",
  "POST /passkey/delete-passkey",
] as const;

/** Where a request comes from, as our own server sees it: what the sender says of that is overwritten. */
export const noteAddress: RequestHandler = (request, _response, next) => {
  request.headers["x-client-ip"] = request.ip ?? "";
  next();
};

/** Of what anyone may send: a password, or what a passkey says. The library itself would read a body without end into memory. */
const BODY_LIMIT = "32kb";

/** Signing in and out. The library gets the body as text and reads it itself. */
export function authRoutes(router: Router, accounts: Accounts): void {
  const handle = toNodeHandler(accounts);
  const readText = express.text({ type: () => true, limit: BODY_LIMIT });
  router.use("/auth", (request, response, next) => {
    if (!AUTH_PATHS.some((each) => each === `${request.method} ${request.path}`)) return next(notFound());
    // Pictures may be kept by the browser for a year: not for whoever uses it next.
    if (request.path === "/sign-out") response.set("Clear-Site-Data", '"cache"');
    readText(request, response, (error) => {
      if (error) next(error);
      else void handle(request, response).catch(next);
    });
  });
}
