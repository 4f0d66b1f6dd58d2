import { foldRunState, isRunActive } from "@scutch/core/log";
import type { ReactNode } from "react";
import { timeAt } from "../../format/time.ts";
import type { Planned } from "../../planning/computePlan.ts";
import { useLateStart } from "../../planning/useLateStart.ts";
import { usePlanInWorker } from "../../planning/usePlanInWorker.ts";
import { useVesselContents } from "../../planning/useVesselContents.ts";
import { useTimes } from "../../state/useTimes.ts";
import type { JobRowProps, OpenJob } from "./jobRowProps.ts";
import { stateOf } from "./jobState.ts";
import { nextAction, nextText } from "./nextAction.ts";
import { Row } from "./Row.tsx";
import { WetStrip } from "./WetStrip.tsx";

/** The next job of the day, where this one isn't done by its start. */
function overlapOf({ work, startMs }: Planned, following: JobRowProps["following"]) {
  if (!following || work.run.outcome !== "planned") return undefined;
  const until = timeAt(startMs, work.run.makespan / 3600);
  return until > following.startMs ? { ...following, until } : undefined;
}

/** A job whose plan and log are here: planned and dried, with its next step and how wet it is; `waiting` until that is found. */
export function PlannedRow({
  listed,
  shelf,
  now,
  jobPath,
  following,
  known,
  waiting,
}: JobRowProps & { readonly known: OpenJob; readonly waiting: ReactNode }) {
  const times = useTimes();
  const vesselContents = useVesselContents(known.job);
  const lateStart = useLateStart(known.job, shelf, known.log);
  const plan = usePlanInWorker(known.job, shelf, known.log, {
    vesselContents,
    lateStart,
    // How wet it is shows once something was done.
    isDried: listed.entries > 0,
  });
  if (!plan) return waiting;
  const state = stateOf(listed, plan, now);
  const next = nextAction(plan);
  const open = state.kind === "planned" || state.kind === "under-way";
  const clash = open ? overlapOf(plan, following) : undefined;
  const running = isRunActive(foldRunState(known.log));
  const going = state.kind === "under-way" || state.kind === "drying";
  return (
    <Row
      {...{ listed, shelf, now, state }}
      to={jobPath(listed.id, running ? "running" : state.kind)}
      next={state.kind === "dry" && next.from === undefined ? undefined : `Next: ${nextText(next, times)}`}
      late={plan.late}
      clash={
        clash &&
        `Overlaps ${clash.name}, ${times.clock(clash.startMs)}: this job ends about ${times.about(clash.until, now)}.`
      }
      {...(going ? { strip: <WetStrip planned={plan} now={now} /> } : {})}
    />
  );
}
