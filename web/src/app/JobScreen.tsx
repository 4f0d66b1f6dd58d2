import { isKnownZone, JobId } from "@scutch/contract";
import { outdoorAirAt } from "@scutch/core/drying";
import { explainLastReady, explainTotalArea } from "@scutch/core/plan";
import { Ellipsis, Redo2, Undo2 } from "lucide-react";
import { lazy, memo, Suspense, useEffect, useState } from "react";
import { NavLink, Outlet, useLocation, useNavigate, useParams } from "react-router";
import { redoChange, undoChange } from "../device/changes.ts";
import { noteFirstLacking, noteFirstSight } from "../device/firstSight.ts";
import { hoursAt, startText } from "../format/time.ts";
import { percent } from "../format/units.ts";
import { type JobDesk, useJobDesk } from "../planning/desk.ts";
import { LogNowContext } from "../planning/logNow.ts";
import { placeOf } from "../planning/place.ts";
import { readyOfJob } from "../planning/ready.ts";
import type { DryingForecast } from "../planning/useDried.ts";
import { ExplainedFigure } from "../shared/explain/ExplainedFigure.tsx";
import { UndoEntry } from "../shared/logging/UndoEntry.tsx";
import { onScreen, selectHistory } from "../state/historySlice.ts";
import { useAppSelector } from "../state/store.ts";
import { useMay } from "../state/useMay.ts";
import { useTimes, useZoneName, ZoneContext } from "../state/useTimes.ts";
import { useUnits } from "../state/useUnits.ts";
import { DialogAside } from "../ui/Dialog.tsx";
import { Failed, Loading } from "../ui/States.tsx";
import { useNow } from "../ui/useNow.ts";
import { useShortcut } from "../ui/useShortcut.ts";
import { AtWork } from "./AtWork.tsx";
import { changeText } from "./changeText.ts";
import { type Phase, phasesFor } from "./phases.ts";

const JobMenu = lazy(async () => ({ default: (await import("../features/jobmenu/JobMenu.tsx")).JobMenu }));

/** A job with its phases, always one tap apart. */
export function JobScreen() {
  const { jobId } = useParams();
  const parsed = JobId.safeParse(jobId);
  const desk = useJobDesk(parsed.success ? parsed.data : undefined);
  const isLoading = desk.state === "loading";
  const isLacking = isLoading && desk.isLacking;
  useEffect(() => {
    if (!isLoading) noteFirstSight();
    else if (isLacking) noteFirstLacking();
  }, [isLoading, isLacking]);
  if (desk.state === "ready")
    return (
      <ZoneContext value={placeOf(desk.desk.job, desk.desk.shelf).zone}>
        <LogNowContext.Provider value={desk.logNow}>
          <OpenJob desk={desk.desk} />
        </LogNowContext.Provider>
      </ZoneContext>
    );
  return (
    <div className="px-4 sm:px-7">
      {desk.state === "loading" ? (
        <Loading what="the job" />
      ) : (
        <Failed code={desk.code} what="job" onRetry={desk.retry} />
      )}
    </div>
  );
}

/** Follows the desk alone: what is logged this moment is the run card's. */
const OpenJob = memo(function OpenJob({ desk }: { readonly desk: JobDesk }) {
  return (
    <div data-job className="pb-32 sm:pb-16">
      <JobHeader desk={desk} />
      <PhaseBar jobId={desk.job.id} />
      <div className="fixed inset-x-0 bottom-14 z-20 sm:bottom-0 sm:left-20">
        <UndoEntry desk={desk} />
      </div>
      <DialogAside value={<UndoEntry desk={desk} />}>
        <Outlet context={desk} />
      </DialogAside>
    </div>
  );
});

/** The phases, and undo: nothing here follows the figures. */
const PhaseBar = memo(function PhaseBar({ jobId }: { readonly jobId: JobId }) {
  const navigate = useNavigate();
  const readsLog = useMay("read-log");
  useShortcut("t", () => void navigate("/"));
  return (
    <nav
      aria-label="Phases of the job"
      className="fixed inset-x-0 bottom-0 z-20 flex border-ink border-t-2 bg-ground sm:static sm:mx-7 sm:border-t-0 sm:border-b-2 print:hidden"
    >
      {phasesFor(readsLog).map((phase) => (
        <PhaseLink key={phase.path} phase={phase} />
      ))}
      <UndoButtons jobId={jobId} />
    </nav>
  );
});

function PhaseLink({ phase: { path, name, key } }: { readonly phase: Phase }) {
  const navigate = useNavigate();
  useShortcut(key, () => void navigate(path));
  return (
    <NavLink
      to={path}
      className={({ isActive }) =>
        `grid min-h-14 min-w-0 flex-1 place-items-center text-center font-semibold leading-tight max-sm:text-[0.95rem] sm:min-h-12 sm:flex-none sm:px-6 ${isActive ? "bg-ink text-ground" : "text-soft"}`
      }
    >
      {name}
    </NavLink>
  );
}

