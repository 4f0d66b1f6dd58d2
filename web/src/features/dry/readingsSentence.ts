import type { RoomFactors } from "@scutch/core/drying";
import { hoursAndMinutes } from "../../format/time.ts";
import type { DryingForecast } from "../../planning/useDried.ts";

/** Less than this isn’t told: a reading is no better, h. */
const SAME = 10 / 60;
/** A factor this near 1 isn’t why. */
const CLEAR = 0.08;

/** What readings changed about a room, in one sentence with the likeliest reason. */
export function readingsSentence({ before, result, readings }: DryingForecast, place: number): string {
  const was = before?.result.rooms[place]?.touchDryHours;
  const is = result.rooms[place]?.touchDryHours;
  if (is == null)
    return was == null
      ? "Your readings agree: it won’t dry like this."
      : "By your readings it won’t dry like this.";
  if (was == null) return "By your readings it will dry after all.";
  if (Math.abs(is - was) < SAME) return "Your readings agree with the plan.";
  const late = is > was;
  const by = hoursAndMinutes(Math.round(Math.abs(is - was) * 12) / 12);
  return `${reasonOf(readings?.departure.rooms[place], late)}: about ${by} ${late ? "later" : "sooner"}.`;
}

/** Why a room is later or sooner than planned: what is furthest from its plan that way. */
function reasonOf(factors: RoomFactors | undefined, late: boolean): string {
  const way = late ? 1 : -1;
  const causes = [
    { by: way * Math.log(factors?.residual ?? 1), text: late ? "Wetter than planned" : "Drier than planned" },
    {
      by: -way * Math.log(factors?.rate ?? 1),
      text: late ? "Drying slower than planned" : "Drying faster than planned",
    },
    {
      by: (-way * Math.log(factors?.outdoorExchange ?? 1)) / 2,
      text: late ? "Less fresh air than planned" : "More fresh air than planned",
    },
  ];
  const most = causes.reduce((best, cause) => (cause.by > best.by ? cause : best));
  return most.by > CLEAR ? most.text : late ? "Slower than planned" : "Faster than planned";
}
