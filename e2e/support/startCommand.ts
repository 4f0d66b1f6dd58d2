/** The start command in a data folder of its own, and the commands beside it, as a person runs them. */
import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { expect } from "@playwright/test";

const script = (name: string) => fileURLToPath(new URL(`../../scripts/${name}.mjs`, import.meta.url));

/** A folder that a start keeps its data in; what was started in it ends with {@link DataFolder.clear}. */
export class DataFolder {
  private readonly started: ChildProcess[] = [];
  /** With a space, as a person's folder has it. */
  private readonly outer = mkdtempSync(join(tmpdir(), "scutch start "));
  readonly path = join(this.outer, "app");

  /** Runs one of the commands. */
  run(name: string, args: readonly string[] = [], env: NodeJS.ProcessEnv = {}) {
    const { TEST_DATABASE_URL: _, DATABASE_URL: __, PORT: ___, PHOTO_DIR: ____, ...inherited } = process.env;
    const child = spawn(process.execPath, [script(name), ...args], {
      env: { ...inherited, DATA_DIR: this.path, ...env },
    });
    this.started.push(child);
    let output = "";
    for (const stream of [child.stdout, child.stderr])
      stream.on("data", (chunk: Buffer) => (output += chunk.toString()));
    const ended = new Promise<number | null>((resolve) => child.once("exit", resolve));
    return { child, ended, output: () => output };
  }

  start(args: readonly string[] = [], env: NodeJS.ProcessEnv = {}) {
    const running = this.run("start", args, env);
    return {
      ...running,
      /** Its address, once it is up. */
      async address(): Promise<string> {
        await expect
          .poll(running.output, { timeout: 180_000 })
          .toMatch(/Scutch is at http:\/\/127\.0\.0\.1:\d+\n/);
        return /http:\/\/127\.0\.0\.1:\d+/.exec(running.output())?.[0] as string;
      },
    };
  }

  /** The process id the database noted down, if it runs. */
  databasePid(): number | undefined {
    const file = join(this.path, "mariadbd.pid");
    if (!existsSync(file)) return undefined;
    const pid = Number(readFileSync(file, "utf8"));
    return existsSync(`/proc/${pid}`) ? pid : undefined;
  }

  /** A folder beside the data. */
  beside(name: string): string {
    return join(this.outer, name);
  }

  async clear(): Promise<void> {
    for (const child of this.started.splice(0)) if (child.exitCode === null) child.kill("SIGTERM");
    await expect.poll(() => this.databasePid(), { timeout: 60_000 }).toBeUndefined();
    rmSync(this.outer, { recursive: true, force: true });
  }
}
