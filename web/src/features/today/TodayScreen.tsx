import type { Shelf } from "@scutch/contract";
import { Plus } from "lucide-react";
import { lazy, Suspense, useEffect, useState } from "react";
import { Link } from "react-router";
import { useDeviceQuery, usePull } from "../../device/deviceQuery.ts";
import { firstIdle, noteFirstSight } from "../../device/firstSight.ts";
import { useLocalShelf } from "../../device/localRecords.ts";
import { pullMore, pullShelf, pullToday } from "../../device/pull.ts";
import { session } from "../../device/session.ts";
import { dayAfter, dayOf, weekday } from "../../format/time.ts";
import { nameById } from "../../planning/nameById.ts";
import { startOf } from "../../planning/place.ts";
import { type JobListItem, useJobList } from "../../shared/jobs/useJobList.ts";
import { noteConnection } from "../../state/connectionSlice.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useMay } from "../../state/useMay.ts";
import { Button } from "../../ui/Button.tsx";
import { Empty, Failed, Loading } from "../../ui/States.tsx";
import { useNow } from "../../ui/useNow.ts";
import { useShortcut } from "../../ui/useShortcut.ts";
import { JobRow } from "./JobRow.tsx";
import type { JobPath, JobRowProps } from "./jobRowProps.ts";

/** Rows of a group shown at first, and with each more. */
const AT_ONCE = 30;
/** Rows of a group drawn before the browser has had time for what is further down than a screen. */
const ON_SCREEN = 6;
/** Brings the form library with it: not part of the first load. */
const TakenOut = lazy(async () => ({ default: (await import("./RemovedJobs.tsx")).RemovedJobs }));
const DayTools = lazy(async () => ({ default: (await import("./DayTools.tsx")).DayTools }));
const NewJobDialog = lazy(async () => ({
  default: (await import("../../shared/jobs/NewJobDialog.tsx")).NewJobDialog,
}));

const ROOM_WORDS = { members: "people", jobs: "jobs", photos: "photos" } as const;

/** By code units: a day, an hour and an id need no language, whose rules take a slow phone a tenth of a second to load. */
const byStart = (a: JobListItem, b: JobListItem) => {
  const [first, second] = [`${a.day} ${a.startsAt} ${a.id}`, `${b.day} ${b.startsAt} ${b.id}`];
  return first < second ? -1 : Number(first > second);
};

