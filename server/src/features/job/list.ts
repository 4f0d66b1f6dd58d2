import {
  type JobCard,
  type JobId,
  type JobPage,
  OPEN_DAYS,
  type SiteId,
  summarizeJob,
  type Visit,
} from "@scutch/contract";
import { MAX_DRYING_HOURS } from "@scutch/core/drying";
import { roomFinishTimes } from "@scutch/core/log";
import type { Db } from "../../db/connect.ts";
import { invalid } from "../../failures.ts";
import { type LogFacts, logFactsOf, NO_LOG } from "../log/service.ts";
import {
  idsAfter,
  idsAtSite,
  idsBefore,
  idsBetween,
  idsFrom,
  placeOf,
  readRows,
  type StoredRow,
  visitDays,
} from "./store.ts";

const HOUR = 3_600_000;
const MAX_OPEN_BEFORE = 100;

interface Wanted {
  readonly from?: string | undefined;
  readonly after?: JobId | undefined;
  readonly before?: JobId | undefined;
  readonly site?: SiteId | undefined;
  readonly limit: number;
}

const daysBefore = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00:00Z`) - days * 24 * HOUR).toISOString().slice(0, 10);

/** A page of cards by day. From a day on, those of the days just before it come first: some may not be dry yet. */
export async function listJobs(db: Db, crewId: string, wanted: Wanted, now: number): Promise<JobPage> {
  const { from, limit } = wanted;
  const cardsOf = (ids: readonly string[]) => cardsFor(db, crewId, ids, now);
  if (wanted.site)
    return {
      jobs: await cardsOf(await idsAtSite(db, crewId, wanted.site, limit)),
      earlier: null,
      later: null,
    };
  const cursor = wanted.after ?? wanted.before;
  if (cursor === undefined) {
    const ids = await idsFrom(db, crewId, from ?? "1970-01-01", limit + 1);
    const recent =
      from === undefined
        ? []
        : await idsBetween(db, crewId, daysBefore(from, OPEN_DAYS), from, MAX_OPEN_BEFORE);
    const before = await cardsOf(recent);
    const cards = await cardsOf(ids.slice(0, limit));
    const first = before[0] ?? cards[0];
    const earlier = first && (await idsBefore(db, crewId, first, 1)).length > 0 ? first.id : null;
    return {
      jobs: [...before, ...cards],
      earlier,
      later: ids.length > limit ? (cards.at(-1)?.id ?? null) : null,
    };
  }
  const place = await placeOf(db, crewId, cursor);
  if (!place) throw invalid({ path: [wanted.after ? "after" : "before"], code: "unknown-reference" });
  if (wanted.after) {
    const ids = await idsAfter(db, crewId, place, limit + 1);
    const cards = await cardsOf(ids.slice(0, limit));
    return {
      jobs: cards,
      earlier: cards[0]?.id ?? null,
      later: ids.length > limit ? (cards.at(-1)?.id ?? null) : null,
    };
  }
  const ids = await idsBefore(db, crewId, place, limit + 1);
  const cards = await cardsOf(ids.slice(-limit));
  return {
    jobs: cards,
    earlier: ids.length > limit ? (cards[0]?.id ?? null) : null,
    later: cards.at(-1)?.id ?? null,
  };
}

/** When the crew was at each place last, up to a day, and when it is there next. */
export async function listVisits(db: Db, crewId: string, today: string): Promise<Visit[]> {
  const rows = await visitDays(db, crewId, today);
  return rows.map(({ siteId, last, next }) => ({
    siteId: siteId as SiteId,
    ...(last ? { last } : {}),
    ...(next ? { next } : {}),
  }));
}

async function cardsFor(db: Db, crewId: string, ids: readonly string[], now: number): Promise<JobCard[]> {
  const rows = await readRows(db, crewId, ids);
  const facts = await logFactsOf(db, crewId, ids);
  return rows.map((row) => cardOf(row, facts.get(row.id) ?? NO_LOG, now));
}

function cardOf({ plan, id, siteId, title, day, startsAt, version }: StoredRow, log: LogFacts, now: number) {
  const summary = plan
    ? summarizeJob(plan, log.finishes)
    : {
        ...{ id, siteId, title, day, startsAt },
        ...{ rooms: 0, area: 0, finished: 0, unreadable: true as const },
      };
  const card: JobCard = { ...summary, version, entries: log.entries, logMark: log.mark };
  return isOpen(card, log, now) ? { ...card, open: true as const } : card;
}

/** Begun, and either still being worked or finished so lately that it may not be dry. */
function isOpen(card: JobCard, log: LogFacts, now: number): boolean {
  if (card.entries === 0 || Date.parse(`${card.day}T00:00:00Z`) < now - (OPEN_DAYS + 1) * 24 * HOUR)
    return false;
  if (card.finished < card.rooms) return true;
  const last = Math.max(0, ...roomFinishTimes(log.finishes).values());
  return last + MAX_DRYING_HOURS * HOUR > now;
}
