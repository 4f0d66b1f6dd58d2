import type { Shelf } from "@scutch/contract";
import { useCallback, useState } from "react";
import { usePull } from "../../device/deviceQuery.ts";
import { useLocalShelf } from "../../device/localRecords.ts";
import { pullShelf, pullToday } from "../../device/pull.ts";
import { counted } from "../../format/counted.ts";
import { dayOf } from "../../format/time.ts";
import { poolsOf } from "../../planning/dryingGear.ts";
import { type GearCount, totalGear } from "../../planning/gearStanding.ts";
import { nameById } from "../../planning/nameById.ts";
import { zoneOf } from "../../planning/place.ts";
import { type JobListItem, useJobList } from "../../shared/jobs/useJobList.ts";
import { ZoneContext } from "../../state/useTimes.ts";
import { Empty, Failed, Loading } from "../../ui/States.tsx";
import { useNow } from "../../ui/useNow.ts";
import { type BoardJob, BoardJobReader } from "./BoardJobReader.tsx";
import { inOrder } from "./boardRows.ts";
import { GearOut } from "./GearOut.tsx";
import { RoomRow } from "./RoomRow.tsx";

/** Every room still drying over all jobs: what is late first, then what to look at next; and the gear that is out. */
export function DryingScreen() {
  const now = useNow();
  const today = dayOf(now);
  const jobs = useJobList(today);
  const shelf = useLocalShelf();
  const list = usePull(`today ${today}`, ({ db, send }) => pullToday(db, send, today));
  usePull("shelf", ({ db, send }) => pullShelf(db, send));
  const begun = (jobs ?? []).filter((job) => !job.removed && job.begun && job.finished > 0);
  return (
    <div className="mx-auto max-w-5xl px-4 pt-5 pb-10 sm:px-7 sm:pt-7">
      <h1 className="font-bold text-3xl">Drying</h1>
      {!jobs || !shelf ? (
        list.state === "asking" || list.state === "kept" ? (
          <Loading what="the rooms" />
        ) : (
          <Failed code="offline" what="list of jobs" onRetry={list.again} />
        )
      ) : (
        <Board jobs={begun} shelf={shelf} now={now} />
      )}
    </div>
  );
}

interface BoardProps {
  readonly jobs: readonly JobListItem[];
  readonly shelf: Shelf;
  readonly now: number;
}

function Board({ jobs, shelf, now }: BoardProps) {
  const [known, setKnown] = useState<ReadonlyMap<string, BoardJob>>(new Map());
  const hear = useCallback(
    (id: string, job: BoardJob) => setKnown((before) => new Map(before).set(id, job)),
    [],
  );
  const read = jobs.flatMap(({ id }) => known.get(id) ?? []);
  const rows = inOrder(read.flatMap((job) => job.rows));
  const siteOf = (jobId: string) => jobs.find(({ id }) => id === jobId)?.siteId;
  const placeName = (jobId: string) => nameById(shelf.sites, siteOf(jobId) ?? "", "Unknown place");
  const zone = (jobId: string) => zoneOf(shelf.sites.find(({ id }) => id === siteOf(jobId)));
  const isWhole = read.length === jobs.length;
  return (
    <>
      {jobs.map(({ id, begun }) => begun && <BoardJobReader key={id} {...begun} {...{ shelf, now, hear }} />)}
      {!isWhole ? (
        <Loading what="the rooms" />
      ) : (
        <p className="mt-1 text-soft">{summary(rows.length, read, shelf)}</p>
      )}
      {isWhole && rows.length === 0 && (
        <Empty title="Nothing is drying.">Rooms appear here from finish to dry.</Empty>
      )}
      <ul className="mt-5">
        {rows.map((row) => (
          <ZoneContext key={row.roomId} value={zone(row.jobId)}>
            <RoomRow row={row} place={placeName(row.jobId)} now={now} />
          </ZoneContext>
        ))}
      </ul>
      {read.some(({ gear }) => gear.length > 0) && (
        <section aria-label="Gear out" className="mt-8">
          <h2 className="border-ink border-t-2 pt-3 font-semibold">Gear out</h2>
          <ul>
            {read
              .filter(({ gear }) => gear.length > 0)
              .toSorted(
                (a, b) => (a.fetchAt ?? Number.POSITIVE_INFINITY) - (b.fetchAt ?? Number.POSITIVE_INFINITY),
              )
              .map((job) => (
                <ZoneContext key={job.job.id} value={zone(job.job.id)}>
                  <GearOut out={job} shelf={shelf} place={placeName(job.job.id)} now={now} />
                </ZoneContext>
              ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** What is out of what there is, in a line. */
function summary(rooms: number, read: readonly BoardJob[], { gear }: Shelf): string {
  const out = totalGear(read.map((job) => totalGear(job.gear)));
  const { airMovers, dehumidifiers } = poolsOf(gear);
  const places = read.filter((job) => job.rows.length > 0).length;
  return [
    `${counted(rooms, "room", "rooms")} at ${counted(places, "job", "jobs")}`,
    ...gearText(out, { movers: airMovers.count, dehumidifiers: dehumidifiers.count }),
  ].join(" · ");
}

const gearText = (out: GearCount, all: GearCount): string[] => [
  ...(out.movers > 0 ? [`${out.movers} of ${counted(all.movers, "air mover", "air movers")} out`] : []),
  ...(out.dehumidifiers > 0
    ? [`${out.dehumidifiers} of ${counted(all.dehumidifiers, "dehumidifier", "dehumidifiers")} out`]
    : []),
];
