/**
 * npm run torture -- --kills N --seed S [--cluster]: clients and two browsers, signed in and over TLS, edit and log while server, database and browsers are
 * killed with SIGKILL at random. What was acknowledged must be there at the end, once, and each browser must have heard of it.
 */

import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { parseArgs } from "node:util";
import { itemAt } from "@scutch/core";
import { apiClient } from "./apiClient.ts";
import { BrowserClient } from "./browserClient.ts";
import { ClusterStack } from "./clusterStack.ts";
import { makeCrew, type Person } from "./crew.ts";
import { ownersHold } from "./owners.ts";
import { KillableStack, type TorturedStack } from "./stack.ts";
import { Tally } from "./tally.ts";

const JOBS = [1, 2, 3, 4].map((n) => `/jobs/01930000-0000-7000-8400-00000000000${n}`);

const { values } = parseArgs({
  options: {
    kills: { type: "string", default: "200" },
    seed: { type: "string", default: "1" },
    cluster: { type: "boolean", default: false },
  },
});
const [kills, seed] = [Number(values.kills), Number(values.seed)];
if (!(kills >= 1) || !Number.isInteger(seed)) {
  console.error(
    "npm run torture -- --kills 200 --seed 1, with --cluster on three database nodes and servers",
  );
  process.exit(1);
}

