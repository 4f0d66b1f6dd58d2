import { Zone } from "@scutch/contract";
import * as z from "zod";

const KEY = "scutch.zone";

/** What this device's clock does in a year: two zones with the same are one for any hour shown. */
function clockChanges(): string {
  const year = new Date().getFullYear();
  return Array.from({ length: 12 }, (_, month) => new Date(year, month, 1).getTimezoneOffset()).join();
}

let found: { readonly changes: string; readonly zone: string } | undefined;

/** This device's time zone by its IANA name. Asking the browser takes a phone 200 ms, so the answer is kept for the next visit. */
export function deviceZone(): string {
  const changes = clockChanges();
  if (found?.changes === changes) return found.zone;
  found = kept(changes) ?? { changes, zone: Intl.DateTimeFormat().resolvedOptions().timeZone };
  try {
    localStorage.setItem(KEY, JSON.stringify(found));
  } catch {
    // Full or not allowed: it is asked again next time.
  }
  return found.zone;
}

function kept(changes: string): typeof found {
  try {
    const last: unknown = JSON.parse(localStorage.getItem(KEY) ?? "null");
    const { data } = z.object({ changes: z.literal(changes), zone: Zone }).safeParse(last);
    return data;
  } catch {
    return undefined;
  }
}
