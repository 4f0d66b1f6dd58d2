/** Database and server that may be killed at any moment, and come up again where they were. */
import { type RunningDatabase, startMariadb } from "../../scripts/mariadb.mjs";
import { prepareDatabase, type RunningServer, startServer } from "../../scripts/server.mjs";

export class KillableStack {
  private database: RunningDatabase | undefined;
  private server: RunningServer | undefined;
  private port = 0;

  constructor(private readonly dir: string) {}

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  private get settings() {
    return {
      databaseUrl: (this.database as RunningDatabase).url,
      photoDir: `${this.dir}/photos`,
      port: this.port,
    };
  }

  async start(): Promise<void> {
    this.database = await startMariadb({ dir: this.dir, fleeting: true });
    await prepareDatabase(this.settings);
    await this.startServer();
  }

  private async startServer(): Promise<void> {
    this.server = await startServer(this.settings);
    this.port = this.server.port;
  }

  async killServer(): Promise<void> {
    await this.server?.stop("SIGKILL");
    await this.startServer();
  }

  /** The server stays up meanwhile and finds its database again by itself. */
  async killDatabase(): Promise<void> {
    const { pid, port, ended } = this.database as RunningDatabase;
    process.kill(pid, "SIGKILL");
    await ended;
    this.database = await startMariadb({ dir: this.dir, port, fleeting: true });
  }

  async stop(): Promise<void> {
    await this.server?.stop();
    await this.database?.stop();
  }
}
