import type { Shelf } from "@scutch/contract";
import { useDeferredValue, useId, useState } from "react";
import { Link } from "react-router";
import { useDeviceQuery, usePull } from "../../device/deviceQuery.ts";
import { useLocalShelf } from "../../device/localRecords.ts";
import { pullShelf, pullVisits } from "../../device/pull.ts";
import { searchText } from "../../format/searchText.ts";
import { dayText, today } from "../../format/time.ts";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { Empty, Loading } from "../../ui/States.tsx";
import { useInSight } from "../../ui/useInSight.ts";
import { dueVisits } from "./due.ts";
import { PlaceFiles } from "./PlaceFiles.tsx";

/** Places and who lives there, by any word; but not by the codes of their key safes. */
function found({ sites, customers }: Shelf, words: string) {
  const people = new Map<string, Shelf["customers"][number]>(customers.map((each) => [each.id, each]));
  const wanted = searchText(words).split(/\s+/).filter(Boolean);
  return sites
    .filter(({ forgotten }) => !forgotten)
    .map((site) => ({ site, customer: site.customerId ? people.get(site.customerId) : undefined }))
    .filter(({ site: { keySafe: _, id: __, customerId: ___, ...site }, customer }) => {
      const { id: ____, ...person } = customer ?? {};
      const text = searchText([...Object.values(site), ...Object.values(person)].join(" "));
      return wanted.every((word) => text.includes(word));
    });
}

/** The crew’s places and customers: who is due, and each by any word. */
export function PlacesScreen() {
  const shelf = useLocalShelf();
  const day = today();
  usePull("shelf", ({ db, send }) => pullShelf(db, send));
  usePull(`visits ${day}`, ({ db, send }) => pullVisits(db, send, day));
  const visits = useDeviceQuery(async (db) => (await db.fact("visits"))?.visits ?? [], []);
  const [typed, setTyped] = useState("");
  const words = useDeferredValue(typed);
  const searchId = useId();
  const { drawn, end } = useInSight(words);
  if (!shelf || visits === undefined)
    return (
      <div className="px-4 pt-5 sm:px-7">
        <Loading what="the places" />
      </div>
    );
  const due = dueVisits(shelf.sites, visits, day);
  const places = found(shelf, words);
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-6 px-4 pt-4 pb-16 sm:px-7 sm:pt-6 lg:grid-cols-[1fr_23rem]">
      <div className="min-w-0">
        <h1 className="font-bold text-2xl">Places and customers</h1>
        <label htmlFor={searchId} className="mt-3 block text-sm text-soft">
          Find
        </label>
        <input
          id={searchId}
          type="search"
          className={inputLook(false)}
          placeholder="a name, a street, a phone number"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        {places.length === 0 ? (
          <Empty title={typed ? "Nothing found." : "No places yet."}>
            {typed ? "Try fewer letters." : "A place is added with its first job, or from a file."}
          </Empty>
        ) : (
          <ul aria-label="Places" className="mt-4 border-rule border-b">
            {places.slice(0, drawn).map(({ site, customer }) => (
              <li key={site.id} className="border-rule border-t">
                <Link to={`/places/${site.id}`} className="block min-h-14 py-2 hover:text-accent">
                  <strong className="block font-semibold">{site.name}</strong>
                  <span className="block text-sm text-soft">
                    {[customer?.name, site.address, customer?.phone].filter(Boolean).join(" · ")}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        )}
        {drawn < places.length && (
          <div ref={end} className="py-3 text-soft">
            {places.length - drawn} more
          </div>
        )}
      </div>
      <div className="grid content-start gap-6">
        <section aria-label="Due" className="border-ink border-t-2 pt-3">
          <h2 className="font-semibold">Next visit due</h2>
          {due.length === 0 ? (
            <p className="py-2 text-soft">No visit is due in the next 30 days.</p>
          ) : (
            <ul className="border-rule border-b">
              {due.map(({ site, last, on }) => (
                <li key={site.id} className="border-rule border-t">
                  <Link
                    to={`/places/${site.id}`}
                    className="flex min-h-14 items-center justify-between gap-3 py-2 hover:text-accent"
                  >
                    <span>
                      <strong className="block font-semibold">{site.name}</strong>
                      <span className="text-sm text-soft">last visit {dayText(last)}</span>
                    </span>
                    <span className={`font-mono ${on < day ? "text-caution-ink" : ""}`}>{dayText(on)}</span>
                  </Link>
                </li>
              ))}
            </ul>
          )}
        </section>
        <PlaceFiles shelf={shelf} />
      </div>
    </div>
  );
}
