import type { JobId } from "@scutch/contract";
import { Link } from "react-router";
import { useUnits } from "../../app/store.ts";
import { about, longDay } from "../../format/time.ts";
import { type JobDesk, useJobDesk } from "../job/useJobDesk.ts";
import { stateOf } from "./jobState.ts";
import { WetStrip } from "./WetStrip.tsx";

const PHASE_OF = { planned: "survey", "under-way": "mix", drying: "dry", dry: "log" } as const;

/** A job of these days: where it stands, and the one hour that matters. */
export function JobRow({ jobId, now }: { readonly jobId: JobId; readonly now: number }) {
  const desk = useJobDesk(jobId);
  if (desk.state !== "ready")
    return <li className="min-h-24 border-rule border-t py-4 text-soft">Opening …</li>;
  return <OpenRow desk={desk.desk} now={now} />;
}

function headline(desk: JobDesk, now: number): { readonly label: string; readonly hour: string } {
  const state = stateOf(desk, now);
  switch (state.kind) {
    case "planned":
      return { label: "starts", hour: desk.job.startsAt };
    case "under-way":
      return { label: "rooms finished", hour: `${state.finished} of ${state.rooms}` };
    case "drying":
      return { label: "dry by about", hour: state.dryAt === null ? "not yet" : about(state.dryAt, now) };
    case "dry":
      return { label: "dry since about", hour: about(state.dryAt, now) };
  }
}

function OpenRow({ desk, now }: { readonly desk: JobDesk; readonly now: number }) {
  const units = useUnits();
  const { job, shelf, work } = desk;
  const site = shelf.sites.find(({ id }) => id === job.siteId);
  const state = stateOf(desk, now);
  const rooms = work.rooms.filter(({ passage }) => !passage).length;
  const { label, hour } = headline(desk, now);
  const open = state.kind === "under-way" || state.kind === "drying";
  return (
    <li className={open ? "border-accent border-t-4 bg-paper" : "border-rule border-t"}>
      <Link to={`/jobs/${job.id}/${PHASE_OF[state.kind]}`} className="block px-4 py-4 hover:bg-wash">
        <div className="flex items-start justify-between gap-4">
          <div className="min-w-0">
            <h3 className="font-bold text-lg leading-tight">{site?.name ?? "Unknown site"}</h3>
            <p className="text-soft">{job.title}</p>
            <p className="mt-1 text-sm text-soft">
              {longDay(job.day)} {job.startsAt} · {units.area(work.area)} in {rooms}{" "}
              {rooms === 1 ? "room" : "rooms"}
            </p>
          </div>
          <div className="shrink-0 text-right">
            <div className="text-sm text-soft">{label}</div>
            <div className={`font-bold font-mono ${open ? "text-4xl" : "text-xl"}`}>{hour}</div>
          </div>
        </div>
        {open && (
          <div className="mt-3">
            <WetStrip desk={desk} now={now} />
          </div>
        )}
      </Link>
    </li>
  );
}
