import { Changes, CONTRACT_VERSION, parseTolerantly } from "@scutch/contract";
import { noteConnection } from "../state/connectionSlice.ts";
import type { Store } from "../state/store.ts";
import { pathOf, type Send } from "./api.ts";
import type { DeviceDb } from "./db.ts";
import { type PullResult, pullChanges } from "./pull.ts";
import { takeChanges } from "./takeChanges.ts";

/** The server says something every 15 s: silent for longer than this, a stream is dead, ms. */
const SILENCE = 40_000;
/** How often a stream is looked after, and how often the server is asked where there is none, ms. */
const LOOK_EVERY = 10_000;
/** First and longest pause before a stream that was refused is opened again, ms. */
const BACKOFF_MS = [2000, 60_000] as const;

interface Feed {
  readonly db: DeviceDb;
  readonly send: Send;
  readonly store: Store;
}

/** Runs in one tab of this device at a time; without locks in each, which only asks more often. */
const inOneTab = (name: string, work: () => Promise<never>): void => {
  if (globalThis.navigator?.locks) void navigator.locks.request(name, work).catch(() => undefined);
  else void work();
};

/**
 * Keeps this device's database in step with what other devices of the crew save, as they save it: one event stream, which the
 * device's tabs share. Where none comes through, the server is asked every few seconds. What was missed follows by the mark.
 */
export function followChanges(feed: Feed): void {
  const wake = new EventTarget();
  const waken = () => wake.dispatchEvent(new Event("wake"));
  addEventListener("online", waken);
  document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && waken());
  inOneTab(`${feed.db.name}-changes`, () => new Promise<never>(() => lead(feed, wake)));
}

/** The one tab that listens, for as long as it is open. */
function lead({ db, send, store }: Feed, wake: EventTarget): void {
  let source: EventSource | undefined;
  let heardAt = 0;
  let failures = 0;
  let retryAt = 0;
  let queue: Promise<unknown> = Promise.resolve();

  /** Takes in one after the other: a mark is only kept once all before it is. */
  const inTurn = (work: () => Promise<PullResult>) => {
    queue = queue.then(work).then(
      (pulled) => noteConnection(store, pulled),
      () => undefined, // The database is away: the mark stays, and so does what was missed.
    );
  };
  const takeIn = (changes: Changes) => inTurn(() => takeChanges(db, send, changes));
  const ask = () => inTurn(() => pullChanges(db, send, (changes) => takeChanges(db, send, changes)));

  const open = async () => {
    source?.close();
    const mark = await db.fact("changes").catch(() => undefined);
    const opened = new EventSource(
      `/api${pathOf(
        "followChanges",
        {},
        {
          contract: String(CONTRACT_VERSION),
          crew: db.crewId,
          ...(mark ? { since: String(mark.seq) } : {}),
        },
      )}`,
    );
    source = opened;
    heardAt = Date.now();
    const hear = () => {
      heardAt = Date.now();
      failures = 0;
    };
    opened.addEventListener("beat", hear);
    opened.addEventListener("changed", ({ data }) => {
      hear();
      const changes = readChanges(data);
      if (changes) takeIn(changes);
    });
    opened.onerror = () => {
      // A line that broke is tried again by the browser; a refusal is not.
      if (opened.readyState !== EventSource.CLOSED || source !== opened) return;
      failures++;
      retryAt = Date.now() + Math.min(BACKOFF_MS[1], BACKOFF_MS[0] * 2 ** (failures - 1));
    };
  };
  const lookAfter = (now = Date.now()) => {
    const isClosed = !source || source.readyState === EventSource.CLOSED;
    if (isClosed ? now >= retryAt : now - heardAt > SILENCE) void open();
    if (source?.readyState !== EventSource.OPEN && document.visibilityState === "visible") ask();
  };
  wake.addEventListener("wake", () => {
    retryAt = 0;
    if (source?.readyState === EventSource.OPEN) ask();
    else void open();
  });
  setInterval(lookAfter, LOOK_EVERY);
  void open();
}

function readChanges(data: unknown): Changes | undefined {
  try {
    const known = parseTolerantly(Changes, JSON.parse(String(data)));
    return known.ok ? known.value : undefined;
  } catch {
    return undefined;
  }
}
