import { airSeen } from "@scutch/core/log";
import type { JobDesk } from "../../planning/desk.ts";

type Known = Pick<JobDesk, "job" | "log" | "work">;

const ENTERED_INSIDE = "the room air you entered";
const ENTERED_OUTSIDE = "the outdoor air you entered";

/** What of the air was measured, told by its source. */
function roomAir({ log, work }: Known): string {
  if (airSeen(log).length > 0) return "measured room air";
  return work.rooms.some(({ assumed }) => assumed.includes("air")) ? "assumed room air" : ENTERED_INSIDE;
}

function outdoorAir({ job: { weather, outdoor } }: Known): string {
  if (weather?.source === "forecast") return "a forecast";
  if (weather?.source === "file") return "a weather file of a usual year";
  if (weather) return "the weather you typed";
  return outdoor ? ENTERED_OUTSIDE : "assumed outdoor air";
}

/** What the hours and the moves rest on, in a sentence. */
export function restsOn(known: Known): string {
  const [inside, outside] = [roomAir(known), outdoorAir(known)];
  if (inside === ENTERED_INSIDE && outside === ENTERED_OUTSIDE) return "Based on the air you entered.";
  return `Based on ${inside} and ${outside}.`;
}
