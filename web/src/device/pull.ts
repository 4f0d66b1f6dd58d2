import {
  Changes,
  Crew,
  CrewSettings,
  type HeldJob,
  Job,
  JobCard,
  type JobId,
  namesCustomer,
  parseTolerantly,
  Role,
  type Site,
  type StoredJob,
  withoutCustomer,
} from "@scutch/contract";
import { deepEqual, joinRecord } from "@scutch/core/plan";
import { type Answer, pathOf, type Send } from "./api.ts";
import { answerOf, ask, isMissing, type Missing, type PullResult } from "./ask.ts";
import type { DeviceDb, DeviceRecords, RecordKind, RecordRow } from "./db.ts";
import { cardFacts, currentPlan, receiveRemote } from "./jobRow.ts";
import { hearLog, pullLog } from "./pullLog.ts";

/** Keeps the server's word on jobs, joined with what was edited here; their cards show it too. */
async function hearJobs(db: DeviceDb, stored: readonly StoredJob[]): Promise<void> {
  const ids = stored.map(({ job }) => job.id);
  await db.transaction("rw", db.jobs, db.cards, async () => {
    const [rows, cards] = [await db.jobs.bulkGet(ids), await db.cards.bulkGet(ids)];
    const next = stored.map((each, i) => receiveRemote(rows[i], each));
    const isNews = (_: unknown, i: number) => next[i] !== rows[i];
    await db.jobs.bulkPut(next.filter(isNews));
    await db.cards.bulkPut(
      cards.flatMap((card, i) => {
        const row = next[i];
        // As the server told it, where nothing of ours is joined with it.
        if (!card || !row || row === rows[i] || (!row.edit && card.version === row.known?.version)) return [];
        // A plan of a newer app is shown as its card came.
        const plan = parseTolerantly(Job, currentPlan(row));
        return plan.ok ? [{ ...card, ...cardFacts(plan.value) }] : [];
      }),
    );
  });
}

export async function pullJob(db: DeviceDb, send: Send, jobId: JobId): Promise<PullResult> {
  const stored = await ask(send, "readJob", { jobId });
  if (isMissing(stored)) return stored;
  await hearJobs(db, [stored]);
  return "kept";
}

export async function pullPhotos(db: DeviceDb, send: Send, jobId: JobId): Promise<PullResult> {
  const askedAt = Date.now();
  const answer = await ask(send, "listPhotos", { jobId });
  if (isMissing(answer)) return answer;
  const photos = answer.photos;
  const there = new Set<string>(photos.map(({ id }) => id));
  await db.transaction("rw", db.photos, async () => {
    for (const row of await db.photos.where("jobId").equals(jobId).toArray())
      if (!row.waiting && !there.has(row.id) && (row.settledAt ?? 0) < askedAt)
        await db.photos.delete(row.id);
    for (const photo of photos) {
      const row = await db.photos.get(photo.id);
      if (row?.waiting) continue;
      const { id, jobId: ofJob, width: _w, height: _h, ...facts } = photo;
      await db.photos.put({ id, jobId: ofJob, facts, known: photo, settledAt: 0 });
    }
  });
  return "kept";
}

/** A change that waits, made on what the server says now: what others changed stays beside it. */
function rebasedRecord(row: RecordRow, known: RecordRow["value"]): RecordRow {
  // A customer who was deleted doesn't come back with a change made before this device heard of it.
  const isForgotten = "forgotten" in known && known.forgotten === true;
  const value = isForgotten
    ? known
    : row.known
      ? (joinRecord({ ...row.known }, { ...row.value }, { ...known }) as never)
      : row.value;
  return { ...row, known, value, rev: deepEqual(value, row.value) ? row.rev : row.rev + 1 };
}

/** A thing of some kind, as the server has it. */
interface HeardThing {
  readonly kind: RecordKind;
  readonly id: string;
  readonly value: DeviceRecords[RecordKind];
}

/** Things as they came, but for damaged ones: of those this device keeps what it has. */
const allOf = (kind: RecordKind, values: readonly (HeardThing["value"] & { readonly id: string })[]) =>
  values
    .filter((value) => typeof value?.id === "string")
    .map((value): HeardThing => ({ kind, id: value.id, value }));