/** Mulberry32: the same kills for the same seed. */
let state = seed >>> 0;
function random(): number {
  state = (state + 0x6d2b79f5) >>> 0;
  let t = state;
  t = Math.imul(t ^ (t >>> 15), t | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}

/** ms within which the browser takes its first step. */
const FIRST_STEP = 90_000;
/** ms the whole run may take: a kill takes a few seconds at most on the slowest machine seen. */
const LIMIT = 300_000 + kills * (values.cluster ? 25_000 : 10_000);
setTimeout(() => {
  console.error(`The torture did not end within ${LIMIT / 60_000} minutes.`);
  process.exit(1);
}, LIMIT).unref();

process.env.LOG_LEVEL = "silent"; // a database that is gone is what this is about
const dir = mkdtempSync(join(tmpdir(), "scutch-torture-"));
const stack: TorturedStack = values.cluster
  ? await ClusterStack.make(dir, random)
  : await KillableStack.make(dir);
let owner: Person;
const tally = new Tally();
for (const job of JOBS) tally.jobs.add(job);
let over = false;
const isOver = () => over;
const browsers: BrowserClient[] = [];
// Told to end, it leaves nothing behind that starts browsers again. Playwright's own listener keeps the process.
for (const signal of ["SIGINT", "SIGTERM"])
  process.on(signal, () => {
    over = true;
    for (const browser of browsers) browser.kill();
    void stack.stop().finally(() => process.exit(130));
  });

async function json(path: string) {
  const response = await fetch(`${itemAt(stack.addresses, 0)}/api${path}`, {
    headers: { cookie: owner.cookie },
    signal: AbortSignal.timeout(30_000),
  });
  if (!response.ok) throw new Error(`${path} answers ${response.status}`);
  return response.json();
}

/** Names of rooms and texts of notes that the server has, each as often as it has it. */
async function found(jobs: Iterable<string>): Promise<string[]> {
  const all: string[] = [];
  for (const job of jobs) {
    const { job: plan } = await json(job);
    const { entries } = await json(`${job}/log`);
    all.push(...plan.rooms.map(({ name }: { name: string }) => name));
    all.push(
      ...entries.flatMap((entry: { kind: string; text?: string }) =>
        entry.kind === "note" ? [entry.text] : [],
      ),
    );
  }
  return all.filter((each) => /^(?:client|browser) /.test(each));
}

/** Who is struck: servers nearly half the time, browsers a third, databases the rest. */
function drawn(draw: number): string {
  const { victims } = stack;
  if (draw < 0.45) return itemAt(victims, 0);
  if (draw >= 0.7) return "browser";
  const databases = victims.slice(1, -1);
  return itemAt(databases, Math.floor(((draw - 0.45) / 0.25) * databases.length));
}

async function main(): Promise<number> {
  await stack.start();
  const { addresses } = stack;
  const people = await makeCrew(itemAt(addresses, 0));
  owner = people[0];
  if (addresses.length > 1) {
    await ownersHold([itemAt(addresses, 0), itemAt(addresses, 1)], people);
    console.error("two owners stepped down at once through two servers, ten times: one remained each time");
  }
  // Of several servers each client asks its own: they meet in the database.
  const server = (i: number) => itemAt(addresses, i % addresses.length);
  const job = itemAt(JOBS, 3);
  // Two phones over TLS, the owner's and the technician's, on one job: they hear of each other by events.
  for (const [i, name] of ["browser one", "browser two"].entries()) {
    const profile = join(dir, name.replace(" ", "-"));
    browsers.push(new BrowserClient(name, profile, job, stack.front, itemAt(people, i), tally));
  }
  const clients = [
    // Two on one job, so that they run into each other's saves; one beside the browsers, on the same job as they.
    apiClient("client a", itemAt(JOBS, 0), { address: server(0), cookie: people[0].cookie }, isOver, tally),
    apiClient("client b", itemAt(JOBS, 0), { address: server(1), cookie: people[1].cookie }, isOver, tally),
    apiClient("client c", job, { address: server(2), cookie: people[1].cookie }, isOver, tally),
    ...browsers.map((browser) => browser.work(isOver)),
  ];
  // Nothing is proven about a browser that hadn't begun when the killing ended.
  for (const browser of browsers)
    for (const start = Date.now(); tally.countOf(browser.name) === 0; await pause(100))
      if (Date.now() - start > FIRST_STEP)
        throw new Error(`${browser.name} did nothing within ${FIRST_STEP / 1000} s`, {
          cause: browser.lastTrouble,
        });
  const killed = new Map(stack.victims.map((victim) => [victim, 0]));
  for (let i = 0; i < kills; i++) {
    await pause(150 + random() * 1200);
    const victim = drawn(random());
    killed.set(victim, (killed.get(victim) ?? 0) + 1);
    if (victim === "browser") itemAt(browsers, random() < 0.5 ? 0 : 1).kill();
    else await stack.strike(victim);
    if ((i + 1) % 20 === 0)
      console.error(`${i + 1} of ${kills} kills, ${tally.acknowledged.size} acknowledged`);
  }
  over = true;
  await Promise.all(clients);
  console.error("over: waiting for what the browsers have still to send, and to hear of each other");
  for (const browser of browsers) await browser.finish();
  const ofJob = await found([job]);
  let unheard = 0;
  for (const browser of browsers)
    for (const each of await browser.missing(ofJob)) {
      unheard++;
      console.log(`${browser.name} never heard of: ${each}`);
    }
  const { lost, twice } = tally.check(await found(tally.jobs));
  console.log(
    `kills ${kills} (${[...killed].map(([victim, count]) => `${victim} ${count}`).join(", ")}), seed ${seed}`,
  );
  const byBrowsers = browsers.map(({ name }) => tally.countOf(name));
  console.log(
    `acknowledged ${tally.acknowledged.size} (${byBrowsers.join(" and ")} on the browsers), unheard ${unheard}, lost ${lost.length}, twice ${twice.length}`,
  );
  for (const each of lost) console.log(`lost: ${each}`);
  for (const each of twice) console.log(`twice: ${each}`);
  for (const browser of browsers) await browser.close();
  return lost.length === 0 && twice.length === 0 && unheard === 0 ? 0 : 1;
}

let code = 1;
try {
  code = await main();
} catch (error) {
  console.error(error);
}
await stack.stop();
try {
  rmSync(dir, { recursive: true, force: true, maxRetries: 5 });
} catch {
  // A browser that was killed is still at its profile: it lies in the temporary folder.
}
process.exit(code);
