import { type Site, SiteId } from "@scutch/contract";
import { ChevronLeft, Plus } from "lucide-react";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { saveRecord } from "../../device/changes.ts";
import { useDeviceQuery, usePull } from "../../device/deviceQuery.ts";
import { useLocalShelf } from "../../device/localRecords.ts";
import { pullPlace, pullShelf } from "../../device/pull.ts";
import { countReader } from "../../format/readers.ts";
import { dayText, today } from "../../format/time.ts";
import { VISIT_MONTHS } from "../../planning/place.ts";
import { NewJobDialog } from "../../shared/jobs/NewJobDialog.tsx";
import { Button } from "../../ui/Button.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Failed, Loading } from "../../ui/States.tsx";
import { CustomerSection } from "./CustomerSection.tsx";
import { nextVisitOn } from "./due.ts";
import { KeySafe } from "./KeySafe.tsx";
import { TextField } from "./TextField.tsx";

const LINES = [
  { field: "address", label: "Address", placeholder: "14 Harbour Terrace" },
  { field: "access", label: "Access", placeholder: "side gate, ring twice" },
  { field: "parking", label: "Parking", placeholder: "drive, after 9" },
  { field: "tap", label: "Water tap", placeholder: "garage, left" },
  { field: "drain", label: "Drain for waste water", placeholder: "gully by the back door" },
  { field: "pets", label: "Pets", placeholder: "dog in the kitchen" },
  { field: "stairs", label: "Stairs and lift on the way in", placeholder: "two flights, no lift" },
] as const;

/** A place: who it belongs to, how to get in, and the jobs done there. */
export function PlaceScreen() {
  const { siteId } = useParams();
  const parsed = SiteId.safeParse(siteId);
  const shelf = useLocalShelf();
  const { state, again } = usePull("shelf", ({ db, send }) => pullShelf(db, send));
  const [isNew, setNew] = useState(false);
  const site = shelf?.sites.find(({ id }) => id === (parsed.success ? parsed.data : ""));
  if (!shelf || (!site && state === "asking"))
    return (
      <div className="px-4 pt-5 sm:px-7">
        <Loading what="the place" />
      </div>
    );
  if (!site)
    return (
      <div className="px-4 sm:px-7">
        <Failed code="not-found" what="place" onRetry={again} />
      </div>
    );
  const set = (change: Partial<Site>) => saveRecord("site", { ...site, ...change }, site);
  return (
    <div className="px-4 pt-4 pb-16 sm:px-7">
      <Link to="/places" className="inline-flex min-h-12 items-center gap-1 font-semibold text-accent">
        <ChevronLeft aria-hidden size={20} /> Places
      </Link>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="font-bold text-2xl [overflow-wrap:anywhere]">{site.name}</h1>
        {!site.forgotten && (
          <Button weight="main" onClick={() => setNew(true)}>
            <Plus aria-hidden size={22} /> New job here
          </Button>
        )}
      </div>
      <div className="mt-4 grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-3">
        <Visits site={site} />
        {site.forgotten ? (
          <p className="text-soft">The customer was deleted. The figures of the jobs stay.</p>
        ) : (
          <>
            <CustomerSection shelf={shelf} site={site} />
            <section aria-label="Place" className="grid content-start gap-3 border-ink border-t-2 pt-3">
              <h2 className="font-semibold">Place</h2>
              <NameField
                value={site.name}
                onChange={(name) => {
                  if (name) set({ name });
                  return undefined;
                }}
              />
              {LINES.map(({ field, ...line }) => (
                <TextField
                  key={field}
                  {...line}
                  most={300}
                  value={site[field]}
                  onChange={(text) => set({ [field]: text })}
                />
              ))}
              <QuantityField
                label="Circuits for motors"
                value={site.circuits}
                show={String}
                read={countReader(1, 6)}
                digits
                onChange={(circuits) => {
                  set({ circuits });
                  return undefined;
                }}
                hint="New jobs here start with it."
              />
              <KeySafe value={site.keySafe} onChange={(keySafe) => set({ keySafe })} />
              <QuantityField
                label="Next visit after, months"
                value={site.visitMonths}
                assumed={VISIT_MONTHS}
                show={String}
                read={countReader(1, 60)}
                digits
                onChange={(visitMonths) => {
                  set({ visitMonths });
                  return undefined;
                }}
              />
            </section>
          </>
        )}
      </div>
      {isNew && <NewJobDialog shelf={shelf} day={today()} place={site.name} onClose={() => setNew(false)} />}
    </div>
  );
}

/** The jobs at the place that this device knows, the last first. */
function Visits({ site }: { readonly site: Site }) {
  const { state } = usePull(`place ${site.id}`, ({ db, send }) => pullPlace(db, send, site.id));
  const cards = useDeviceQuery(
    async (db) => db.cards.filter((card) => card.siteId === site.id && !card.removed).toArray(),
    [site.id],
  );
  const jobs = (cards ?? []).toSorted((a, b) => (a.day < b.day ? 1 : -1));
  const day = today();
  const last = jobs.find((job) => job.day <= day);
  return (
    <section aria-label="Jobs" className="border-ink border-t-2 pt-3">
      <h2 className="font-semibold">Jobs</h2>
      {last && (
        <p className="text-soft">
          Next visit due {dayText(nextVisitOn(last.day, site))}
          {jobs.some((job) => job.day > day) ? ", one is booked" : ""}.
        </p>
      )}
      {jobs.length === 0 && (
        <p className="py-2 text-soft">{state === "asking" ? "Looking…" : "No jobs here yet."}</p>
      )}
      <ul className="border-rule border-b">
        {jobs.map((job) => (
          <li key={job.id} className="border-rule border-t">
            <Link
              to={`/jobs/${job.id}/${job.day > day ? "survey" : "log"}`}
              className="flex min-h-14 items-center justify-between gap-3 py-2 hover:text-accent"
            >
              <span>{job.title}</span>
              <span className="font-mono text-soft">{dayText(job.day)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
