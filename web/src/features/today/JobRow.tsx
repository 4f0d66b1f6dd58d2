import type { Shelf } from "@scutch/contract";
import { isUnderWay, runLogged } from "@scutch/core/log";
import { lazy, Suspense, useMemo } from "react";
import { Link } from "react-router";
import { longDay, type Times } from "../../format/time.ts";
import { planned } from "../../planning/planned.ts";
import { runsOf, useMinuteUnderWay, useRunsFound } from "../../planning/runs.ts";
import { useAppSelector } from "../../state/store.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { type JobState, stateOf } from "./jobState.ts";
import type { Listed } from "./useToday.ts";
import { WetStrip } from "./WetStrip.tsx";

/** Brings the care rules with it: the list stands without. */
const NextLine = lazy(async () => ({ default: (await import("./NextLine.tsx")).NextLine }));

/** Tells the address of a job at the phase it stands at. */
export type JobPath = (jobId: string, stage: JobState["kind"] | "running") => string;

interface Props {
  readonly listed: Listed;
  readonly shelf: Shelf;
  readonly now: number;
  readonly jobPath: JobPath;
}

function headline(
  listed: Listed,
  state: JobState,
  now: number,
  { about }: Times,
): readonly [label: string, hour: string] {
  switch (state.kind) {
    case "planned":
      return ["starts", listed.startsAt];
    case "under-way":
      return ["rooms finished", `${state.finished} of ${state.rooms}`];
    case "drying":
      return ["dry by about", state.dryAt === null ? "not yet" : about(state.dryAt, now)];
    case "dry":
      return state.dryAt === undefined ? ["", "done"] : ["dry since about", about(state.dryAt, now)];
  }
}

/** A job of these days: where it stands, and the one hour that matters. Only one begun lately is dried. */
export function JobRow({ listed, shelf, now, jobPath }: Props) {
  const times = useTimes();
  const units = useUnits();
  const { open } = listed;
  const pace = useAppSelector((state) => state.crew.settings?.pace);
  const known = open ?? listed.today;
  const runs = useRunsFound();
  const minute = useMinuteUnderWay(known?.log);
  const plan = useMemo(
    () =>
      known ? planned(known.job, shelf, known.log, pace, runsOf(known.job.id, runs), minute) : undefined,
    [known, shelf, pace, runs, minute],
  );
  const site = shelf.sites.find(({ id }) => id === listed.siteId);
  const state = stateOf(listed, plan, now);
  const [label, hour] = headline(listed, state, now, times);
  const running = known !== undefined && isUnderWay(runLogged(known.log));
  const going = plan !== undefined && (state.kind === "under-way" || state.kind === "drying");
  return (
    <li className={going ? "border-accent border-t-4 bg-paper" : "border-rule border-t"}>
      <Link
        to={jobPath(listed.id, running ? "running" : state.kind)}
        className="block px-4 py-4 hover:bg-wash"
      >
        <div className="flex items-start justify-between gap-4">
          <div className="min-w-0">
            <h3 className="font-bold text-lg leading-tight">{site?.name ?? "Unknown site"}</h3>
            <p className="text-soft">{listed.title}</p>
            <p className="mt-1 text-sm text-soft">
              {longDay(listed.day)} {listed.startsAt} · {units.area(listed.area)} in {listed.rooms}{" "}
              {listed.rooms === 1 ? "room" : "rooms"}
            </p>
            {plan && state.kind !== "dry" && (
              <p className="mt-1 min-h-6 font-semibold">
                <Suspense fallback={null}>
                  <NextLine planned={plan} />
                </Suspense>
              </p>
            )}
          </div>
          <div className="shrink-0 text-right">
            <div className="text-sm text-soft">{label}</div>
            <div className={`font-bold font-mono ${going ? "text-4xl" : "text-xl"}`}>{hour}</div>
          </div>
        </div>
        {going && plan && (
          <div className="mt-3">
            <WetStrip planned={plan} now={now} />
          </div>
        )}
      </Link>
    </li>
  );
}
