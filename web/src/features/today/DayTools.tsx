import type { JobId, Shelf } from "@scutch/contract";
import { CalendarDays, Upload } from "lucide-react";
import { useState } from "react";
import { currentPlan } from "../../device/jobRow.ts";
import { pullJob } from "../../device/pull.ts";
import { session } from "../../device/session.ts";
import { readFileText } from "../../shared/files/jobFiles.ts";
import { useMay } from "../../state/useMay.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { saveFile } from "../../ui/saveFile.ts";
import { type ImportResult, importCrew, importJob } from "./importFile.ts";

interface Props {
  readonly shelf: Shelf;
  readonly day: string;
  /** Ids of the day's jobs. */
  readonly jobIds: readonly JobId[];
}

/** The day for a calendar, and jobs from files. */
export function DayTools({ shelf, day, jobIds }: Props) {
  const [done, setDone] = useState<string>();
  const mayPlan = useMay("plan");
  const [fault, setFault] = useState<string>();
  const calendar = async () => {
    const { calendarOf } = await import("./dayCalendar.ts");
    const { db, send, store } = session();
    setFault(undefined);
    // A job listed here may not have been opened on this device yet.
    const here = new Set(
      await db.jobs
        .where("id")
        .anyOf([...jobIds])
        .primaryKeys(),
    );
    await Promise.allSettled(jobIds.filter((each) => !here.has(each)).map((each) => pullJob(db, send, each)));
    const rows = await db.jobs.bulkGet([...jobIds]);
    const jobs = rows.flatMap((row) => (row ? [currentPlan(row)] : []));
    if (jobs.length < jobIds.length)
      setFault("Some of today’s jobs aren’t on this device or in the file. Go online and try again.");
    saveFile(
      `scutch-${day}.ics`,
      calendarOf(jobs, shelf, store.getState().crew.settings?.pace),
      "text/calendar",
    );
  };
  const take = async (file: File) => {
    setDone(undefined);
    setFault(undefined);
    const read = readFileText(await file.text());
    if (read.kind === "fault") return setFault(read.sentence);
    const { db, send } = session();
    setDone(
      importMessage(
        read.kind === "job" ? await importJob(db, send, read.file) : await importCrew(db, send, read.file),
      ),
    );
  };
  return (
    <section aria-label="Files" className="mt-8 border-rule border-t pt-3">
      <div className="flex flex-wrap items-center gap-2">
        {jobIds.length > 0 && (
          <Button onClick={() => void calendar()}>
            <CalendarDays aria-hidden size={18} /> Export today to calendar
          </Button>
        )}
        {mayPlan && (
          <FileButton accept="application/json,.json" onFile={(file) => void take(file)}>
            <Upload aria-hidden size={18} /> Import job or crew data
          </FileButton>
        )}
      </div>
      {fault && (
        <div className="mt-2">
          <Callout tone="stop" title={fault} />
        </div>
      )}
      {done && (
        <p role="status" className="mt-2">
          {done}
        </p>
      )}
    </section>
  );
}

function importMessage({ jobs, copies, left }: ImportResult): string {
  if (copies > 0) return "You already have this job. Imported as a copy, without its log.";
  const count = jobs === 1 ? "One job imported" : `${jobs} jobs imported`;
  return left > 0 ? `${count}; ${left} were here already and are unchanged.` : `${count}.`;
}
