/** Database, server and the TLS in front of them, all but the last to be killed at any moment and to come up again where they were. */
import { type RunningDatabase, startMariadb } from "../../scripts/mariadb.mjs";
import { freePort } from "../../scripts/ports.mjs";
import { prepareDatabase, type RunningServer, startServer } from "../../scripts/server.mjs";
import { makeTlsFront, type TlsFront } from "../support/tlsFront.ts";

/** What is tortured: where its servers are, and what of it may be struck. A strike is over when all is up again. */
export interface TorturedStack {
  readonly addresses: readonly string[];
  readonly front: TlsFront;
  readonly victims: readonly string[];
  start(): Promise<void>;
  strike(victim: string): Promise<void>;
  stop(): Promise<void>;
}

export class KillableStack implements TorturedStack {
  readonly victims = ["server", "database", "browser"] as const;
  private database: RunningDatabase | undefined;
  private server: RunningServer | undefined;
  private port = 0;

  private constructor(
    private readonly dir: string,
    readonly front: TlsFront,
  ) {}

  static async make(dir: string): Promise<KillableStack> {
    return new KillableStack(dir, await makeTlsFront(dir));
  }

  /** The server itself, without the TLS in front. */
  private get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get addresses(): readonly string[] {
    return [this.address];
  }

  private get settings() {
    return {
      databaseUrl: (this.database as RunningDatabase).url,
      photoDir: `${this.dir}/photos`,
      port: this.port,
      more: { ORIGINS: `${this.front.origin},${this.address}` },
    };
  }

  async start(): Promise<void> {
    this.port = await freePort(15_200);
    this.database = await startMariadb({ dir: this.dir, fleeting: true });
    await prepareDatabase(this.settings);
    await this.startServer();
    await this.front.serve(this.port);
  }

  private async startServer(): Promise<void> {
    this.server = await startServer(this.settings);
  }

  async strike(victim: "server" | "database"): Promise<void> {
    if (victim === "database") await this.killDatabase();
    else await this.killServer();
  }

  private async killServer(): Promise<void> {
    await this.server?.stop("SIGKILL");
    await this.startServer();
  }

  /** The server stays up meanwhile and finds its database again by itself. */
  private async killDatabase(): Promise<void> {
    const { pid, port, ended } = this.database as RunningDatabase;
    process.kill(pid, "SIGKILL");
    await ended;
    this.database = await startMariadb({ dir: this.dir, port, fleeting: true });
  }

  async stop(): Promise<void> {
    await this.front.stop();
    await this.server?.stop();
    await this.database?.stop();
  }
}
