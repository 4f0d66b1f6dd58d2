import { execFileSync } from "node:child_process";
import { fileURLToPath } from "node:url";
import { test as base } from "@playwright/test";
import { environment, type RunningServer, type ServerSettings, startServer } from "../../scripts/server.mjs";
import { type Copy, copyOfTemplate } from "./template.ts";

const CREW_COMMAND = fileURLToPath(new URL("../../server/dist/crewCommand.js", import.meta.url));

/** The built server on a worker's copy of the demo, which a test can stop and start again on the same port. */
export class Stack {
  private server: RunningServer | undefined;
  private port = 0;

  private constructor(private readonly copy: Copy) {}

  static async make(worker: number): Promise<Stack> {
    return new Stack(await copyOfTemplate(worker));
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** The demo as it was first, with the server up: what every test starts from. */
  async reset(): Promise<void> {
    await this.copy.refill();
    if (!this.server) await this.start();
  }

  async start(settings: Pick<ServerSettings, "demo" | "more"> = {}): Promise<void> {
    const { databaseUrl, photoDir } = this.copy;
    this.server = await startServer({ databaseUrl, photoDir, port: this.port, ...settings });
    this.port = this.server.port;
  }

  /** Runs the crew command on this database; what it says. */
  crew(args: readonly string[], more: Readonly<Record<string, string>> = {}): string {
    const { databaseUrl, photoDir } = this.copy;
    return execFileSync(process.execPath, [CREW_COMMAND, ...args], {
      env: environment({ databaseUrl, photoDir, port: this.port, demo: false, more }),
      encoding: "utf8",
    });
  }

  get appPort(): number {
    return this.port;
  }

  async stop(signal?: NodeJS.Signals): Promise<void> {
    await this.server?.stop(signal);
    this.server = undefined;
  }

  async end(): Promise<void> {
    await this.stop();
    await this.copy.close();
  }
}

/** `stack`: the worker's server with the demo fresh for each test. `page` opens on it by path. */
export const test = base.extend<{ stack: Stack }, { workerStack: Stack }>({
  workerStack: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures it needs from the pattern
    async ({}, use, { parallelIndex }) => {
      const stack = await Stack.make(parallelIndex);
      await use(stack);
      await stack.end();
    },
    { scope: "worker", timeout: 180_000 },
  ],
  stack: async ({ workerStack }, use) => {
    await workerStack.reset();
    await use(workerStack);
  },
  baseURL: async ({ stack }, use) => use(stack.address),
});
