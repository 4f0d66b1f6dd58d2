import { PASSWORD_LENGTHS } from "@scutch/contract";
import type { AccountFault } from "../../device/account.ts";

const FIELDS: Readonly<Record<string, string>> = {
  email: "Enter an email address, like sam@example.com.",
  password: `Use ${PASSWORD_LENGTHS[0]} to ${PASSWORD_LENGTHS[1]} characters.`,
  name: "Enter your name.",
  crew: "Enter the name of your crew.",
  code: "Enter the 12 letters and digits of the code.",
};

/** A wait after too many tries, and what to do then. */
export const waitText = (seconds: number): string => `Too many tries. Try again in ${wait(seconds)}.`;
const wait = (seconds: number) =>
  seconds < 90 ? `${Math.ceil(seconds)} seconds` : `${Math.ceil(seconds / 60)} minutes`;

/** What went wrong with an account, and what to do next. */
export function faultText(fault: AccountFault): string {
  switch (fault.why) {
    case "wrong":
      return "Email or password is wrong. Check both, or set a new password.";
    case "taken":
      return "This email already has an account. Sign in first, then use the code.";
    case "no-invite":
      return "This code doesn’t work: it was used or withdrawn, or it’s older than 7 days. Ask for a new one.";
    case "late-link":
      return "This link doesn’t work any more. Ask for a new one.";
    case "signed-out":
      return "You are signed out. Sign in, then try again.";
    case "not-allowed":
      return "Only an owner can do this.";
    case "last-owner":
      return "A crew needs an owner. Make another person owner first.";
    case "wait":
      return waitText(fault.seconds);
    case "crew-full":
      return "This crew has as many people as it can have. Ask an owner to remove someone who left.";
    case "field":
      return FIELDS[fault.field] ?? "Check what you entered.";
    case "offline":
      return "The server can’t be reached. Try again when you’re online.";
    case "fault":
      return "The server has a problem. Try again in a minute.";
  }
}
