import { airSeen } from "@scutch/core/log";
import type { JobDesk } from "../../planning/desk.ts";

type Known = Pick<JobDesk, "job" | "log" | "work">;

/** What of the air was measured, told by its source. */
function roomAir({ log, work }: Known): string {
  if (airSeen(log).length > 0) return "measured room air";
  return work.rooms.some(({ assumed }) => assumed.includes("air"))
    ? "assumed room air"
    : "the room air you entered";
}

function outdoorAir({ job: { weather, outdoor } }: Known): string {
  if (weather?.source === "forecast") return "a forecast";
  if (weather?.source === "file") return "a weather file of a usual year";
  if (weather) return "the weather you typed";
  return outdoor ? "the outdoor air you entered, all night" : "assumed outdoor air";
}

/** What the hours and the moves rest on, in a sentence. */
export const restsOn = (known: Known): string => `Based on ${roomAir(known)} and ${outdoorAir(known)}.`;
