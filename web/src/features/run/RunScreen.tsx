import { foldRunState, hasBegun, runEndedAt } from "@scutch/core/log";
import { vesselLevels } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import { effectiveProgress, type JobRun, lanesOf, type Step } from "@scutch/core/run";
import { Printer, Scale } from "lucide-react";
import { lazy, memo, Suspense, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { timeAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { useDesk } from "../../planning/openDesk.ts";
import { NoRooms } from "../../shared/NoRooms.tsx";
import { useAppSelector } from "../../state/store.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { AtMarker } from "./AtMarker.tsx";
import { FloorNow } from "./FloorNow.tsx";
import { LiveCard } from "./live/LiveCard.tsx";
import { RunAdvice } from "./RunAdvice.tsx";
import { choicesText, RunChoices } from "./RunChoices.tsx";
import { RunFault } from "./RunFault.tsx";
import { RunPrint } from "./RunPrint.tsx";
import { RunSheet } from "./RunSheet.tsx";
import { describeChange, summarizeRun } from "./runChange.ts";
import { StepDialog } from "./StepDialog.tsx";
import { StepTable } from "./StepTable.tsx";
import { useRunMarker } from "./useRunMarker.tsx";

const CompareDialog = lazy(async () => ({ default: (await import("./CompareDialog.tsx")).CompareDialog }));
const NOBODY: readonly string[] = [];

/** Who does what when, section by section, from the first step to the last room dry. */
export const RunScreen = memo(function RunScreen() {
  const desk = useDesk();
  const { work, job } = desk;
  const said = useChangeMessage(desk);
  if (work.rooms.every(({ passage }) => passage))
    return <NoRooms title="Nothing to run yet." follows="the run sheet" />;
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-6 px-4 pt-4 sm:px-7 lg:grid-cols-[1fr_22rem] lg:grid-rows-[auto_1fr]">
      {work.run.outcome === "planned" ? (
        <Planned desk={desk} said={said} key={job.id} />
      ) : (
        <>
          <RunFault desk={desk} fault={work.run.fault} />
          <RunChoices desk={desk} />
        </>
      )}
    </div>
  );
});

/** What the last change of the plan, or what was last logged, did to the run; nothing on opening it. */
function useChangeMessage({ work, job, log, isProvisional }: JobDesk): string | undefined {
  const stand = useMemo(() => summarizeRun(work), [work]);
  const before = useRef({ job, log, stand });
  const [said, setSaid] = useState<string>();
  useEffect(() => {
    const was = before.current;
    // What stands in for a moment is no change.
    if (isProvisional && was.job.id === job.id) return;
    if (was.job.id !== job.id) setSaid(undefined);
    else if (was.stand !== stand && (was.job !== job || (was.log.length > 0 && was.log !== log)))
      setSaid(describeChange(was.stand, stand));
    before.current = { job, log, stand };
  }, [stand, job, log, isProvisional]);
  return said;
}

function Planned({ desk, said }: { readonly desk: JobDesk; readonly said: string | undefined }) {
  const { job, shelf, work, dried, input, startMs } = desk;
  const { clock } = useTimes();
  const names = useAppSelector((state) => state.crew.settings?.people) ?? NOBODY;
  const [compare, setCompare] = useState(false);
  const [chosen, setChosen] = useState<string>();
  const run = work.run.outcome === "planned" ? work.run : undefined;
  const lanes = useMemo(
    () => (run ? lanesOf(work.rooms, run, dried?.result) : []),
    [work, run, dried?.result],
  );
  const levels = useMemo(() => vesselLevels(input, work), [input, work]);
  const pinned = useMemo(() => new Set((job.pins ?? []).map(({ id }) => id)), [job.pins]);
  const vesselName = useCallback((id: string) => nameById(shelf.vessels, id, "Sprayer"), [shelf.vessels]);
  const roomName = useCallback((id: string) => nameById(work.rooms, id, ""), [work.rooms]);
  const onStep = useCallback((step: Step) => setChosen(step.id), []);
  const people = input.run?.people ?? 1;
  const { time, second, isBack, overlay, backToNow } = useRunMarker(startMs, hasBegun(desk.log), lanes);
  const known = useMemo(
    () => (run ? effectiveProgress(run, input.logged, work.wasted) : {}),
    [run, input.logged, work.wasted],
  );
  if (!run) return null;
  const step = run.steps.find(({ id }) => id === chosen);
  return (
    <>
      <section aria-label="Run sheet" className="min-w-0 lg:row-span-2 lg:row-start-1 print:hidden">
        <RunStatus {...{ desk, run, said }} />
        <RunSheet
          run={run}
          lanes={lanes}
          levels={levels}
          start={startMs}
          people={people}
          names={names}
          vesselName={vesselName}
          pinned={pinned}
          onStep={onStep}
        >
          {overlay}
        </RunSheet>
        <RunActions onCompare={() => setCompare(true)} />
        <div className="mt-4">
          <Folded label={choicesText(desk)}>
            <RunChoices desk={desk} />
          </Folded>
        </div>
        <details className="mt-3">
          <summary className="min-h-12 cursor-pointer py-3 font-semibold text-accent">
            Step list: tap a step to lock or delay it
          </summary>
          <StepTable {...{ run, start: startMs, people, names, roomName, vesselName, pinned, onStep }} />
        </details>
      </section>
      <div className="grid content-start gap-4 max-lg:order-first lg:col-start-2 lg:row-start-1">
        {run.driesFirst.length > 0 && (
          <RunFault desk={desk} fault={{ code: "dries-first", rooms: run.driesFirst }} />
        )}
        <LiveCard {...{ desk, run, people, names, roomName }} />
      </div>
      <section
        aria-label="At the time shown"
        className="grid min-w-0 content-start gap-4 lg:col-start-2 print:hidden"
      >
        <AtMarker {...{ run, lanes, levels, people, names, vesselName, start: startMs, second, known }} />
        {isBack && (
          <Button weight="quiet" className="justify-self-start" onClick={backToNow}>
            Back to now
          </Button>
        )}
        <div>
          <h2 className="mb-1 font-semibold">Floor at {clock(time)}</h2>
          <FloorNow job={job} lanes={lanes} second={Math.round(second / 15) * 15} />
        </div>
        <RunAdvice desk={desk} run={run} lanes={lanes} />
      </section>
      <RunPrint {...{ desk, run, people, names, roomName, vesselName }} />
      {step && (
        <StepDialog
          key={step.id}
          desk={desk}
          step={step}
          roomName={step.roomId === undefined ? undefined : roomName(step.roomId)}
          onClose={() => setChosen(undefined)}
        />
      )}
      {compare && (
        <Suspense fallback={null}>
          <CompareDialog desk={desk} onClose={() => setCompare(false)} />
        </Suspense>
      )}
    </>
  );
}

/** When the run is done, how much sooner it could be, and what the last change did. */
function RunStatus({
  desk,
  run,
  said,
}: {
  readonly desk: JobDesk;
  readonly run: JobRun;
  readonly said: string | undefined;
}) {
  const { clock } = useTimes();
  const { startMs, isProvisional } = desk;
  const isOver = runEndedAt(foldRunState(desk.log)) !== undefined;
  const saved = Math.ceil((run.makespan - run.lowerBound) / 60) * 60;
  return (
    <p className="mb-2" role="status">
      <strong>Done at {clock(timeAt(startMs, run.makespan / 3600))}.</strong>{" "}
      <span className="text-soft">
        {isOver
          ? ""
          : isProvisional
            ? "Looking for a faster order…"
            : saved <= 60
              ? "This is the fastest order."
              : `Another order could save ${formatDuration(saved)} at most.`}
      </span>{" "}
      {said && <span className="font-semibold text-accent">{said}</span>}
    </p>
  );
}

function RunActions({ onCompare }: { readonly onCompare: () => void }) {
  return (
    <div className="mt-2 flex flex-wrap gap-3">
      <Button onClick={onCompare}>
        <Scale aria-hidden size={18} /> Compare two options
      </Button>
      <Button onClick={() => print()}>
        <Printer aria-hidden size={18} /> Print
      </Button>
      <Link
        to="../practice"
        relative="path"
        className="grid min-h-12 place-items-center px-2 font-semibold text-accent hover:underline"
      >
        Practise this job
      </Link>
    </div>
  );
}
