import { EntryId, type Job, type LogEntry, MAX_NAMES, type Shelf, signEntry } from "@scutch/contract";
import { newId } from "../../device/newId.ts";
import { ORIGIN_SHORT } from "../../format/words.ts";
import { selectMe } from "../../state/crewSlice.ts";
import { justLogged } from "../../state/loggedSlice.ts";
import { useAppDispatch, useAppSelector } from "../../state/store.ts";
import { useClock } from "../../ui/useClock.ts";
import { useLogbook } from "./logbook.ts";

/** What an entry says, before it has an id, a time and an author. */
export type EntryBody = LogEntry extends infer E
  ? E extends LogEntry
    ? Omit<E, "id" | "at" | "by" | "tap" | "names">
    : never
  : never;

/** An entry that says when it happened, ms since 1970; absent: when the entry it follows from did. */
export type TimedBody = EntryBody & { readonly at?: number };

/** As far as a job says what its entries speak of. */
interface Speaking {
  readonly job: Job;
  readonly shelf: Pick<Shelf, "products">;
}

/** Every id an entry speaks of, wherever in it. */
export function idsIn(value: unknown): string[] {
  if (typeof value === "string") return [value];
  return typeof value === "object" && value !== null ? Object.values(value).flatMap(idsIn) : [];
}

/** What the rooms, products and spots of an entry are called now: so they stay called in the log. */
export function namesFor(body: EntryBody, { job, shelf }: Speaking): Record<string, string> {
  const ids = new Set(idsIn(body));
  const spots = (job.spots ?? []).map(({ id, origin }) => ({ id, name: ORIGIN_SHORT[origin] }));
  const known: readonly { readonly id: string; readonly name: string }[] = [
    ...job.rooms,
    ...shelf.products,
    ...spots,
  ];
  const spoken = known.filter(({ id }) => ids.has(id)).slice(0, MAX_NAMES);
  return Object.fromEntries(spoken.map(({ id, name }) => [id, name]));
}

/**
 * Writes entries in a job's log: here, by who is signed in (the server has the last word on that); now, or at the time that is said. What follows from an
 * entry goes with it, and is taken back with it. Answers with the entry's id.
 */
export function useLogging({
  job,
  shelf,
}: Speaking): (body: EntryBody, at?: number, follows?: readonly TimedBody[]) => EntryId {
  const me = useAppSelector(selectMe);
  const dispatch = useAppDispatch();
  const clock = useClock();
  const write = useLogbook();
  return (body, at, follows = []) => {
    const now = clock.now();
    const tap = newId(EntryId);
    const [entry, ...others] = [body, ...follows].map((said: TimedBody, i) => {
      const { at: own, ...each } = said;
      const names = namesFor(each as EntryBody, { job, shelf });
      const entry = {
        ...each,
        ...(i === 0 ? { id: tap } : { id: newId(EntryId), tap }),
        at: new Date(own ?? at ?? now).toISOString(),
        ...(Object.keys(names).length > 0 ? { names } : {}),
      } as LogEntry;
      return me ? signEntry(entry, { name: me.person.name, role: me.role }) : entry;
    }) as [LogEntry, ...LogEntry[]];
    const written = [entry, ...others].map((each) => write(job.id, each));
    if (written[0] !== false) dispatch(justLogged({ jobId: job.id, entry, follows: others, at: Date.now() }));
    return tap;
  };
}
