import { EXTRAS, type Extra } from "@scutch/core/quote";
import { EXTRA_NAMES } from "./words.ts";

/** What a line of the price is for, from its id: a room, an extra or travel; a line the crew added has its own name. */
export function priceLineName(
  { id, what }: { readonly id: string; readonly what?: string | undefined },
  roomName: (id: string) => string,
): string {
  if (what !== undefined) return what;
  const [kind, subject = ""] = id.split(":");
  if (kind === "room" || kind === "stairs") return roomName(subject);
  if (kind === "extra") return EXTRAS.includes(subject as Extra) ? EXTRA_NAMES[subject as Extra] : "An extra";
  return kind === "travel" ? "Travel" : kind === "minimum" ? "Minimum charge" : "A line";
}
