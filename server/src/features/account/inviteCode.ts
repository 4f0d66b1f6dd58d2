import { createHash, randomInt } from "node:crypto";

/** Letters and digits that are told apart when read out or written with a glove. */
const ALPHABET = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
const GROUPS = 3;
const GROUP = 4;

/** A new invite code, XXXX-XXXX-XXXX: 60 bits, more than can be guessed within a week at the rate that is let through. */
export const newInviteCode = (): string =>
  Array.from({ length: GROUPS }, () =>
    Array.from({ length: GROUP }, () => ALPHABET[randomInt(ALPHABET.length)]).join(""),
  ).join("-");

/** What is kept of a code, however it was typed. */
export const hashOfCode = (code: string): string =>
  createHash("sha256")
    .update(code.toUpperCase().replaceAll(/[^A-Z0-9]/g, ""))
    .digest("hex");
