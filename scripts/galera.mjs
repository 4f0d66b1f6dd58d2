// Three nodes of a MariaDB cluster on this machine, by the configuration that ships: for tests.
import { spawn, spawnSync } from "node:child_process";
import crypto from "node:crypto";
import fs from "node:fs";
import path from "node:path";
import { initSql, SEARCH, startMariadb } from "./mariadb.mjs";
import { inRoot } from "./paths.mjs";
import { freePort } from "./ports.mjs";

const HOST = "127.0.0.1";
const NODES = 3;
/** ms until a node that was started is in step with the others, on the slowest machine seen. */
const LIMIT = 120_000;
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** The shipped configuration with this machine's folders, ports and sizes. */
function configuration({ dir, ports, group, name, password }) {
  const [sql, replication, ist, sst] = ports;
  return fs
    .readFileSync(inRoot("deploy/galera.cnf"), "utf8")
    .replace(/^datadir=.*/m, `datadir=${dir}/db\ntmpdir=${dir}/tmp`)
    .replace(/^socket=.*/m, `socket=${dir}/s.sock`)
    .replace(/^pid-file=.*/m, `pid-file=${dir}/pid`)
    .replace(/gcomm:.*/, `gcomm://${group.map((each) => `${HOST}:${each[1]}`).join()}`)
    .replaceAll(/192\.0\.2\.1\d:4567/g, `${HOST}:${replication}`)
    .replaceAll(/192\.0\.2\.1\d:4568/g, `${HOST}:${ist}`)
    .replaceAll(/192\.0\.2\.1\d:4444/g, `${HOST}:${sst}`)
    .replaceAll(/192\.0\.2\.1\d:3306/g, `${HOST}:${sql}`)
    .replaceAll(/192\.0\.2\.1\d/g, HOST)
    .replace("base_port=4567", `base_port=${replication}`)
    .replace(/^port=.*/m, `port=${sql}`)
    .replace("wsrep-node-name=n1", `wsrep-node-name=${name}`)
    .replace("sst:PASSWORD", `sst:${password}`)
    .replace("innodb-buffer-pool-size=1G", "innodb-buffer-pool-size=48M")
    .replace("innodb-log-file-size=256M", "innodb-log-file-size=32M")
    .replace("gcache.size=1G", "gcache.size=64M");
}

class Node {
  constructor({ dir, ports, password }) {
    Object.assign(this, { dir, ports, password, child: undefined });
    this.url = `mysql://scutch:${password}@${HOST}:${ports[0]}/scutch`;
  }

  get options() {
    return `--defaults-file=${this.dir}/my.cnf`;
  }

  /** Runs a statement as the node's own root; what it says, or undefined. */
  ask(statement) {
    const { status, stdout } = spawnSync(
      "mariadb",
      [
        this.options,
        `--socket=${this.dir}/s.sock`,
        "--user=root",
        "--batch",
        "--skip-column-names",
        "-e",
        statement,
      ],
      { env: { ...SEARCH, MYSQL_PWD: this.password }, encoding: "utf8", timeout: 10_000 },
    );
    return status === 0 ? stdout.trim() : undefined;
  }

  status(name) {
    return this.ask(`show global status like 'wsrep_${name}'`)?.split("\t")[1];
  }

  get isInStep() {
    return this.status("local_state_comment") === "Synced" && this.status("cluster_status") === "Primary";
  }

