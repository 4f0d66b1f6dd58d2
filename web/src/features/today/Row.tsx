import type { Shelf } from "@scutch/contract";
import { formatDuration } from "@scutch/core/quantity";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { startText, type Times } from "../../format/time.ts";
import type { JobListItem } from "../../shared/jobs/useJobList.ts";
import { useTimes, useZoneName } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import type { JobState } from "./jobState.ts";

interface Props {
  readonly listed: JobListItem;
  readonly shelf: Shelf;
  readonly now: number;
  readonly to: string;
  /** undefined: not told yet. */
  readonly state: JobState | undefined;
  /** The next thing to do, in a line; and how wet its rooms are. */
  readonly next?: ReactNode;
  readonly strip?: ReactNode;
  /** ms since it should have begun; 0 or absent: it isn’t late. */
  readonly late?: number;
  /** That it runs into another job of the day, in a sentence. */
  readonly clash?: string | undefined;
}

function headline(
  listed: JobListItem,
  state: JobState | undefined,
  now: number,
  { about }: Times,
): readonly [label: string, hour: string] {
  switch (state?.kind) {
    case undefined:
      return ["\u00a0", "…"];
    case "planned":
      return ["starts", listed.startsAt];
    case "under-way":
      return ["rooms finished", `${state.finished} of ${state.rooms}`];
    case "drying":
      // When the floor can be walked on; when it is dry stands below.
      return ["touch-dry about", state.touchDryAtMs === null ? "not yet" : about(state.touchDryAtMs, now)];
    case "dry":
      return state.dryAtMs === undefined ? ["", "done"] : ["dry since about", about(state.dryAtMs, now)];
  }
}

/** A job in a list: where it is, and the one hour that matters. */
export function Row({ listed, shelf, now, to, state, next, strip, late = 0, clash }: Props) {
  const times = useTimes();
  const units = useUnits();
  const zone = useZoneName(times.momentAt(listed.day, listed.startsAt));
  const site = shelf.sites.find(({ id }) => id === listed.siteId);
  const [label, hour] = headline(listed, state, now, times);
  const going = strip !== undefined;
  return (
    <li className={going ? "border-accent border-t-4 bg-paper" : "border-rule border-t"}>
      <Link to={to} className="block px-4 py-4 hover:bg-wash">
        <div className="flex flex-wrap items-start justify-between gap-x-4">
          <div className="min-w-0 flex-1 basis-40">
            <h3 className="font-bold text-lg leading-tight">{site?.name ?? "Unknown place"}</h3>
            <p className="text-soft">{listed.title}</p>
          </div>
          <div className="text-right">
            <div className="text-sm text-soft">{label}</div>
            <div className={`font-bold font-mono ${going ? "text-3xl sm:text-4xl" : "text-xl"}`}>{hour}</div>
          </div>
        </div>
        <p className="mt-1 text-sm text-soft">
          {startText(listed, zone)} · {units.area(listed.area)} in {listed.rooms}{" "}
          {listed.rooms === 1 ? "room" : "rooms"}
        </p>
        {late > 0 && (
          <p className="mt-1 font-semibold text-caution-ink">
            Not started: {formatDuration(late / 1000)} late. Times count from now.
          </p>
        )}
        {clash && <p className="mt-1 font-semibold text-caution-ink">{clash}</p>}
        {state?.kind === "drying" && (
          <p className="mt-1">
            {state.dryAtMs === null
              ? "Not dry within four days in this air."
              : `Dry, furniture back, by about ${times.about(state.dryAtMs, now)}.`}
          </p>
        )}
        {next && <p className="mt-1 min-h-6 font-semibold">{next}</p>}
        {strip && <div className="mt-3">{strip}</div>}
      </Link>
    </li>
  );
}
