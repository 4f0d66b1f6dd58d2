/** A person at a browser that may be killed at any moment: what the device had kept, they count on. */
import { readdirSync, readFileSync, rmSync } from "node:fs";
import { setTimeout as pause } from "node:timers/promises";
import { type BrowserContext, chromium, type Page } from "@playwright/test";
import config from "../playwright.config.ts";
import type { Tally } from "./tally.ts";

/** A plan holds sixty rooms; some are left to whoever shares it. */
const MAX_ROOMS = 20;

/** Process ids of the browsers on a profile. */
function browsersOn(profile: string): number[] {
  return readdirSync("/proc").flatMap((pid) => {
    if (!/^\d+$/.test(pid)) return [];
    try {
      const command = readFileSync(`/proc/${pid}/cmdline`, "utf8");
      return command.includes(`--user-data-dir=${profile}`) && !command.includes("--type=")
        ? [Number(pid)]
        : [];
    } catch {
      return []; // gone meanwhile
    }
  });
}

/** Whether the device's own database has a room or note by its name: then it is kept, whatever ends the page. */
const isKept = (page: Page, said: string) =>
  page.evaluate(
    (text) =>
      new Promise<boolean>((resolve) => {
        void indexedDB.databases().then((all) => {
          const name = all.find((each) => each.name?.startsWith("scutch-"))?.name;
          if (!name) return resolve(false);
          const opening = indexedDB.open(name);
          opening.onerror = () => resolve(false);
          opening.onsuccess = () => {
            const db = opening.result;
            const reading = db.transaction(["jobs", "entries"]);
            const rows: unknown[] = [];
            for (const store of ["jobs", "entries"])
              reading.objectStore(store).getAll().onsuccess = (event) =>
                rows.push((event.target as IDBRequest).result);
            reading.oncomplete = () => {
              db.close();
              resolve(JSON.stringify(rows).includes(`"${text}"`));
            };
          };
        });
      }),
    said,
  );

export class BrowserClient {
  private context: BrowserContext | undefined;
  private n = 0;
  private rooms = 0;

  constructor(
    private readonly profile: string,
    private readonly job: string,
    private readonly address: () => string,
    private readonly tally: Tally,
  ) {}

  private async page(): Promise<Page> {
    if (!this.context) {
      for (const lock of ["SingletonLock", "SingletonSocket", "SingletonCookie"])
        rmSync(`${this.profile}/${lock}`, { force: true });
      this.context = await chromium.launchPersistentContext(this.profile, {
        ...config.use?.launchOptions,
        viewport: { width: 1280, height: 800 },
        serviceWorkers: "allow",
      });
    }
    return this.context.pages()[0] ?? this.context.newPage();
  }

  /** Works until it is over: a room, a note, and so on; a browser that is killed under it is opened again. */
  async work(isOver: () => boolean): Promise<void> {
    while (!isOver()) {
      try {
        await this.step(await this.page());
      } catch {
        await this.close();
        await pause(200);
      }
    }
  }

  private async step(page: Page): Promise<void> {
    const said = `browser ${++this.n}`;
    const limit = { timeout: 8000 };
    if (this.n % 2 === 0 || this.rooms >= MAX_ROOMS) {
      if (!page.url().includes("/log")) await page.goto(`${this.address()}${this.job}/log`, limit);
      await page.getByRole("radio", { name: "Note" }).click(limit);
      await page.getByLabel("Note", { exact: true }).fill(said, limit);
      await page.getByRole("button", { name: "Log it" }).click(limit);
      await page.getByText(said, { exact: true }).waitFor(limit);
    } else {
      if (!page.url().includes("/survey")) await page.goto(`${this.address()}${this.job}/survey`, limit);
      await page.getByLabel("Room", { exact: true }).fill(said, limit);
      await page.getByLabel("Size, any unit").fill("8 m2", limit);
      await page.getByRole("button", { name: "Add room" }).click(limit);
      this.rooms++;
      await page.getByRole("button", { name: said, exact: true }).first().waitFor(limit);
    }
    for (let i = 0; i < 40; i++) {
      if (await isKept(page, said)) {
        this.tally.acknowledged.add(said);
        return;
      }
      await pause(25);
    }
  }

  kill(): void {
    for (const pid of browsersOn(this.profile)) {
      try {
        process.kill(pid, "SIGKILL");
      } catch {
        // It went by itself.
      }
    }
  }

  /** Opens the app once more and waits until all that was kept has been sent. */
  async finish(): Promise<void> {
    for (let tries = 0; tries < 20; tries++) {
      try {
        const page = await this.page();
        await page.goto(`${this.address()}${this.job}/survey`, { timeout: 15_000 });
        for (let i = 0; i < 100; i++) {
          if ((await page.evaluate(WAITING)) === 0) return;
          await pause(200);
        }
      } catch {
        await this.close();
      }
    }
    throw new Error("the browser never got rid of what it had to send");
  }

  /** Lets go of the browser; one that was killed may never answer. */
  async close(): Promise<void> {
    const closed = this.context?.close().catch(() => undefined);
    this.context = undefined;
    await Promise.race([closed, pause(3000)]);
    this.kill();
  }
}

/** How much waits on the device to be sent. */
const WAITING = `new Promise((resolve) => {
  indexedDB.databases().then((all) => {
    const name = all.find((each) => each.name && each.name.startsWith("scutch-")).name;
    const opening = indexedDB.open(name);
    opening.onsuccess = () => {
      const db = opening.result;
      let waiting = 0;
      const reading = db.transaction(["jobs", "entries"]);
      for (const store of ["jobs", "entries"])
        reading.objectStore(store).index("waiting").count().onsuccess = (event) => { waiting += event.target.result; };
      reading.oncomplete = () => { db.close(); resolve(waiting); };
    };
  });
})`;