  /** Starts it and waits until it is in step. After a kill the place it was at is asked first: else it would copy everything. */
  async start({ isFirst = false } = {}) {
    const user = process.getuid() === 0 ? ["--user=root"] : [];
    const state = `${this.dir}/db/grastate.dat`;
    if (isFirst && fs.existsSync(state))
      fs.writeFileSync(
        state,
        fs.readFileSync(state, "utf8").replace("safe_to_bootstrap: 0", "safe_to_bootstrap: 1"),
      );
    const asked = spawnSync("mariadbd", [this.options, ...user, "--wsrep-recover"], {
      env: SEARCH,
      encoding: "utf8",
    });
    const place = /Recovered position: (\S+:-?\d+)/.exec(asked.stderr)?.[1];
    const log = fs.openSync(`${this.dir}/mariadbd.log`, "a", 0o600);
    const extra = isFirst ? ["--wsrep-new-cluster"] : place ? [`--wsrep-start-position=${place}`] : [];
    this.child = spawn("mariadbd", [this.options, ...user, ...extra], {
      stdio: ["ignore", log, log],
      detached: true,
      env: SEARCH,
    });
    fs.closeSync(log);
    this.ended = new Promise((resolve) => this.child.once("exit", resolve));
    for (const from = Date.now(); !this.isInStep; await pause(100))
      if (Date.now() - from > LIMIT || this.child.exitCode !== null)
        throw new Error(`A node of the cluster did not start. See ${this.dir}/mariadbd.log.`);
  }

  async end(signal) {
    if (!this.child || this.child.exitCode !== null || this.child.signalCode !== null) return;
    this.child.kill(signal);
    await this.ended;
  }

  /** Cuts it off from the others, or joins it again. */
  isolate(isCut) {
    this.ask(`set global wsrep_provider_options='gmcast.isolate=${Number(isCut)}'`);
  }
}

/** A cluster in `dir`, up and in step. */
export async function startCluster(dir) {
  const seed = path.join(dir, "n1");
  // Tables and users once, as the app's own database makes them; the nodes begin as copies.
  const first = await startMariadb({ dir: seed, fleeting: true });
  await first.stop();
  const password = fs.readFileSync(path.join(seed, "password"), "utf8").trim();
  const ports = [];
  for (let i = 0, next = 14_010; i < NODES; i++) {
    const own = [];
    for (let k = 0; k < 4; k++) {
      own.push(await freePort(next));
      next = own.at(-1) + 1;
    }
    ports.push(own);
  }
  const nodes = ports.map((own, i) => new Node({ dir: path.join(dir, `n${i + 1}`), ports: own, password }));
  const sst = crypto.randomBytes(12).toString("hex");
  for (const [i, node] of nodes.entries()) {
    fs.mkdirSync(path.join(node.dir, "tmp"), { recursive: true, mode: 0o700 });
    fs.writeFileSync(
      `${node.dir}/my.cnf`,
      configuration({ dir: node.dir, ports: node.ports, group: ports, name: `n${i + 1}`, password: sst }),
      { mode: 0o600 },
    );
  }
  const [one, ...others] = nodes;
  await one.start({ isFirst: true });
  for (const statement of [
    `create or replace user 'sst'@'localhost' identified by '${sst}'`,
    "grant reload, process, lock tables, binlog monitor on *.* to 'sst'@'localhost'",
    ...initSql("scutch", password)
      .split(";\n")
      .filter((each) => each.trim()),
  ])
    one.ask(statement);
  await one.end("SIGTERM");
  for (const node of others) {
    fs.cpSync(`${one.dir}/db`, `${node.dir}/db`, { recursive: true });
    // Each node has a name of its own.
    fs.rmSync(`${node.dir}/db/gvwstate.dat`, { force: true });
  }
  await one.start({ isFirst: true });
  for (const node of others) await node.start();
  return {
    nodes,
    /** Kills a node; once the others have noticed, it comes back. */
    async kill(node) {
      await node.end("SIGKILL");
      const other = nodes.find((each) => each !== node);
      for (const from = Date.now(); other.status("cluster_size") !== "2" && Date.now() - from < 15_000; )
        await pause(100);
      await node.start();
    },
    /** Cuts a node off from the others for a while. */
    async cut(node, ms) {
      node.isolate(true);
      await pause(ms);
      node.isolate(false);
      for (const from = Date.now(); !node.isInStep; await pause(100))
        if (Date.now() - from > LIMIT) throw new Error("A node that was cut off did not come back.");
    },
    async stop() {
      for (const node of nodes.toReversed()) await node.end("SIGTERM");
    },
  };
}
