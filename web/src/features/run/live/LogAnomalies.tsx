import { foldRunState, type LogAnomaly, roomsLeftWet } from "@scutch/core/log";
import { Link } from "react-router";
import type { JobDesk } from "../../../planning/desk.ts";
import { stepName } from "../../../shared/run/stepWords.ts";
import { Callout } from "../../../ui/Callout.tsx";
import { useNow } from "../../../ui/useNow.ts";

const SAID: Record<LogAnomaly["code"], string> = {
  "ended-before-begun":
    "has an end before its start: a device clock is wrong. The end counts, the start doesn’t.",
  "done-twice": "is logged as done twice. The first counts.",
  "done-and-skipped": "is logged as done and as skipped. Done counts.",
  "run-started-twice": "The job is logged as started twice. The first counts.",
};

/** Clocks of two phones differ by less, ms. */
const CLOCKS_DIFFER = 120_000;

/** What the log says that can't have been, for those who know: the wrong one is struck out in the log. */
export function LogAnomalies({
  desk,
  roomName,
}: {
  readonly desk: JobDesk;
  readonly roomName: (id: string) => string;
}) {
  const now = useNow();
  const logged = foldRunState(desk.log);
  const { anomalies, steps } = logged;
  const ahead = [...steps.values()].some(
    ({ startedAt = 0, doneAt = 0 }) => Math.max(startedAt, doneAt) > now + CLOCKS_DIFFER,
  );
  const here = new Set<string>(desk.job.rooms.map(({ id }) => id));
  const taken = roomsLeftWet(logged, here).map(
    (id) => desk.job.former?.find((room) => room.id === id)?.name ?? "A removed room",
  );
  const nameOf = (doubt: LogAnomaly) => {
    const entry = desk.log.find(({ id }) => id === doubt.entryIds[0]);
    if (!entry || !("does" in entry)) return "";
    return `${stepName({ kind: entry.does, what: entry.what })}${entry.roomId ? `, ${roomName(entry.roomId)}` : ""} `;
  };
  return (
    <>
      {taken.length > 0 && (
        <Callout tone="stop" title={`${taken.join(", ")}: sprayed, then removed from the job.`}>
          The sprayed carpet still needs cleaning. If you removed the room by mistake, tap Undo in Survey.
        </Callout>
      )}
      {(anomalies.length > 0 || ahead) && (
        <Callout tone="caution" title="The log has conflicting entries.">
          {ahead && (
            <p>
              An entry has a future time, so a device clock is wrong. Fix the clock, then cross out the entry.
            </p>
          )}
          {anomalies.map((doubt) => (
            <p key={`${doubt.code} ${doubt.step}`}>
              {nameOf(doubt)}
              {SAID[doubt.code]}
            </p>
          ))}
          <Link to="../log?kind=steps" relative="path" className="font-semibold text-accent underline">
            Cross out the wrong entry
          </Link>
        </Callout>
      )}
    </>
  );
}
