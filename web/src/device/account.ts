import { ApiError, type Me } from "@scutch/contract";
import { type Answer, pathOf, type Reply, type Send, sendAs } from "./api.ts";

/** Why signing in, joining or starting didn't work. */
export type AccountFault =
  | {
      readonly why:
        | "wrong"
        | "taken"
        | "no-invite"
        | "late-link"
        | "signed-out"
        | "not-allowed"
        | "last-owner"
        | "crew-full";
    }
  | { readonly why: "wait"; readonly seconds: number }
  | { readonly why: "field"; readonly field: string; readonly code: string }
  | { readonly why: "offline" | "fault" };

export type Outcome<T> = { readonly value: T } | { readonly fault: AccountFault };

const CODES: Partial<Record<ApiError["error"]["code"], AccountFault>> = {
  "already-there": { why: "taken" },
  "not-found": { why: "no-invite" },
  "signed-out": { why: "signed-out" },
  "not-allowed": { why: "not-allowed" },
  "last-owner": { why: "last-owner" },
  "crew-full": { why: "crew-full" },
};

function faultOf(reply: Exclude<Reply, { outcome: "done" }>): AccountFault {
  if (reply.outcome === "silent") return { why: "offline" };
  if (reply.outcome === "fault") return { why: "fault" };
  const { code, retryAfter, faults } = reply.error;
  if (code === "too-many") return { why: "wait", seconds: retryAfter ?? 60 };
  const [first] = faults ?? [];
  if (code === "invalid" && first)
    return { why: "field", field: String(first.path.at(-1) ?? ""), code: first.code };
  return CODES[code] ?? { why: "fault" };
}

export async function outcomeOf<T>(reply: Promise<Reply>): Promise<Outcome<T>> {
  const there = await reply;
  return there.outcome === "done" ? { value: there.body as T } : { fault: faultOf(there) };
}

const send = sendAs(undefined);

export interface NewPerson {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** How to get in here. */
export const readDoor = (): Promise<Outcome<Answer<"readDoor">>> =>
  outcomeOf(send("GET", pathOf("readDoor")));

export const startCrew = (body: NewPerson & { readonly crew: string }): Promise<Outcome<Me>> =>
  outcomeOf(send("POST", pathOf("startCrew"), body));

export const readInvite = (code: string): Promise<Outcome<Answer<"readInvite">>> =>
  outcomeOf(send("GET", pathOf("readInvite", { code })));

/** Uses an invite as a new person, or as who is signed in. */
export const joinCrew = (code: string, person: NewPerson | undefined): Promise<Outcome<Me>> =>
  outcomeOf(send("POST", pathOf("joinCrew", { code }), person ? { person } : {}));

export const readMe = (as: Send = send): Promise<Outcome<Me>> => outcomeOf(as("GET", pathOf("readMe")));

/** A request to the account library, whose errors have another shape. */
export async function askAuth(
  path: string,
  body: object | undefined,
  wrong: AccountFault,
): Promise<Outcome<unknown>> {
  try {
    const answer = await fetch(`/api/auth${path}`, {
      method: body === undefined ? "GET" : "POST",
      signal: AbortSignal.timeout(15_000),
      ...(body === undefined
        ? {}
        : { headers: { "content-type": "application/json" }, body: JSON.stringify(body) }),
    });
    const said: unknown = await answer.json().catch(() => undefined);
    if (answer.ok) return { value: said };
    if (answer.status === 429)
      return {
        fault: {
          why: "wait",
          seconds: Number(answer.headers.get("retry-after") ?? answer.headers.get("x-retry-after")) || 60,
        },
      };
    const isOurs = ApiError.safeParse(said).success;
    return { fault: answer.status >= 500 || isOurs ? { why: "fault" } : wrong };
  } catch {
    return { fault: { why: "offline" } };
  }
}

export const signIn = (email: string, password: string) =>
  askAuth("/sign-in/email", { email, password, rememberMe: true }, { why: "wrong" });

/** Asks for a mail with a link. The answer is the same whether the address is known or not. */
export const askNewPassword = (email: string) =>
  askAuth("/request-password-reset", { email }, { why: "fault" });

export const setNewPassword = (token: string, newPassword: string) =>
  askAuth("/reset-password", { token, newPassword }, { why: "late-link" });

export const changePassword = (currentPassword: string, newPassword: string) =>
  askAuth("/change-password", { currentPassword, newPassword, revokeOtherSessions: true }, { why: "wrong" });