/** Keeps the server's word on things, but for what was changed here and what was saved from here since it was asked. */
async function hearThings(db: DeviceDb, things: readonly HeardThing[], askedAt: number): Promise<void> {
  const keyOf = ({ kind, id }: HeardThing) => `${kind}:${id}`;
  const rows = await db.things.bulkGet(things.map(keyOf));
  const changed = things.flatMap((thing, i): RecordRow[] => {
    const row = rows[i];
    const { kind, value } = thing;
    if ((row?.settledAt ?? 0) >= askedAt) return [];
    if (row?.waiting) return [rebasedRecord(row, value)];
    if (deepEqual(row?.value, value)) return [];
    return [{ key: keyOf(thing), kind, value, known: value, rev: (row?.rev ?? 0) + 1 }];
  });
  if (changed.length > 0) await db.things.bulkPut(changed);
}

export async function pullShelf(db: DeviceDb, send: Send): Promise<PullResult> {
  const askedAt = Date.now();
  const answer = await ask(send, "readShelf");
  if (isMissing(answer)) return answer;
  const { products, vessels, gear, sites, customers } = answer;
  await db.transaction("rw", [db.things, db.facts, db.jobs, db.entries], async () => {
    const before = await db.things.where("kind").equals("site").toArray();
    const wasForgotten = new Set(
      before.flatMap(({ known }) =>
        known && "forgotten" in known && "id" in known ? [known.id as string] : [],
      ),
    );
    const things = [
      ...allOf("product", products),
      ...allOf("vessel", vessels),
      ...allOf("gear", gear),
      ...allOf("site", sites),
      ...allOf("customer", customers),
    ];
    await hearThings(db, things, askedAt);
    await forgetNames(
      db,
      sites.filter(({ id, forgotten }) => forgotten && !wasForgotten.has(id)),
    );
    await db.setFact("shelf", { heardAt: askedAt });
  });
  return "kept";
}

/** Takes customers' names and signatures out of the logs held here of jobs at places whose customer was deleted. */
export async function forgetNames(db: DeviceDb, sites: readonly Pick<Site, "id">[]): Promise<void> {
  if (sites.length === 0) return;
  const ids = new Set<string>(sites.map(({ id }) => id));
  const jobs = await db.jobs.filter((row) => ids.has(currentPlan(row).siteId)).primaryKeys();
  await db.entries
    .where("jobId")
    .anyOf(jobs)
    .filter(({ entry }) => namesCustomer(entry))
    .modify((row) => {
      Object.assign(row, { entry: withoutCustomer(row.entry) });
    });
}

/** When each place was visited last and will be next. */
export async function pullVisits(db: DeviceDb, send: Send, day: string): Promise<PullResult> {
  const answer = await ask(send, "readVisits", {}, { today: day });
  if (isMissing(answer)) return answer;
  await db.setFact("visits", { visits: answer.visits });
  return "kept";
}

/** Jobs of a place read whole, the last of them first. */
const VISITS_WHOLE = 3;

/** The last jobs at a place: their cards, and the last of them whole. */
export async function pullPlace(db: DeviceDb, send: Send, siteId: string): Promise<PullResult> {
  const page = await ask(send, "listJobs", {}, { site: siteId, limit: "20" });
  if (isMissing(page)) return page;
  const cards = await keepPage(db, page);
  return catchUp(db, send, await lackingOf(db, cards.slice(-VISITS_WHOLE), () => true));
}

export async function pullStock(db: DeviceDb, send: Send): Promise<PullResult> {
  const askedAt = Date.now();
  const answer = await ask(send, "readStock");
  if (isMissing(answer)) return answer;
  await db.transaction("rw", db.things, db.facts, async () => {
    await hearThings(db, allOf("lot", answer.lots), askedAt);
    await db.setFact("use", { used: answer.used, askedAt });
  });
  return "kept";
}

