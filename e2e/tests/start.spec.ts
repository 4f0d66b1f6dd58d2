/** The start command as a person meets it: up, a second one, Ctrl-C, killed, taken ports. */
import { existsSync, readFileSync } from "node:fs";
import { createServer, type Server } from "node:net";
import { expect, test } from "@playwright/test";
import { DataFolder } from "../support/startCommand.ts";

let folder: DataFolder;
const start = (args: readonly string[] = [], env: NodeJS.ProcessEnv = {}) => folder.start(args, env);
const databasePid = () => folder.databasePid();

/** Jobs of the demo, those of the weeks before too. */
const DEMO_JOBS = 9;
const jobs = async (address: string) =>
  ((await (await fetch(`${address}/api/jobs`)).json()) as { jobs: { id: string; title: string }[] }).jobs;

// A first start makes a database on a real disk, and waits for it.
test.describe.configure({ timeout: 240_000 });

test.beforeEach(() => {
  folder = new DataFolder();
});
test.afterEach(() => folder.clear());

test("starts with its demo in a folder with a space, says a second one is too many, and Ctrl-C stops the database too", async () => {
  const first = start();
  const address = await first.address();
  expect(await jobs(address)).toHaveLength(DEMO_JOBS);
  expect((await fetch(address)).headers.get("content-type")).toContain("text/html");

  const second = start();
  expect(await second.ended).toBe(1);
  expect(second.output()).toContain(`already runs from this folder at ${address}`);
  expect((await fetch(`${address}/api/health`)).ok).toBe(true);

  first.child.kill("SIGINT");
  expect(await first.ended).toBe(0);
  expect(databasePid()).toBeUndefined();
  await expect(fetch(address)).rejects.toThrow();
});

test("after a killed start the next one cleans up behind it, and what was saved is there", async () => {
  const first = start();
  const address = await first.address();
  const [listed] = await jobs(address);
  const stored = await (await fetch(`${address}/api/jobs/${listed?.id}`)).json();
  const saved = await fetch(`${address}/api/jobs/${stored.job.id}`, {
    method: "PUT",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ baseVersion: stored.version, job: { ...stored.job, title: "Kept" } }),
  });
  expect(saved.status).toBe(200);
  first.child.kill("SIGKILL");
  await first.ended;
  const orphan = databasePid();
  expect(orphan).toBeDefined();

  const second = start();
  expect((await jobs(await second.address())).map(({ title }) => title)).toContain("Kept");
  expect(databasePid()).not.toBe(orphan);
  second.child.kill("SIGTERM");
  await second.ended;

  const reset = start(["--reset-demo"]);
  expect((await jobs(await reset.address())).map(({ title }) => title)).not.toContain("Kept");
});

test("a killed database and a killed server are started again; one that keeps dying is given up with its reason", async () => {
  const running = start();
  const address = await running.address();
  const isUp = () =>
    expect
      .poll(async () => (await fetch(`${address}/api/health`).catch(() => undefined))?.status, {
        timeout: 120_000,
      })
      .toBe(200);
  process.kill(databasePid() as number, "SIGKILL");
  await expect.poll(running.output, { timeout: 60_000 }).toContain("The database stopped");
  await isUp();
  expect(await jobs(address)).toHaveLength(DEMO_JOBS);
  const serverPid = () => {
    const { pid } = running.child;
    const children = readFileSync(`/proc/${pid}/task/${pid}/children`, "utf8").trim().split(" ");
    return children.find((each) => {
      const file = `/proc/${each}/cmdline`;
      return existsSync(file) && readFileSync(file, "utf8").includes("server/dist/main.js");
    });
  };
  for (let kills = 1; kills <= 4; kills++) {
    process.kill(Number(serverPid()), "SIGKILL");
    if (kills === 4) break;
    await expect
      .poll(() => running.output().split("The server stopped (SIGKILL). Starting it again").length - 1)
      .toBe(kills);
    await isUp();
    expect(await jobs(address)).toHaveLength(DEMO_JOBS);
  }
  expect(await running.ended).toBe(1);
  expect(running.output()).toContain("The server keeps stopping (SIGKILL)");
  expect(databasePid()).toBeUndefined();
});

test("a taken port is stepped over when nobody asked for it and said when somebody did; an unknown option is too", async () => {
  const taken = await new Promise<Server>((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => resolve(server));
  });
  const port = (taken.address() as { port: number }).port;
  const asked = start([], { PORT: String(port) });
  expect(await asked.ended).toBe(1);
  expect(asked.output()).toContain(`Port ${port} is taken. Set PORT to another one`);
  taken.close();

  const odd = start(["--fast"]);
  expect(await odd.ended).toBe(1);
  expect(odd.output()).toContain("Unknown option --fast");
  const nonsense = start([], { PORT: "http" });
  expect(await nonsense.ended).toBe(1);
  expect(nonsense.output()).toContain("PORT=http is not a port");
});
