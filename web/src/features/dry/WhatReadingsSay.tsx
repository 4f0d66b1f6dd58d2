import type { LogEntry } from "@scutch/contract";
import type { Doubt } from "@scutch/core/drying";
import { Link } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
import { readyOfRoom } from "../../planning/ready.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { entryText } from "../../shared/logging/entryText.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Callout } from "../../ui/Callout.tsx";
import { readingsSentence } from "./readingsSentence.ts";

interface Props {
  readonly desk: JobDesk;
  readonly dried: DryingForecast;
  readonly place: number;
  readonly now: number;
}

/** What the readings changed about a room, in a sentence, with the hours said before them. */
export function WhatReadingsSay({ desk, dried, place, now }: Props) {
  const { between } = useTimes();
  const { before, work } = dried;
  const room = work.rooms[place];
  if (!before || !room) return null;
  const was = readyOfRoom({ work, ...before }, place, desk.startMs, "touchDry");
  return (
    <p className="mt-2 border-rule border-t pt-2">
      <strong className="font-semibold">{readingsSentence(dried, place)}</strong>
      {was.early !== null && (
        <span className="text-soft">
          {" "}
          Before your readings: <span className="font-mono">{between(was.early, was.late, now)}</span>.
        </span>
      )}
    </p>
  );
}

const WHY: Readonly<Record<Doubt, string>> = {
  future: "It’s later than now. Check the clock it was logged by.",
  "before-finish": "The room wasn’t finished by then. Check the time, or mark the room finished.",
  "meter-end": "The meter was at the end of its scale, so the carpet may be wetter than it shows.",
  "no-dry-standard": "There’s no dry standard to compare with. Take a reading on dry, uncleaned carpet.",
  "other-scale": "It’s far below the dry standard. Was it another scale, or a percent typed as a fraction?",
  unlikely: "It’s too far from the others. Take it again, or correct it in the log.",
};

/** Readings the drying time doesn’t rest on, each with what to do about it. */
export function DoubtfulReadings({ desk, dried }: Pick<Props, "desk" | "dried">) {
  const { clock } = useTimes();
  const units = useUnits();
  const doubtful = dried.readings?.doubtful ?? [];
  const entries = new Map<string, LogEntry>(desk.log.map((entry) => [entry.id, entry]));
  // Several readings of one logger may be doubted for one reason.
  const told = new Map(doubtful.map((each) => [`${each.entryId} ${each.why}`, each]));
  const known = [...told].flatMap(([key, { entryId, why }]) => {
    const entry = entries.get(entryId);
    return entry ? [{ key, entry, why }] : [];
  });
  if (known.length === 0) return null;
  return (
    <Callout
      tone="caution"
      title={known.length === 1 ? "One reading isn’t used." : `${known.length} readings aren’t used.`}
    >
      <ul className="grid gap-2">
        {known.map(({ key, entry, why }) => (
          <li key={key}>
            <span className="font-mono">{clock(Date.parse(entry.at))}</span>{" "}
            {entryText(entry, desk, units).said}. {WHY[why]}
          </li>
        ))}
      </ul>
      <Link
        to={`/jobs/${desk.job.id}/log`}
        className="mt-2 inline-flex min-h-12 items-center font-semibold text-accent print:hidden"
      >
        Open the log
      </Link>
    </Callout>
  );
}