/** A crew as its server tells of it. */
export interface CrewAnswer {
  readonly crew: Crew;
  readonly settings: CrewSettings;
  readonly person: Answer<"readCrew">["person"];
  readonly role: Role;
  readonly demo: boolean;
  /** The crew is deleted then. */
  readonly closesAt?: string;
  readonly nearlyFull?: Answer<"readCrew">["nearlyFull"];
}

/** The crew this server answers for, or why it can't be told. */
export async function askCrew(send: Send): Promise<CrewAnswer | Missing> {
  const answer = await ask(send, "readCrew");
  if (isMissing(answer)) return answer;
  const crew = parseTolerantly(Crew, answer.crew);
  const settings = parseTolerantly(CrewSettings, answer.settings);
  const role = Role.safeParse(answer.role);
  if (!crew.ok || !settings.ok || !role.success) return "update-needed";
  const { person, demo, closesAt, nearlyFull } = answer;
  return {
    crew: crew.value,
    settings: settings.value,
    person,
    role: role.data,
    demo: demo === true,
    ...(closesAt ? { closesAt } : {}),
    ...(nearlyFull ? { nearlyFull } : {}),
  };
}

export async function pullCrew(db: DeviceDb, send: Send): Promise<PullResult> {
  const askedAt = Date.now();
  const answer = await askCrew(send);
  return typeof answer === "string" ? answer : keepCrew(db, answer, askedAt);
}

/** Keeps what was heard of the crew when it was asked for at `askedAt`, ms since 1970. */
export async function keepCrew(db: DeviceDb, answer: CrewAnswer, askedAt: number): Promise<PullResult> {
  if (answer.crew.id !== db.crewId) return "wrong-crew";
  const { person, role, demo, closesAt, nearlyFull } = answer;
  await db.transaction("rw", db.things, db.facts, async () => {
    await db.setFact("crew", {
      crew: answer.crew.name,
      ...(closesAt ? { closesAt } : {}),
      ...(nearlyFull ? { nearlyFull } : {}),
    });
    await db.setFact("me", { person, role, demo });
    await hearThings(db, [{ kind: "settings", id: "crew", value: answer.settings }], askedAt);
  });
  return "kept";
}

/** Asks what changed since this device's mark; `take` takes it in. */
export async function pullChanges(
  db: DeviceDb,
  send: Send,
  take: (changes: Changes) => Promise<PullResult>,
): Promise<PullResult> {
  const mark = await db.fact("changes");
  const answer = await ask(send, "readChanges", {}, mark ? { since: String(mark.seq) } : {});
  if (isMissing(answer)) return answer;
  const changes = parseTolerantly(Changes, answer);
  return changes.ok ? take(changes.value) : "update-needed";
}

/** Keeps the cards of a page of the list. */
async function keepPage(db: DeviceDb, page: Answer<"listJobs">): Promise<readonly JobCard[]> {
  const cards = page.jobs.flatMap((each) => {
    const known = parseTolerantly(JobCard, each);
    return known.ok ? [known.value] : [];
  });
  // One asked for before a save of ours was taken is older than what stands here.
  const rows = await db.jobs.bulkGet(cards.map(({ id }) => id));
  await db.cards.bulkPut(
    cards.filter(({ version }, i) => !rows[i]?.waiting && version >= (rows[i]?.known?.version ?? 0)),
  );
  return cards;
}

/** What this device lacks of listed jobs: their plans, and the logs of those that `wantsLog` says. */
async function lackingOf(
  db: DeviceDb,
  cards: readonly JobCard[],
  wantsLog: (card: JobCard) => boolean,
): Promise<HeldJob[]> {
  const rows = await db.jobs.bulkGet(cards.map(({ id }) => id));
  return cards.flatMap((card, i) => {
    const { known, logMark } = rows[i] ?? {};
    const lacksPlan = !card.unreadable && (known?.version ?? 0) < card.version;
    const lacksLog = card.entries > 0 && wantsLog(card) && logMark !== card.logMark;
    if (!lacksPlan && !lacksLog) return [];
    return [{ id: card.id, version: known?.version ?? 0, ...(lacksLog ? { logMark: logMark ?? 0 } : {}) }];
  });
}

/** Jobs asked for at once. */
const AT_ONCE = 50;