/** Undo and redo of what was done on the screen in sight, each saying what it takes back. */
function UndoButtons({ jobId }: { readonly jobId: JobId }) {
  const screen = useLocation().pathname.split("/")[3] ?? "";
  const { last, next } = onScreen(
    useAppSelector((state) => selectHistory(state, jobId)),
    screen,
  );
  const undo = () => undoChange(jobId, screen);
  const redo = () => redoChange(jobId, screen);
  useShortcut("u", undo);
  useShortcut("r", redo);
  if (!last && !next) return null;
  const look = "flex min-h-12 min-w-0 items-center gap-2 px-2 text-sm text-soft sm:min-h-12";
  return (
    <div
      data-undo
      className="flex items-center justify-between gap-2 max-sm:absolute max-sm:inset-x-0 max-sm:bottom-full max-sm:border-rule max-sm:border-t max-sm:bg-ground max-sm:px-2 sm:ml-auto sm:min-w-0"
    >
      {last && (
        <button type="button" onClick={undo} className={look}>
          <Undo2 aria-hidden size={20} className="shrink-0" />
          <span className="truncate">Undo: {changeText(last.before, last.after)}</span>
        </button>
      )}
      {next && (
        <button
          type="button"
          onClick={redo}
          aria-label={`Redo: ${changeText(next.before, next.after)}`}
          className={`${look} ml-auto shrink-0`}
        >
          <Redo2 aria-hidden size={20} />
          <span className="max-sm:sr-only">Redo</span>
        </button>
      )}
    </div>
  );
}

function JobHeader({ desk }: { readonly desk: JobDesk }) {
  const { job, shelf, work, dried, startMs, newerPlan } = desk;
  const [menu, setMenu] = useState(false);
  const units = useUnits();
  const now = useNow();
  // Without the readings in the log, a begun job's hours would be others than its crew sees.
  const readsLog = useMay("read-log");
  const tellsHours = readsLog || desk.log.length === 0;
  const { site, zone } = placeOf(job, shelf);
  const zoneName = useZoneName(startMs);
  const air = (where: string, value: typeof job.indoor) =>
    value ? `${where} ${units.temperature(value.temperature)} ${percent(value.relativeHumidity)}` : undefined;
  const rooms = work.rooms.filter(({ passage }) => !passage).length;
  const isOutdoorSaid = job.outdoor !== undefined || job.weather !== undefined;
  const outdoor = outdoorAirAt(work.building, Math.max(0, hoursAt(startMs, now)));
  const facts = [
    startText(job, zoneName),
    air("inside", job.indoor),
    air("outside", isOutdoorSaid ? outdoor : undefined),
  ].filter(Boolean);
  return (
    <div data-round className="flex items-end justify-between gap-x-8 gap-y-2 px-4 pt-4 pb-3 sm:px-7 sm:pt-6">
      <div className="min-w-0 flex-1">
        <h1 className="font-bold text-xl leading-tight sm:text-2xl">
          {site?.name ?? "Unknown place"}
          <span className="block font-normal text-base text-soft sm:inline sm:before:content-[',_'] sm:text-2xl">
            {job.title}
          </span>
        </h1>
        <p className="mt-1 text-sm text-soft">
          {rooms > 0 && (
            <>
              <ExplainedFigure label="Area" working={() => explainTotalArea(work)}>
                {units.area(work.area)}
              </ExplainedFigure>{" "}
              in {rooms === 1 ? "1 room" : `${rooms} rooms`} ·{" "}
            </>
          )}
          {facts.join(" · ")}
        </p>
        <AtWork desk={desk} />
        {zone !== undefined && !isKnownZone(zone) && (
          <p className="mt-1 text-caution-ink text-sm">
            This device doesn’t know the time zone “{zone}”. Hours here are by its own clock.
          </p>
        )}
        {job.removed && (
          <p className="mt-1 text-caution-ink text-sm">
            This job was removed. You can restore it from Today.
          </p>
        )}
        {newerPlan && (
          <p className="mt-1 text-caution-ink text-sm">
            Part of this job is newer than this app. It is safe; update the app to see it.
          </p>
        )}
      </div>
      <button
        type="button"
        aria-label="Job menu: repeat, move, export, remove"
        onClick={() => setMenu(true)}
        className="order-first -mr-2 grid size-12 shrink-0 place-items-center self-start text-accent max-sm:order-none sm:order-last"
      >
        <Ellipsis aria-hidden size={24} />
      </button>
      {menu && (
        <Suspense fallback={null}>
          <JobMenu desk={desk} onClose={() => setMenu(false)} />
        </Suspense>
      )}
      {dried && tellsHours && (
        <div className="hidden gap-8 text-right sm:flex">
          <HeaderTime label="all touch-dry" which="touchDry" dried={dried} start={startMs} now={now} />
          <HeaderTime label="all dry" which="dry" dried={dried} start={startMs} now={now} />
        </div>
      )}
    </div>
  );
}

interface HeaderTimeProps {
  readonly label: string;
  readonly which: "touchDry" | "dry";
  readonly dried: DryingForecast;
  readonly start: number;
  readonly now: number;
}

function HeaderTime({ label, which, dried, start, now }: HeaderTimeProps) {
  const { about, between } = useTimes();
  const { likely, early, late } = readyOfJob(dried, start, which);
  const hours = dried.result.rooms.map((room) => (which === "dry" ? room.dryHours : room.touchDryHours));
  return (
    <div>
      <div className="text-sm text-soft">{label}</div>
      <ExplainedFigure
        label={label}
        working={() => explainLastReady(dried.work, hours, label)}
        className="font-bold font-mono text-2xl leading-7"
      >
        {likely === null ? "not yet" : about(likely, now)}
      </ExplainedFigure>
      <div className="font-mono text-sm text-soft">
        {early === null ? "\u00a0" : between(early, late, now)}
      </div>
    </div>
  );
}
