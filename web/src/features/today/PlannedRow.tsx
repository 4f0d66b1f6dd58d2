import { foldRunState, isRunActive } from "@scutch/core/log";
import { useMemo } from "react";
import { computePlan } from "../../planning/computePlan.ts";
import { cachedScheduler, useMinuteUnderWay, useScheduleCache } from "../../planning/scheduleCache.ts";
import { useVesselContents } from "../../planning/useVesselContents.ts";
import { useAppSelector } from "../../state/store.ts";
import { useTimes } from "../../state/useTimes.ts";
import type { JobRowProps, OpenJob } from "./jobRowProps.ts";
import { stateOf } from "./jobState.ts";
import { nextAction, nextText } from "./nextAction.ts";
import { Row } from "./Row.tsx";
import { WetStrip } from "./WetStrip.tsx";

/** A job whose plan and log are here: planned and dried, with its next step and how wet it is. */
export function PlannedRow({
  listed,
  shelf,
  now,
  jobPath,
  known,
}: JobRowProps & { readonly known: OpenJob }) {
  const times = useTimes();
  const pace = useAppSelector((state) => state.crew.settings?.pace);
  const runs = useScheduleCache();
  const minute = useMinuteUnderWay(known.log);
  const contents = useVesselContents(known.job);
  const plan = useMemo(
    () =>
      computePlan(known.job, shelf, known.log, pace, cachedScheduler(known.job.id, runs), minute, contents),
    [known, shelf, pace, runs, minute, contents],
  );
  const state = stateOf(listed, plan, now);
  const running = isRunActive(foldRunState(known.log));
  const going = state.kind === "under-way" || state.kind === "drying";
  return (
    <Row
      {...{ listed, shelf, now, state }}
      to={jobPath(listed.id, running ? "running" : state.kind)}
      next={state.kind === "dry" ? undefined : `Next: ${nextText(nextAction(plan), times)}`}
      {...(going ? { strip: <WetStrip planned={plan} now={now} /> } : {})}
    />
  );
}
