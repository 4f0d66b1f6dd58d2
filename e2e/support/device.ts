/** The device's own database, read as it is stored. */
import { setTimeout as pause } from "node:timers/promises";
import { expect, type Locator, type Page } from "@playwright/test";

/** A killed browser may never answer: every question to it has a limit, ms. */
const ANSWER_LIMIT = 8000;

export async function withinLimit<T>(work: Promise<T>, what: string, limit = ANSWER_LIMIT): Promise<T> {
  const gone = new AbortController();
  try {
    return await Promise.race([
      work,
      pause(limit, undefined, { signal: gone.signal }).then((): never => {
        throw new Error(`${what}: no answer within ${limit / 1000} s`);
      }),
    ]);
  } finally {
    gone.abort();
  }
}

/** What the device's own database holds: how much waits to be sent, and all rows as text; undefined: there is none yet. */
export const onDevice = (page: Page) =>
  withinLimit(
    page.evaluate(
      () =>
        new Promise<{ waiting: number; rows: string } | undefined>((resolve, reject) => {
          void indexedDB.databases().then((all) => {
            const name = all.find((each) => each.name?.startsWith("scutch-"))?.name;
            if (!name) return resolve(undefined);
            const opening = indexedDB.open(name);
            opening.onerror = () => reject(opening.error);
            opening.onblocked = () => reject(new Error("blocked"));
            opening.onsuccess = () => {
              const db = opening.result;
              if (
                !["jobs", "entries", "things", "facts"].every((store) => db.objectStoreNames.contains(store))
              ) {
                db.close();
                return resolve(undefined);
              }
              const reading = db.transaction(["jobs", "entries", "things", "facts"]);
              const rows: unknown[] = [];
              let waiting = 0;
              for (const store of ["jobs", "entries", "things", "facts"])
                reading.objectStore(store).getAll().onsuccess = (event) =>
                  rows.push((event.target as IDBRequest).result);
              for (const store of ["jobs", "entries", "things"])
                reading.objectStore(store).index("waiting").count().onsuccess = (event) => {
                  waiting += (event.target as IDBRequest<number>).result;
                };
              reading.onabort = () => reject(reading.error);
              reading.oncomplete = () => {
                db.close();
                resolve({ waiting, rows: JSON.stringify(rows) });
              };
            };
          }, reject);
        }),
    ),
    "the device's database",
  );

/** Waits until all that was done on a page has been sent; `tick` moves a clock that the page's sending goes by. */
export const allSent = (page: Page, tick: () => Promise<unknown> = async () => undefined) =>
  expect
    .poll(
      async () => {
        await tick();
        return (await onDevice(page))?.waiting;
      },
      { timeout: 30_000 },
    )
    .toBe(0);

/** What a part of the page says once it says the same for a while: ranges are told several times as samples come. */
export async function settledText(part: Locator): Promise<string> {
  const STILL = 2500;
  const TIMES = 24;
  let before = await part.innerText();
  for (let i = 0; i < TIMES; i++) {
    await pause(STILL);
    const now = await part.innerText();
    if (now === before) return now;
    before = now;
  }
  throw new Error(`It goes on changing: ${before}`);
}
