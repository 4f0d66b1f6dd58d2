import type { Entry } from "./entries.ts";

/** The order entries happened in, the same on every device: by time, then by id. */
export const inTime = (a: Entry, b: Entry): number =>
  Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1);
