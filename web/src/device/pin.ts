/** A PIN that this device asks for before it opens the crew's work, with no signal too. */

/** Digits of a PIN. */
export const PIN_DIGITS = [4, 8] as const;
/** Rounds of PBKDF2-HMAC-SHA-256 (OWASP Password Storage Cheat Sheet): some 0.3 s on a phone. */
const ROUNDS = 600_000;
/** Wrong PINs before there is a wait, and before only the password opens. */
const FREE_TRIES = 5;
const MOST_TRIES = 10;
/** The first wait, ms; each wrong PIN after it doubles it. */
const FIRST_WAIT = 30_000;

interface KeptPin {
  readonly salt: string;
  readonly hash: string;
  readonly tries: number;
  /** ms since 1970 */
  readonly waitUntil: number;
}

export type PinAnswer =
  | { readonly outcome: "right" }
  | { readonly outcome: "wrong"; readonly left: number }
  | { readonly outcome: "wait"; readonly seconds: number }
  | { readonly outcome: "password-needed" };

type Store = Pick<Storage, "getItem" | "setItem" | "removeItem">;
const keyOf = (personId: string) => `scutch-pin-${personId}`;

const hex = (bytes: Uint8Array) => [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");

async function hashOf(pin: string, salt: string): Promise<string> {
  const text = new TextEncoder();
  const key = await crypto.subtle.importKey("raw", text.encode(pin), "PBKDF2", false, ["deriveBits"]);
  const way = { name: "PBKDF2", hash: "SHA-256", salt: text.encode(salt), iterations: ROUNDS };
  return hex(new Uint8Array(await crypto.subtle.deriveBits(way, key, 256)));
}

function read(store: Store, personId: string): KeptPin | undefined {
  try {
    const text = store.getItem(keyOf(personId));
    return text === null ? undefined : (JSON.parse(text) as KeptPin);
  } catch {
    return undefined;
  }
}

export const hasPin = (personId: string, store: Store = localStorage): boolean =>
  read(store, personId) !== undefined;

export const isPin = (text: string): boolean =>
  new RegExp(`^\\d{${PIN_DIGITS[0]},${PIN_DIGITS[1]}}$`).test(text);

/** Keeps a PIN for a person on this device. Throws where the device can't keep anything. */
export async function setPin(personId: string, pin: string, store: Store = localStorage): Promise<void> {
  const salt = hex(crypto.getRandomValues(new Uint8Array(16)));
  const kept: KeptPin = { salt, hash: await hashOf(pin, salt), tries: 0, waitUntil: 0 };
  store.setItem(keyOf(personId), JSON.stringify(kept));
}

export function removePin(personId: string, store: Store = localStorage): void {
  try {
    store.removeItem(keyOf(personId));
  } catch {
    // Where nothing can be kept there is none.
  }
}

/** Tries a PIN. A wrong one is counted before it is answered for, so that closing the app in between gains nothing. */
export async function tryPin(
  personId: string,
  pin: string,
  now: number,
  store: Store = localStorage,
): Promise<PinAnswer> {
  const kept = read(store, personId);
  if (!kept) return { outcome: "right" };
  if (kept.tries >= MOST_TRIES) return { outcome: "password-needed" };
  const longest = FIRST_WAIT * 2 ** Math.max(0, kept.tries - FREE_TRIES);
  const wait = Math.min(kept.waitUntil - now, longest);
  if (wait > 0) {
    // By a clock that was set back the wait begins again from now, and then ends.
    if (wait < kept.waitUntil - now)
      store.setItem(keyOf(personId), JSON.stringify({ ...kept, waitUntil: now + wait }));
    return { outcome: "wait", seconds: Math.ceil(wait / 1000) };
  }
  const tries = kept.tries + 1;
  const pause = tries >= FREE_TRIES ? FIRST_WAIT * 2 ** (tries - FREE_TRIES) : 0;
  store.setItem(keyOf(personId), JSON.stringify({ ...kept, tries, waitUntil: now + pause }));
  if ((await hashOf(pin, kept.salt)) !== kept.hash)
    return tries >= MOST_TRIES
      ? { outcome: "password-needed" }
      : { outcome: "wrong", left: MOST_TRIES - tries };
  store.setItem(keyOf(personId), JSON.stringify({ ...kept, tries: 0, waitUntil: 0 }));
  return { outcome: "right" };
}
