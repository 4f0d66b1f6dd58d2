import { Changes, CONTRACT_VERSION, parseTolerantly } from "@scutch/contract";
import { pathOf } from "./api.ts";
import type { DeviceDb } from "./db.ts";
import { inOneTab } from "./inOneTab.ts";
import { Intake, type Listening } from "./intake.ts";

/** The server says something every 15 s: silent for longer than this, a stream is dead, ms. */
const SILENCE = 40_000;
/** How often a stream is looked after, and how often the server is asked where there is none, ms. */
const LOOK_EVERY = 10_000;
/** First and longest pause before a stream that was refused is opened again, ms. */
const BACKOFF_MS = [2000, 60_000] as const;

/**
 * Keeps this device's database in step with what other devices of the crew save, as they save it: one event stream, which the
 * device's tabs share. Where none comes through, the server is asked every few seconds. What was missed follows by the mark.
 */
export function followChanges(feed: Listening): void {
  const intake = new Intake(feed);
  const wake = new EventTarget();
  const waken = () => {
    // The tab that listens may have been put to sleep: the one in sight asks for itself.
    intake.ask();
    wake.dispatchEvent(new Event("wake"));
  };
  addEventListener("online", waken);
  document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && waken());
  const listening = inOneTab(
    `${feed.db.name}-changes`,
    () => new Promise<never>(() => lead(feed.db, intake, wake)),
  );
  void listening.catch(() => undefined);
}

/** The one tab that listens, for as long as it is open. */
function lead(db: DeviceDb, intake: Intake, wake: EventTarget): void {
  let source: EventSource | undefined;
  let heardAt = 0;
  let failures = 0;
  let retryAt = 0;

  const hear = () => {
    heardAt = Date.now();
    failures = 0;
  };
  const open = (since: number | undefined) => {
    source?.close();
    const said: Record<string, string> = { contract: String(CONTRACT_VERSION), crew: db.crewId };
    if (db.personId !== undefined) said.person = db.personId;
    const query = since === undefined ? said : { ...said, since: String(since) };
    const opened = new EventSource(`/api${pathOf("followChanges", {}, query)}`);
    source = opened;
    heardAt = Date.now();
    opened.addEventListener("beat", hear);
    opened.addEventListener("changed", ({ data }) => {
      hear();
      const changes = readChanges(data);
      if (changes) intake.take(changes);
    });
    opened.onerror = () => {
      // A line that broke is tried again by the browser; a refusal is not.
      if (opened.readyState !== EventSource.CLOSED || source !== opened) return;
      failures++;
      retryAt = Date.now() + Math.min(BACKOFF_MS[1], BACKOFF_MS[0] * 2 ** (failures - 1));
    };
  };
  const openAtMark = () =>
    void db.fact("changes").then(
      (mark) => open(mark?.seq),
      () => open(undefined),
    );
  const isOpen = () => source?.readyState === EventSource.OPEN;
  wake.addEventListener("wake", () => {
    retryAt = 0;
    if (!isOpen()) openAtMark();
  });
  setInterval(() => {
    const now = Date.now();
    const isClosed = !source || source.readyState === EventSource.CLOSED;
    if (isClosed ? now >= retryAt : now - heardAt > SILENCE) openAtMark();
    if (!isOpen() && document.visibilityState === "visible") intake.ask();
  }, LOOK_EVERY);
  openAtMark();
}

function readChanges(data: unknown): Changes | undefined {
  try {
    const known = parseTolerantly(Changes, JSON.parse(String(data)));
    return known.ok ? known.value : undefined;
  } catch {
    return undefined;
  }
}
