import type { JobRun } from "@scutch/core/run";
import { startText, timeAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { airMoverWaits } from "../../shared/run/airMoverText.ts";
import { useTimes, useZoneName } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { StepTable } from "./StepTable.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly run: JobRun;
  readonly people: number;
  readonly names: readonly string[];
  readonly roomName: (id: string) => string;
  readonly vesselName: (id: string) => string;
}

/** The run as a page for the clipboard. Seen only on paper. */
export function RunPrint({
  desk: { job, shelf, work, startMs },
  run,
  people,
  names,
  roomName,
  vesselName,
}: Props) {
  const units = useUnits();
  const site = shelf.sites.find(({ id }) => id === job.siteId);
  const { clock } = useTimes();
  const zone = useZoneName(startMs);
  const waits = airMoverWaits(work.rooms);
  const ahead = work.spraying.filter(({ limit }) => limit !== "none");
  return (
    <div data-print="run-sheet" className="hidden bg-white text-[11px] text-black leading-tight print:block">
      <h1 className="font-bold text-xl">
        {site?.name}, {job.title}
      </h1>
      <p>
        {startText(job, zone)}, {people === 1 ? "crew of one" : `crew of ${people}`}.
        {ahead.length > 0 &&
          ` Spray no further ahead than: ${ahead.map((each) => `${roomName(each.roomId)} ${units.area(each.ahead)}`).join(", ")}.`}
        {waits.length > 0 &&
          ` Plug in the air movers once a circuit is free: ${waits.map(({ name, from }) => `${name} at ${clock(timeAt(startMs, from))}`).join(", ")}.`}
      </p>
      <div className="mt-2 columns-2 gap-6 [&_td]:py-0 [&_table]:text-[10px]">
        <StepTable
          run={run}
          start={startMs}
          people={people}
          names={names}
          roomName={roomName}
          vesselName={vesselName}
          pinned={new Set()}
        />
      </div>
      <p className="mt-2">
        Release pressure before you uncouple a hose. Keep cords dry and off the wet floor, motors on separate
        circuits. Put up signs until it’s dry. Waste water to the sewer (foul drain), never a storm drain.
      </p>
    </div>
  );
}
