import { formatDuration } from "@scutch/core/quantity";
import type { Debrief, StepKind, TimingDeviation } from "@scutch/core/run";
import { midSentence, stepName } from "../../../shared/run/stepWords.ts";

type RoomName = (roomId: string) => string;

/** What comes of a skipped step; of the others that they were skipped says enough. */
const SKIP_EFFECTS: Partial<Record<StepKind, string>> = {
  vacuum: "Dust turns to mud and wicks back as it dries.",
  edges: "Pet hair and dust show along the walls.",
  "pre-spray": "The soil isn’t loosened.",
  clean: "It stays dirty.",
  agitate: "The pre-spray works less in the pile.",
  pad: "More water stays in, so it dries later.",
  spots: "What’s left may set.",
  odour: "It will smell again on a damp day.",
  groom: "Stroke marks dry in.",
  fans: "It dries later than planned.",
  "last-vacuum": "Dried product stays in the pile and soils fast.",
};

/** A section that was rushed or dried out, and what that looks like. */
export function faultText({ section, early, late }: TimingDeviation, roomName: RoomName): string {
  const where = `${roomName(section.roomId)}, section ${section.number}`;
  return early === undefined
    ? `${where}: cleaned ${formatDuration(late ?? 0)} past its dwell limit. Expect streaks.`
    : `${where}: cleaned ${formatDuration(early)} before its dwell time was up. It cleans less.`;
}

/** Skipped steps of one kind, where, and what comes of it. */
export function skipText({ kind, roomIds }: Debrief["skipped"][number], roomName: RoomName): string {
  const where = roomIds.length > 0 ? `, ${roomIds.map(roomName).join(", ")}` : "";
  const effect = SKIP_EFFECTS[kind];
  return `Skipped: ${midSentence(stepName({ kind }))}${where}.${effect ? ` ${effect}` : ""}`;
}

/** What went well. */
export function goodText({ cleaned, inTime }: Debrief): string | undefined {
  if (cleaned === 0) return undefined;
  if (inTime === cleaned)
    return cleaned === 1
      ? "The section was cleaned inside its dwell limits."
      : `All ${cleaned} sections were cleaned inside their dwell limits.`;
  return `${inTime} of ${cleaned} sections were cleaned inside their dwell limits.`;
}

/** What it costs to put right. */
export const costText = ({ redo }: Debrief): string =>
  redo > 0
    ? `To put it right: about ${formatDuration(Math.ceil(redo / 60) * 60)} of work again, and the trip.`
    : "Nothing to do again.";
