import type { LogEntry } from "@scutch/contract";
import { isSameDay } from "date-fns";
import { useState } from "react";
import { about, clock } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { entryText } from "../../shared/logging/entryText.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { Empty } from "../../ui/States.tsx";

/** Entries in the order they happened. One that was wrong is struck out by a correction, never changed. */
export function EntryList({ desk, now }: { readonly desk: JobDesk; readonly now: number }) {
  const units = useUnits();
  const [correcting, setCorrecting] = useState<LogEntry>();
  const struck = new Set(desk.log.flatMap((entry) => (entry.kind === "correction" ? [entry.corrects] : [])));
  if (desk.log.length === 0 && desk.newer.length === 0)
    return (
      <Empty title="Nothing logged yet.">
        Fills ticked in Mix and rooms finished in Dry come here by themselves.
      </Empty>
    );
  return (
    <>
      <ol className="border-rule border-b">
        {desk.log.map((entry) => {
          const { what, said } = entryText(entry, desk, units);
          const time = Date.parse(entry.at);
          return (
            <li
              key={entry.id}
              className="grid grid-cols-[5rem_1fr_auto] items-start gap-x-3 border-rule border-t py-2.5"
            >
              <span className="font-mono text-soft">
                {isSameDay(time, now) ? clock(time) : about(time, now)}
              </span>
              <div className={struck.has(entry.id) ? "text-soft line-through" : ""}>
                <span className="font-semibold">{what}</span>
                {entry.by && <span className="text-soft"> · {entry.by}</span>}
                <p className="break-words">{said}</p>
              </div>
              {entry.kind !== "correction" && !struck.has(entry.id) && (
                <Button
                  weight="quiet"
                  className="text-sm print:hidden"
                  aria-label={`Correct: ${what}`}
                  onClick={() => setCorrecting(entry)}
                >
                  Correct
                </Button>
              )}
            </li>
          );
        })}
      </ol>
      {desk.newer.length > 0 && (
        <p className="mt-3 text-soft">
          And something newer than this app:{" "}
          {desk.newer.map(({ at, by }) => `${about(Date.parse(at), now)}${by ? ` by ${by}` : ""}`).join(", ")}
          . It is kept; bring the app up to date to read it.
        </p>
      )}
      {correcting && (
        <CorrectionDialog desk={desk} entry={correcting} onClose={() => setCorrecting(undefined)} />
      )}
    </>
  );
}

function CorrectionDialog({
  desk,
  entry,
  onClose,
}: {
  readonly desk: JobDesk;
  readonly entry: LogEntry;
  readonly onClose: () => void;
}) {
  const units = useUnits();
  const log = useLogging(desk.job.id);
  const [text, setText] = useState("");
  const strike = () => {
    log({
      kind: "correction",
      corrects: entry.id,
      text: text.trim(),
    });
    onClose();
  };
  const { what, said } = entryText(entry, desk, units);
  return (
    <Dialog open title="Strike out this entry" onClose={onClose}>
      <p className="mt-2">
        <strong>{what}</strong>: {said}
      </p>
      <label className="mt-3 block text-sm text-soft">
        Why, and what is right instead
        <textarea
          rows={3}
          maxLength={2000}
          className={`${inputLook(false)} py-2 text-base`}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <p className="my-3 text-sm text-soft">
        It stays in the log, struck out, with your correction beside it.
      </p>
      <Button weight="main" disabled={text.trim() === ""} onClick={strike}>
        Strike it out
      </Button>
    </Dialog>
  );
}
