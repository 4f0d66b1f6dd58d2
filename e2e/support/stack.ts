import { randomBytes } from "node:crypto";
import { test as base } from "@playwright/test";
import mysql from "mysql2/promise";
import { prepareDatabase, type RunningServer, startServer } from "../../scripts/server.mjs";

/** The built server on a fresh database with the demo, which a test can stop and start again on the same port. */
export class Stack {
  private server: RunningServer | undefined;
  private port = 0;

  private constructor(
    private readonly databaseUrl: string,
    private readonly drop: () => Promise<void>,
  ) {}

  static async make(): Promise<Stack> {
    const url = process.env.TEST_DATABASE_URL;
    if (!url) throw new Error("TEST_DATABASE_URL is not set: run the tests with npm test");
    const name = `scutch_e2e_${randomBytes(6).toString("hex")}`;
    const admin = await mysql.createConnection(url);
    await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
    const own = new URL(url);
    own.pathname = `/${name}`;
    return new Stack(own.href, async () => {
      await admin.query(`DROP DATABASE ${name}`);
      await admin.end();
    });
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const settings = { databaseUrl: this.databaseUrl, port: this.port };
    await prepareDatabase(settings);
    this.server = await startServer(settings);
    this.port = this.server.port;
  }

  async stop(signal?: NodeJS.Signals): Promise<void> {
    await this.server?.stop(signal);
    this.server = undefined;
  }

  async end(): Promise<void> {
    await this.stop();
    await this.drop();
  }
}

/** `stack`: a server of the test's own. `page` opens on it by path. */
export const test = base.extend<{ stack: Stack }>({
  // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures it needs from the pattern
  stack: async ({}, use) => {
    const stack = await Stack.make();
    await stack.start();
    await use(stack);
    await stack.end();
  },
  baseURL: async ({ stack }, use) => use(stack.address),
});
