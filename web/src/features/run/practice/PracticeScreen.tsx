import { type Job, JobId, type LogEntry } from "@scutch/contract";
import { foldRunState, isRunActive } from "@scutch/core/log";
import { simulatedInstruments } from "@scutch/core/plan";
import { debriefOf, type JobRun, type ProgressById } from "@scutch/core/run";
import { FastForward } from "lucide-react";
import { useCallback, useDeferredValue, useMemo, useState } from "react";
import { Link } from "react-router";
import { newId } from "../../../device/newId.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { LogNowContext } from "../../../planning/logNow.ts";
import { nameById } from "../../../planning/nameById.ts";
import { useDesk } from "../../../planning/openDesk.ts";
import { usePlanned } from "../../../planning/usePlanned.ts";
import { entryText } from "../../../shared/logging/entryText.ts";
import { InstrumentsContext } from "../../../shared/logging/instruments.ts";
import { type Logbook, LogbookContext } from "../../../shared/logging/logbook.ts";
import { UndoEntry } from "../../../shared/logging/UndoEntry.tsx";
import { NoRooms } from "../../../shared/NoRooms.tsx";
import { useAppSelector } from "../../../state/store.ts";
import { useTimes } from "../../../state/useTimes.ts";
import { useUnits } from "../../../state/useUnits.ts";
import { Button } from "../../../ui/Button.tsx";
import { Callout } from "../../../ui/Callout.tsx";
import { Segmented } from "../../../ui/Segmented.tsx";
import { ClockContext } from "../../../ui/useClock.ts";
import { useNow } from "../../../ui/useNow.ts";
import { faultText, skipText } from "../live/debriefText.ts";
import { LiveCard } from "../live/LiveCard.tsx";
import { InstrumentPanel } from "./InstrumentPanel.tsx";
import { nextDue } from "./nextDue.ts";
import { usePracticeClock } from "./usePracticeClock.ts";

const SPEEDS = [
  { value: 0, name: "Stop" },
  { value: 1, name: "1×" },
  { value: 10, name: "10×" },
  { value: 60, name: "60×" },
];
const NOBODY: readonly string[] = [];

/**
 * A job run for practice: the same card on a clock that runs up to sixty times as fast, with simulated instruments. Its entries
 * live in this screen alone: nothing reaches the device's database or the crew.
 */
export function PracticeScreen() {
  const desk = useDesk();
  const { clock, run, again, jump } = usePracticeClock(desk.startMs);
  const [id] = useState(() => newId(JobId));
  const [log, setLog] = useState<readonly LogEntry[]>([]);
  const write = useCallback<Logbook>((_, entry) => setLog((before) => [...before, entry]), []);
  // What the job is, without what anybody has done on it: practice begins before the first step.
  const job = useMemo((): Job => ({ ...desk.job, id, pins: [] }), [desk.job, id]);
  if (desk.work.rooms.every(({ passage }) => passage))
    return <NoRooms title="Nothing to practise yet." follows="the run to practise" />;
  return (
    <ClockContext.Provider value={clock}>
      <LogbookContext.Provider value={write}>
        <div className="grid grid-cols-[minmax(0,1fr)] gap-4 px-4 pt-4 sm:px-7">
          <div className="flex flex-wrap items-center justify-between gap-4 border-caution border-l-4 bg-caution-wash px-4 py-3">
            <p>
              <strong>Practice.</strong> Nothing here is saved to your records.
            </p>
            <div className="flex min-w-0 flex-wrap items-end gap-3">
              <div className="w-full sm:w-72">
                <Segmented label="Clock speed" value={clock.rate} options={SPEEDS} onChange={run} />
              </div>
              <Button
                onClick={() => {
                  setLog([]);
                  again();
                }}
              >
                Start again
              </Button>
              <Link
                to="../run"
                relative="path"
                className="grid min-h-12 place-items-center font-semibold text-accent underline"
              >
                Leave practice
              </Link>
            </div>
          </div>
          <Practised real={desk} job={job} log={log} onJump={jump} />
        </div>
      </LogbookContext.Provider>
    </ClockContext.Provider>
  );
}