/** Asks for what is newer of jobs than what is held here, as long as there is more. */
async function catchUp(db: DeviceDb, send: Send, held: readonly HeldJob[]): Promise<PullResult> {
  let left = held;
  while (left.length > 0) {
    const askedAt = Date.now();
    const reply = await send("POST", pathOf("catchUpJobs"), { jobs: left.slice(0, AT_ONCE) });
    const answer = answerOf<"catchUpJobs">(reply);
    if (isMissing(answer)) return answer;
    await hearJobs(
      db,
      answer.jobs.flatMap(({ plan }) => plan ?? []),
    );
    for (const { id, log } of answer.jobs)
      if (log && !(await hearLog(db, id, log, askedAt))) await pullLog(db, send, id);
    const told = new Set(answer.jobs.map(({ id }) => id));
    const rest = left.filter(({ id }) => !told.has(id));
    if (rest.length === left.length) return "kept";
    left = rest;
  }
  return "kept";
}

const placeOf = ({ day, startsAt, id }: JobCard) => `${day} ${startsAt} ${id}`;

/** Of a page from a day on, what isn't on it was moved or deleted elsewhere, as far as the page goes. */
async function dropCardsBut(
  db: DeviceDb,
  page: readonly JobCard[],
  day: string,
  goesOn: boolean,
): Promise<void> {
  const listed = new Set(page.map(({ id }) => id));
  const end = goesOn ? page.map(placeOf).toSorted().at(-1) : undefined;
  await db.transaction("rw", db.jobs, db.cards, async () => {
    const gone = await db.cards
      .where("day")
      .aboveOrEqual(day)
      .filter((card) => !listed.has(card.id) && (end === undefined || placeOf(card) <= end))
      .toArray();
    const rows = await db.jobs.bulkGet(gone.map(({ id }) => id));
    await db.cards.bulkDelete(gone.filter((_, i) => !rows[i]?.waiting).map(({ id }) => id));
  });
}

/**
 * The jobs from a day on and those just before, then what this device lacks of them: every plan, so that each job booked opens with no
 * signal, and the logs of those begun lately. What it has already isn't sent again.
 */
export async function pullToday(db: DeviceDb, send: Send, day: string): Promise<PullResult> {
  const page = await ask(send, "listJobs", {}, { from: day });
  if (isMissing(page)) return page;
  const cards = await keepPage(db, page);
  await dropCardsBut(db, cards, day, page.later !== null);
  await db.setFact("list", { earlier: page.earlier, later: page.later });
  return catchUp(db, send, await lackingOf(db, cards, (card) => card.open === true || card.day >= day));
}

/** Plans and logs of all jobs of some days, first and last counted, whole: to look back on them. */
export async function pullDays(db: DeviceDb, send: Send, from: string, to: string): Promise<PullResult> {
  let query: Readonly<Record<string, string>> | undefined = { from };
  while (query) {
    const page: Answer<"listJobs"> | Missing = await ask(send, "listJobs", {}, query);
    if (isMissing(page)) return page;
    const cards = await keepPage(db, page);
    const wanted = cards.filter(({ day }) => day >= from && day <= to);
    const pulled = await catchUp(db, send, await lackingOf(db, wanted, () => true));
    if (pulled !== "kept") return pulled;
    const last = cards.at(-1);
    query = page.later && last && last.day <= to ? { after: page.later } : undefined;
  }
  return "kept";
}

/** One more page of the list, the one way or the other; of its jobs, those not dry yet come whole. */
export async function pullMore(db: DeviceDb, send: Send, way: "earlier" | "later"): Promise<PullResult> {
  const list = await db.fact("list");
  const cursor = list?.[way];
  if (!list || !cursor) return "kept";
  const page = await ask(send, "listJobs", {}, way === "earlier" ? { before: cursor } : { after: cursor });
  if (isMissing(page)) return page;
  const cards = await keepPage(db, page);
  await db.setFact("list", { ...list, [way]: page[way] });
  const open = cards.filter((card) => card.open);
  return catchUp(db, send, await lackingOf(db, open, () => true));
}
