/** A person at a browser that may be killed at any moment: what the device had kept, they count on. */
import { readdirSync, readFileSync, rmSync } from "node:fs";
import { setTimeout as pause } from "node:timers/promises";
import { type BrowserContext, chromium, type Page } from "@playwright/test";
import config from "../playwright.config.ts";
import { onDevice, withinLimit } from "../support/device.ts";
import type { TlsFront } from "../support/tlsFront.ts";
import type { Person } from "./crew.ts";
import type { Tally } from "./tally.ts";

/** A plan holds sixty rooms; some are left to whoever shares it. */
const MAX_ROOMS = 12;

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

export class BrowserClient {
  private context: BrowserContext | undefined;
  private n = 0;
  private rooms = 0;
  /** Why the last try failed: told if the browser never worked. */
  lastTrouble: unknown;

  constructor(
    /** Stands before all it says. */
    readonly name: string,
    private readonly profile: string,
    private readonly job: string,
    private readonly front: TlsFront,
    private readonly person: Person,
    private readonly tally: Tally,
  ) {}

  private async page(): Promise<Page> {
    if (!this.context) {
      for (const lock of ["SingletonLock", "SingletonSocket", "SingletonCookie"])
        rmSync(`${this.profile}/${lock}`, { force: true });
      this.context = await chromium.launchPersistentContext(this.profile, {
        ...config.use?.launchOptions,
        args: [...(config.use?.launchOptions?.args ?? []), ...this.front.args],
        env: this.front.env,
        viewport: { width: 1280, height: 800 },
        serviceWorkers: "allow",
        timeout: 30_000,
      });
      await this.signIn(this.context);
    }
    return this.context.pages()[0] ?? withinLimit(this.context.newPage(), "a new page");
  }

  /** A browser that is killed may lose its cookie, which it writes down every half minute: then its person signs in again. */
  private async signIn(context: BrowserContext): Promise<void> {
    const page = context.pages()[0] ?? (await withinLimit(context.newPage(), "a new page"));
    await page.goto(`${this.front.origin}/api/health`, { timeout: 15_000 });
    const { email, password } = this.person;
    const status = await page.evaluate(async (body) => {
      const me = await fetch("/api/me");
      if (me.status !== 401) return 200;
      const headers = { "content-type": "application/json" };
      return (await fetch("/api/auth/sign-in/email", { method: "POST", headers, body })).status;
    }, JSON.stringify({ email, password }));
    if (status !== 200) throw new Error(`${email} can’t sign in: ${status}`);
  }

  /** Works until it is over: a room, a note, and so on; a browser that is killed under it is opened again. */
  async work(isOver: () => boolean): Promise<void> {
    while (!isOver()) {
      try {
        await this.step(await this.page());
      } catch (error) {
        this.lastTrouble = error;
        await this.close();
        await pause(200);
      }
    }
  }

  private async step(page: Page): Promise<void> {
    const said = `${this.name} ${++this.n}`;
    const limit = { timeout: 8000 };
    if (this.n % 2 === 0 || this.rooms >= MAX_ROOMS) {
      if (!page.url().includes("/log")) await page.goto(`${this.front.origin}${this.job}/log`, limit);
      await page.getByRole("radio", { name: "Note" }).click(limit);
      await page.getByLabel("Note", { exact: true }).fill(said, limit);
      await page.getByRole("button", { name: "Log entry" }).click(limit);
      await page.getByText(said, { exact: true }).waitFor(limit);
    } else {
      if (!page.url().includes("/survey")) await page.goto(`${this.front.origin}${this.job}/survey`, limit);
      await page.getByLabel("Room", { exact: true }).fill(said, limit);
      await page.getByLabel("Size, any unit").fill("8 m2", limit);
      await page.getByRole("button", { name: "Add room" }).click(limit);
      this.rooms++;
      await page.getByRole("button", { name: said, exact: true }).first().waitFor(limit);
    }
    for (let i = 0; i < 40; i++) {
      if ((await onDevice(page))?.rows.includes(`"${said}"`)) {
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

  /** Opens the app once more and waits until all that was kept has been sent; gives up after `limit` ms. */
  async finish(limit = 120_000): Promise<void> {
    const until = Date.now() + limit;
    while (Date.now() < until) {
      try {
        const page = await this.page();
        await page.goto(`${this.front.origin}${this.job}/survey`, { timeout: 15_000 });
        for (let i = 0; i < 100 && Date.now() < until; i++) {
          if ((await onDevice(page))?.waiting === 0) return;
          await pause(200);
        }
      } catch (error) {
        this.lastTrouble = error;
        await this.close();
      }
    }
    throw new Error(`${this.name} still had something to send after ${limit / 1000} s`, {
      cause: this.lastTrouble,
    });
  }

  /** Which of `names` this device hasn't heard of, without loading its page again, when `limit` ms are over. */
  async missing(names: readonly string[], limit = 30_000): Promise<readonly string[]> {
    const page = await this.page();
    for (const until = Date.now() + limit; ; await pause(200)) {
      const rows = (await onDevice(page))?.rows ?? "";
      const left = names.filter((name) => !rows.includes(`"${name}"`));
      if (left.length === 0 || Date.now() > until) return left;
    }
  }

  /** Lets go of the browser; one that was killed may never answer. */
  async close(): Promise<void> {
    const closed = this.context?.close().catch(() => undefined);
    this.context = undefined;
    await Promise.race([closed, pause(3000)]);
    this.kill();
  }
}
