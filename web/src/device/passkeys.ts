import {
  browserSupportsWebAuthn,
  startAuthentication,
  startRegistration,
  WebAuthnError,
} from "@simplewebauthn/browser";
import { type AccountFault, askAuth, type Outcome } from "./account.ts";

/** Whether this browser can keep passkeys. */
export const knowsPasskeys = (): boolean => browserSupportsWebAuthn();

/** Given up by the person, or nothing suitable here: no fault to speak of. */
const dropped: Outcome<unknown> = { fault: { why: "wrong" } };

async function ceremony(
  options: string,
  answer: (given: never) => Promise<unknown>,
  verify: (response: unknown) => Promise<Outcome<unknown>>,
  wrong: AccountFault,
): Promise<Outcome<unknown>> {
  const asked = await askAuth(options, undefined, wrong);
  if ("fault" in asked) return asked;
  try {
    return await verify(await answer({ optionsJSON: asked.value } as never));
  } catch (error) {
    if (error instanceof WebAuthnError || error instanceof DOMException) return dropped;
    throw error;
  }
}

export const signInWithPasskey = (): Promise<Outcome<unknown>> =>
  ceremony(
    "/passkey/generate-authenticate-options",
    startAuthentication,
    (response) => askAuth("/passkey/verify-authentication", { response }, { why: "wrong" }),
    { why: "wrong" },
  );

/** Keeps a passkey on this device for who is signed in. */
export const addPasskey = (name: string): Promise<Outcome<unknown>> =>
  ceremony(
    `/passkey/generate-register-options?name=${encodeURIComponent(name)}`,
    startRegistration,
    (response) => askAuth("/passkey/verify-registration", { response, name }, { why: "wrong" }),
    { why: "signed-out" },
  );
