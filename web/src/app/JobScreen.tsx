import { JobId } from "@scutch/contract";
import { workingOfLastReady, workingOfTotalArea } from "@scutch/core/plan";
import { Redo2, Undo2 } from "lucide-react";
import { memo } from "react";
import { NavLink, Outlet, useNavigate, useParams } from "react-router";
import { redoChange, undoChange } from "../device/changes.ts";
import { about, between, longDay } from "../format/time.ts";
import { percent } from "../format/units.ts";
import { type JobDesk, useJobDesk } from "../planning/desk.ts";
import { readyOfJob } from "../planning/ready.ts";
import type { Dried } from "../planning/useDried.ts";
import { Worked } from "../shared/working/Worked.tsx";
import { selectHistory } from "../state/historySlice.ts";
import { useAppSelector } from "../state/store.ts";
import { useUnits } from "../state/useUnits.ts";
import { Failed, Loading } from "../ui/States.tsx";
import { useKey } from "../ui/useKey.ts";
import { useNow } from "../ui/useNow.ts";
import { PHASES, type Phase } from "./phases.ts";

/** A job with its phases, always one tap apart. */
export function JobScreen() {
  const { jobId } = useParams();
  const parsed = JobId.safeParse(jobId);
  const desk = useJobDesk(parsed.success ? parsed.data : undefined);
  if (desk.state === "ready") return <OpenJob desk={desk.desk} />;
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

function OpenJob({ desk }: { readonly desk: JobDesk }) {
  return (
    <div className="pb-20 sm:pb-8">
      <JobHeader desk={desk} />
      <PhaseBar jobId={desk.job.id} />
      <Outlet context={desk} />
    </div>
  );
}

/** The phases, and undo: nothing here follows the figures. */
const PhaseBar = memo(function PhaseBar({ jobId }: { readonly jobId: JobId }) {
  const navigate = useNavigate();
  useKey("t", () => void navigate("/"));
  return (
    <nav
      aria-label="Phases of the job"
      className="fixed inset-x-0 bottom-0 z-20 flex border-ink border-t-2 bg-ground sm:static sm:mx-7 sm:border-t-0 sm:border-b-2 print:hidden"
    >
      {PHASES.map((phase) => (
        <PhaseLink key={phase.path} phase={phase} />
      ))}
      <UndoButtons jobId={jobId} />
    </nav>
  );
});

function PhaseLink({ phase: { path, name, key } }: { readonly phase: Phase }) {
  const navigate = useNavigate();
  useKey(key, () => void navigate(path));
  return (
    <NavLink
      to={path}
      className={({ isActive }) =>
        `grid min-h-14 flex-1 place-items-center font-semibold sm:min-h-10 sm:flex-none sm:px-6 ${isActive ? "bg-ink text-ground" : "text-soft"}`
      }
    >
      {name}
    </NavLink>
  );
}

function UndoButtons({ jobId }: { readonly jobId: JobId }) {
  const { past, future } = useAppSelector((state) => selectHistory(state, jobId));
  const undo = () => undoChange(jobId);
  const redo = () => redoChange(jobId);
  useKey("u", undo);
  useKey("r", redo);
  const look = "grid min-h-12 w-12 place-items-center text-soft disabled:opacity-30 sm:min-h-10";
  return (
    <div className="flex sm:ml-auto">
      <button type="button" aria-label="Undo" disabled={past.length === 0} onClick={undo} className={look}>
        <Undo2 aria-hidden size={20} />
      </button>
      <button
        type="button"
        aria-label="Do again"
        disabled={future.length === 0}
        onClick={redo}
        className={`${look} hidden sm:grid`}
      >
        <Redo2 aria-hidden size={20} />
      </button>
    </div>
  );
}

function JobHeader({ desk: { job, shelf, work, dried, start, newerPlan } }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const now = useNow();
  const site = shelf.sites.find(({ id }) => id === job.siteId);
  const air = (where: string, value: typeof job.indoor) =>
    value ? `${where} ${units.temperature(value.temperature)} ${percent(value.relativeHumidity)}` : undefined;
  const rooms = work.rooms.filter(({ passage }) => !passage).length;
  const facts = [
    `${longDay(job.day)} ${job.startsAt}`,
    air("inside", job.indoor),
    air("outside", job.outdoor),
  ].filter(Boolean);
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-8 gap-y-2 px-4 pt-4 pb-3 sm:px-7 sm:pt-6">
      <div className="min-w-0">
        <h1 className="font-bold text-xl leading-tight sm:text-2xl">
          {site?.name ?? "Unknown site"}
          <span className="block font-normal text-base text-soft sm:inline sm:before:content-[',_'] sm:text-2xl">
            {job.title}
          </span>
        </h1>
        <p className="mt-1 text-sm text-soft">
          {rooms > 0 && (
            <>
              <Worked label="Area" working={() => workingOfTotalArea(work)}>
                {units.area(work.area)}
              </Worked>{" "}
              in {rooms === 1 ? "1 room" : `${rooms} rooms`} ·{" "}
            </>
          )}
          {facts.join(" · ")}
        </p>
        {newerPlan && (
          <p className="mt-1 text-caution-ink text-sm">
            Something in this job is newer than this app. It is kept; bring the app up to date to see it.
          </p>
        )}
      </div>
      {dried && (
        <div className="hidden gap-8 text-right sm:flex">
          <HeaderTime label="walk on, all rooms" which="touchDry" dried={dried} start={start} now={now} />
          <HeaderTime label="all dry" which="dry" dried={dried} start={start} now={now} />
        </div>
      )}
    </div>
  );
}

interface HeaderTimeProps {
  readonly label: string;
  readonly which: "touchDry" | "dry";
  readonly dried: Dried;
  readonly start: number;
  readonly now: number;
}

function HeaderTime({ label, which, dried, start, now }: HeaderTimeProps) {
  const { likely, early, late } = readyOfJob(dried, start, which);
  const hours = dried.result.rooms.map((room) => (which === "dry" ? room.dryHours : room.touchDryHours));
  return (
    <div>
      <div className="text-sm text-soft">{label}</div>
      <Worked
        label={label}
        working={() => workingOfLastReady(dried.work, hours, label)}
        className="font-bold font-mono text-2xl leading-7"
      >
        {likely === null ? "not yet" : about(likely, now)}
      </Worked>
      <div className="font-mono text-sm text-soft">
        {early === null ? "\u00a0" : between(early, late, now)}
      </div>
    </div>
  );
}
