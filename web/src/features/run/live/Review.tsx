import { foldRunState, roomFinishTimes } from "@scutch/core/log";
import { planWork } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import { debriefOf, type ProgressById } from "@scutch/core/run";
import { useMemo } from "react";
import { Link } from "react-router";
import { timeAt } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { scheduleQuickly } from "../../../planning/scheduleCache.ts";
import { useTimes } from "../../../state/useTimes.ts";
import { costText, faultText, goodText, skipText } from "./debriefText.ts";
import type { LiveProps } from "./liveProps.ts";

/** s the run took from its first tap, and s it was planned to take; undefined where rooms were done before it began. */
function tookOf({ log, input, startMs }: JobDesk, finish: number) {
  const { startedAt, steps } = foldRunState(log);
  const begins = [startedAt, ...[...steps.values()].map((step) => step.startedAt)];
  const begun = Math.min(...begins.flatMap((each) => each ?? []));
  const before = [...roomFinishTimes(log).values()].some((finished) => finished < begun);
  if (before || !Number.isFinite(begun)) return undefined;
  const { logged: _, now: __, finishedHours: ___, ...fresh } = input;
  const { run } = planWork(fresh, scheduleQuickly);
  return {
    begun,
    took: finish - (begun - startMs) / 1000,
    planned: run.outcome === "planned" ? run.makespan : undefined,
  };
}

const NOTHING: ProgressById = {};

/** The run as it went: what it took against the plan, what was good, what went wrong, and what that costs. */
export function Review({ desk, run, roomName, practice = false }: LiveProps) {
  const { clock } = useTimes();
  const known = desk.input.logged ?? NOTHING;
  const debrief = useMemo(() => debriefOf(run, known), [run, known]);
  const good = goodText(debrief);
  const unsaid = run.unreportedSteps.length;
  const time = useMemo(() => tookOf(desk, run.makespan), [desk, run.makespan]);
  return (
    <section aria-label="The job" className="border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden">
      <h2 className="font-semibold text-lg">
        Packed up at {clock(timeAt(desk.startMs, run.makespan / 3600))}.
      </h2>
      <ul className="mt-2 grid gap-1">
        {time && (
          <li>
            Started at {clock(time.begun)}: took <strong>{formatDuration(time.took)}</strong>
            {time.planned !== undefined && `, planned ${formatDuration(time.planned)}`}.
          </li>
        )}
        {good && <li>{good}</li>}
        {debrief.faults.map((fault) => (
          <li key={fault.section.id} className="text-caution-ink">
            {faultText(fault, roomName)}
          </li>
        ))}
        {debrief.skipped.map((skipped) => (
          <li key={skipped.kind} className="text-caution-ink">
            {skipText(skipped, roomName)}
          </li>
        ))}
        {unsaid > 0 && <li>Not logged: {unsaid === 1 ? "one step" : `${unsaid} steps`}.</li>}
        <li className="font-semibold">{costText(debrief)}</li>
      </ul>
      {!practice && (
        <Link
          to="../log?kind=steps"
          relative="path"
          className="mt-2 inline-flex min-h-12 items-center font-semibold text-accent underline"
        >
          Tapped by mistake? Cross it out
        </Link>
      )}
    </section>
  );
}