/** The crew's jobs round today. */
export function TodayScreen({ jobPath }: { readonly jobPath: JobPath }) {
  const now = useNow();
  const today = dayOf(now);
  const jobs = useJobList(today);
  const shelf = useLocalShelf();
  const { name: crew, nearlyFull } = useAppSelector(selectCrew);
  const list = usePull(`today ${today}`, ({ db, send }) => pullToday(db, send, today));
  const shelves = usePull("shelf", ({ db, send }) => pullShelf(db, send));
  const [adding, setAdding] = useState(false);
  const mayPlan = useMay("plan");
  useShortcut("n", () => mayPlan && setAdding(true));
  const sorted = (jobs ?? []).filter(({ removed }) => !removed).toSorted(byStart);
  const takenOut = (jobs ?? []).filter(({ removed }) => removed).toSorted(byStart);
  const shows = jobs !== undefined && shelf !== null && shelf !== undefined;
  useEffect(() => {
    if (shows) noteFirstSight();
  }, [shows]);
  const lacking = !jobs ? list : shelf === null ? shelves : undefined;

  return (
    <div className="mx-auto max-w-4xl px-4 pt-5 pb-10 sm:px-7 sm:pt-7">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="text-soft">{crew ?? "\u00a0"}</p>
          <h1 className="font-bold text-3xl">{weekday(today)}</h1>
        </div>
        {mayPlan && (
          <Button weight="main" onClick={() => setAdding(true)} disabled={!shelf}>
            <Plus aria-hidden size={22} /> New job
          </Button>
        )}
      </div>
      {nearlyFull && (
        <p className="mt-3 border-caution border-l-4 bg-caution-wash px-4 py-2">
          The crew’s space for {nearlyFull.map((room) => ROOM_WORDS[room]).join(" and ")} is nearly used up.{" "}
          <Link to="/crew" className="font-semibold text-accent underline">
            See what is used
          </Link>
        </p>
      )}
      {(!jobs || !shelf) &&
        (lacking && lacking.state !== "asking" && lacking.state !== "kept" ? (
          <Failed code="offline" what="list of jobs" onRetry={lacking.again} />
        ) : (
          <Loading what="the jobs" />
        ))}
      {jobs?.length === 0 && list.state !== "asking" && (
        <Empty title="No jobs yet.">
          {mayPlan
            ? "Add your first job. A place and room sizes are enough."
            : "They show here once someone adds one."}
        </Empty>
      )}
      {shelf && jobs && (
        <>
          <Group name="Today" jobs={sorted.filter(({ day }) => day === today)} {...{ shelf, now, jobPath }} />
          <Group
            name="Upcoming"
            jobs={sorted.filter(({ day }) => day > today)}
            more="later"
            {...{ shelf, now, jobPath }}
          />
          <Group
            name="Past"
            jobs={sorted.filter(({ day }) => day < today).toReversed()}
            more="earlier"
            {...{ shelf, now, jobPath }}
          />
          <Suspense>
            {takenOut.length > 0 && (
              <TakenOut jobs={takenOut} nameOf={(siteId) => nameById(shelf.sites, siteId, "Unknown place")} />
            )}
            <DayTools
              shelf={shelf}
              day={today}
              jobIds={sorted.filter(({ day }) => day === today).map(({ id }) => id)}
            />
          </Suspense>
        </>
      )}
      {adding && shelf && (
        <Suspense>
          <NewJobDialog
            shelf={shelf}
            day={new Date(now).getHours() >= 17 ? dayAfter(today) : today}
            onClose={() => setAdding(false)}
          />
        </Suspense>
      )}
    </div>
  );
}

/** The first job of the same day that starts at or after this one. */
function followingOf(
  listed: JobListItem,
  jobs: readonly JobListItem[],
  shelf: Shelf,
): JobRowProps["following"] {
  const own = startOf(listed, shelf);
  const later = jobs
    .filter((each) => each.day === listed.day && each.entries === 0 && each.id !== listed.id)
    .map(({ siteId, day, startsAt }) => ({
      name: nameById(shelf.sites, siteId, "another job"),
      startMs: startOf({ siteId, day, startsAt }, shelf),
    }))
    .filter(({ startMs }) => startMs >= own);
  return later.toSorted((a, b) => a.startMs - b.startMs)[0];
}

interface GroupProps extends Omit<JobRowProps, "listed" | "following"> {
  readonly name: string;
  readonly jobs: readonly JobListItem[];
  /** Which way the list goes on beyond what is known here. */
  readonly more?: "earlier" | "later";
}

function Group({ name, jobs, more, ...rest }: GroupProps) {
  const [shown, setShown] = useState(AT_ONCE);
  const [drawn, setDrawn] = useState(ON_SCREEN);
  useEffect(() => void firstIdle().then(() => setDrawn(Number.POSITIVE_INFINITY)), []);
  const list = useDeviceQuery(async (db) => (await db.fact("list")) ?? null, []);
  const beyond = more !== undefined && list?.[more] != null;
  if (jobs.length === 0 && !beyond) return null;
  const showMore = () => {
    setShown(shown + AT_ONCE);
    const { db, send, store } = session();
    if (more && jobs.length < shown + AT_ONCE)
      void pullMore(db, send, more).then((pulled) => noteConnection(store, pulled));
  };
  return (
    <section className="mt-7">
      <h2 className="mb-2 font-semibold text-soft">{name}</h2>
      <ul className="grid gap-3">
        {jobs.slice(0, Math.min(shown, drawn)).map((listed) => (
          <JobRow
            key={listed.id}
            listed={listed}
            following={listed.today && followingOf(listed, jobs, rest.shelf)}
            {...rest}
          />
        ))}
      </ul>
      {(jobs.length > shown || beyond) && (
        <Button weight="quiet" className="mt-2" onClick={showMore}>
          {more === "earlier" ? "Earlier jobs" : "Later jobs"}
        </Button>
      )}
    </section>
  );
}