interface LooksProps {
  readonly run: JobRun;
  readonly known: ProgressById;
  readonly roomName: (id: string) => string;
}

/** What the floors show of what went wrong so far; nothing while all is well. */
function Looks({ run, known, roomName }: LooksProps) {
  const { faults, skipped } = debriefOf(run, known);
  const seen = [
    ...faults.map((fault) => faultText(fault, roomName)),
    ...skipped.filter(({ roomIds }) => roomIds.length > 0).map((each) => skipText(each, roomName)),
  ];
  if (seen.length === 0) return null;
  return (
    <Callout tone="caution" title="On the floor so far">
      <ul className="mt-1 grid gap-1">
        {seen.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </Callout>
  );
}

/** The time something is due next, and a press that moves the clock there. */
function JumpToDue({
  run,
  desk,
  onJump,
}: {
  readonly run: JobRun;
  readonly desk: JobDesk;
  readonly onJump: (to: number) => void;
}) {
  const { clock } = useTimes();
  const now = useNow();
  const state = foldRunState(desk.log);
  const due = isRunActive(state) ? nextDue(run, desk, now) : undefined;
  return (
    <Button disabled={due === undefined} onClick={() => due !== undefined && onJump(due)}>
      <FastForward aria-hidden size={18} />
      {due === undefined ? "Jump to what’s due" : `Jump to what’s due, ${clock(due)}`}
    </Button>
  );
}

function Practised({
  real,
  job,
  log,
  onJump,
}: {
  readonly real: JobDesk;
  readonly job: Job;
  readonly log: readonly LogEntry[];
  readonly onJump: (to: number) => void;
}) {
  const { clock } = useTimes();
  const units = useUnits();
  const now = useNow();
  const names = useAppSelector((state) => state.crew.settings?.people) ?? NOBODY;
  const { shelf } = real;
  const later = useDeferredValue(log);
  const planned = usePlanned(job, shelf, later);
  const desk = useMemo((): JobDesk => {
    const { result, ...known } = planned;
    return {
      ...known,
      newer: [],
      newerPlan: false,
      dried: result ? { work: known.work, result, ranges: undefined } : undefined,
      edit: () => undefined,
    };
  }, [planned]);
  const { work, input, startMs, dried } = desk;
  if (work.run.outcome !== "planned")
    return <p>This job can’t be run yet. The run sheet says why and how to fix it.</p>;
  const instruments = simulatedInstruments(input, work, dried?.result, (now - startMs) / 1000);
  return (
    <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[22rem_1fr]">
      <div>
        <InstrumentsContext.Provider value={instruments}>
          <LogNowContext.Provider value={log}>
            <LiveCard
              desk={desk}
              run={work.run}
              people={input.run?.people ?? 1}
              names={names}
              roomName={(id) => nameById(work.rooms, id, "")}
              practice
            />
          </LogNowContext.Provider>
        </InstrumentsContext.Provider>
        <UndoEntry desk={desk} />
      </div>
      <div className="grid content-start gap-4">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <p>
            Time <strong className="font-mono text-2xl">{clock(now)}</strong>
          </p>
          <JumpToDue run={work.run} desk={desk} onJump={onJump} />
        </div>
        <Looks run={work.run} known={input.logged ?? {}} roomName={(id) => nameById(work.rooms, id, "")} />
        <InstrumentPanel
          desk={desk}
          instruments={instruments}
          vesselName={(id) => nameById(shelf.vessels, id, "Sprayer")}
        />
        {log.length > 0 && (
          <section aria-label="Practice log">
            <h2 className="font-semibold">Logged in practice</h2>
            <ol className="text-sm">
              {log.toReversed().map((entry) => {
                const { what, said } = entryText(entry, desk, units);
                return (
                  <li key={entry.id} className="flex gap-3 border-rule border-t py-1.5">
                    <span className="font-mono">{clock(Date.parse(entry.at))}</span>
                    <span>
                      {what}
                      {said ? `: ${said}` : ""}
                    </span>
                  </li>
                );
              })}
            </ol>
          </section>
        )}
      </div>
    </div>
  );
}
