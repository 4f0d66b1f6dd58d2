/** Three servers, each on a node of a database cluster, and the TLS that shares requests out among them: any may die or be cut off. */
import { itemAt } from "@scutch/core";
import { type Cluster, startCluster } from "../../scripts/galera.mjs";
import { freePort } from "../../scripts/ports.mjs";
import { prepareDatabase, type RunningServer, startServer } from "../../scripts/server.mjs";
import { makeTlsFront, type TlsFront } from "../support/tlsFront.ts";
import type { TorturedStack } from "./stack.ts";

/** ms that a node is cut off: longer than the others wait for it before they go on. */
const CUT = [2500, 6000] as const;

export class ClusterStack implements TorturedStack {
  private cluster: Cluster | undefined;
  private readonly servers: RunningServer[] = [];
  private readonly ports: number[] = [];
  readonly addresses: string[] = [];
  readonly victims = ["server", "node", "cut", "browser"] as const;

  private constructor(
    private readonly dir: string,
    private readonly random: () => number,
    readonly front: TlsFront,
  ) {}

  static async make(dir: string, random: () => number): Promise<ClusterStack> {
    return new ClusterStack(dir, random, await makeTlsFront(dir));
  }

  private settings(i: number) {
    return {
      databaseUrl: itemAt((this.cluster as Cluster).nodes, i).url,
      photoDir: `${this.dir}/photos`,
      port: itemAt(this.ports, i),
      secret: "of the torture, the same on every server",
      more: { ORIGINS: [this.front.origin, ...this.addresses].join() },
    };
  }

  async start(): Promise<void> {
    this.cluster = await startCluster(this.dir);
    for (let i = 0, next = 15_200; i < this.cluster.nodes.length; i++) {
      this.ports.push(await freePort(next));
      next = itemAt(this.ports, i) + 1;
      this.addresses.push(`http://127.0.0.1:${itemAt(this.ports, i)}`);
    }
    // All at once, as servers of a new version are started: one of them does it.
    await Promise.all(this.ports.map((_, i) => prepareDatabase(this.settings(i))));
    for (const i of this.ports.keys()) this.servers.push(await startServer(this.settings(i)));
    await this.front.serve(...this.ports);
  }

  async strike(victim: "server" | "node" | "cut"): Promise<void> {
    const i = Math.floor(this.random() * this.servers.length);
    const cluster = this.cluster as Cluster;
    const node = itemAt(cluster.nodes, i);
    if (victim === "node") return cluster.kill(node);
    if (victim === "cut") return cluster.cut(node, CUT[0] + this.random() * (CUT[1] - CUT[0]));
    await itemAt(this.servers, i).stop("SIGKILL");
    this.servers[i] = await startServer(this.settings(i));
  }

  async stop(): Promise<void> {
    await this.front.stop();
    for (const server of this.servers) await server.stop();
    await this.cluster?.stop();
  }
}
