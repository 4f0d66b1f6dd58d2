/**
 * Phones of as many crews: all come back into signal at once and sync, then work side by side, then ask as fast as they can. Each hears its
 * crew's events all the time. At the end every acknowledged entry is looked for.
 */
import { setTimeout as pause } from "node:timers/promises";
import { itemAt } from "@scutch/core";
import mysql from "mysql2/promise";
import { startServer } from "../../scripts/server.mjs";
import { fixedLoop, percentile, times } from "../bench/row.ts";
import { newId } from "../torture/apiClient.ts";
import { crewId, emailOf, option, PASSWORD } from "./option.ts";

const PHONES = option("phones", 200);
const SECONDS = option("seconds", 60);
/** A phone at work logs something this often, ms. */
const STEP = 5000;
/** Entries that were written without signal. */
const WAITING = 20;
/** A request without an answer after this is an error, as on a phone, ms. */
const PATIENCE = 15_000;

const databaseUrl = process.env.LOAD_DATABASE_URL as string;
const pool = mysql.createPool({ uri: databaseUrl, connectionLimit: 2 });
const [[counted]] = await pool.query<mysql.RowDataPacket[]>(
  "select (select count(*) from crews where not is_demo) as crews, (select count(*) from jobs) as jobs, (select sum(entries) from log_facts) as entries",
);
const crews = Number(counted?.crews) - 1;
/** Spread over all crews, so that no two are near each other on the disk. */
const crewOf = (phone: number) => 1 + Math.floor((phone * crews) / PHONES);
// Runs one after the other aren't someone who guesses passwords.
for (const table of ["tries", "auth_rate_limits"]) await pool.query(`delete from ${table}`);
const scutch = await startServer({ databaseUrl, demo: false });
const { address } = scutch;

interface Phone {
  readonly headers: Readonly<Record<string, string>>;
  readonly crew: string;
  readonly jobs: readonly { readonly id: string; readonly version: number }[];
  readonly acknowledged: string[];
}

const durations = new Map<string, number[]>();
let errors = 0;

/** Asks, notes how long it took, and answers the body; undefined where it went wrong. */
async function call(headers: Phone["headers"], method: "GET" | "POST", path: string, body?: object) {
  const start = performance.now();
  try {
    const answer = await fetch(`${address}/api${path}`, {
      method,
      headers: { ...headers, origin: address, "content-type": "application/json" },
      signal: AbortSignal.timeout(PATIENCE),
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    const text = await answer.text();
    if (!answer.ok) throw new Error(`${answer.status}`);
    const kind = `${method} ${path.replace(/\?.*/, "").replace(/[0-9a-f-]{36}/, ":id")}`;
    durations.set(kind, [...(durations.get(kind) ?? []), performance.now() - start]);
    return { body: JSON.parse(text), cookie: answer.headers.getSetCookie()[0]?.split(";")[0] };
  } catch {
    errors++;
    return undefined;
  }
}

async function signIn(phone: number): Promise<Phone> {
  const n = crewOf(phone);
  const from = { "x-forwarded-for": `10.${phone >> 8}.${phone & 255}.7` };
  const signed = await call(from, "POST", "/auth/sign-in/email", { email: emailOf(n), password: PASSWORD });
  if (!signed?.cookie) throw new Error(`phone ${phone} could not sign in`);
  const [jobs] = await pool.query<mysql.RowDataPacket[]>(
    "select id, version from jobs where crew_id = ? and day between curdate() - interval 7 day and curdate() + interval 14 day",
    [crewId(n)],
  );
  return {
    headers: { ...from, cookie: signed.cookie },
    crew: crewId(n),
    jobs: jobs.map(({ id, version }) => ({ id: String(id), version: Number(version) })),
    acknowledged: [],
  };
}

/** Logs `count` notes to a job of the phone's and counts on them once they are answered. */
async function log(phone: Phone, count: number): Promise<void> {
  const job = itemAt(phone.jobs, phone.acknowledged.length % phone.jobs.length);
  const entries = Array.from({ length: count }, () => ({
    id: newId(),
    at: new Date().toISOString(),
    kind: "note",
    text: "Load",
  }));
  if (await call(phone.headers, "POST", `/jobs/${job.id}/log`, { entries }))
    phone.acknowledged.push(...entries.map(({ id }) => id));
}

/** What a phone asks when it has signal again, after a week in which others worked. */
async function sync(phone: Phone): Promise<void> {
  await log(phone, WAITING);
  const { headers, jobs } = phone;
  const from = new Date().toISOString().slice(0, 10);
  for (const path of ["/changes?since=0", "/crew", "/shelf", "/stock", `/jobs?from=${from}`])
    await call(headers, "GET", path);
  const held = jobs.slice(0, 30).map(({ id, version }) => ({ id, version, logMark: 0 }));
  await call(headers, "POST", "/jobs/catch-up", { jobs: held });
}

const streams: AbortController[] = [];
let heard = 0;
async function listen({ headers }: Phone): Promise<void> {
  const given = new AbortController();
  streams.push(given);
  const answer = await fetch(`${address}/api/events`, { headers, signal: given.signal });
  if (!answer.ok || !answer.body) throw new Error(`a stream was refused with ${answer.status}`);
  void (async (body: ReadableStream<Uint8Array>) => {
    const text = new TextDecoder();
    for await (const piece of body) heard += [...text.decode(piece).matchAll(/^id: /gm)].length;
  })(answer.body).catch(() => undefined);
}

const share = (all: readonly number[]) =>
  [0.5, 0.95, 0.99].map((each) => percentile(all, each).toFixed(0)).join(" / ");
function say(what: string, took: number[], seconds: number): void {
  const loop = fixedLoop();
  console.log(
    `\n${what}: ${took.length} in ${seconds.toFixed(1)} s, p50 / p95 / p99 ${share(took)} ms, errors ${errors}; p95 ${times(percentile(took, 0.95), loop, "the loop")}`,
  );
  for (const [kind, all] of [...durations].toSorted())
    console.log(`  ${kind.padEnd(30)} ${String(all.length).padStart(6)} × ${share(all)} ms`);
  durations.clear();
  errors = 0;
}

console.log(
  `${crews} crews, ${counted?.jobs} jobs, ${counted?.entries} entries; ${PHONES} phones, server and database on this machine`,
);
const phones: Phone[] = [];
for (let i = 0; i < PHONES; i += 10)
  phones.push(
    ...(await Promise.all(Array.from({ length: Math.min(10, PHONES - i) }, (_, k) => signIn(i + k)))),
  );
await Promise.all(phones.map(listen));
durations.clear();

for (const round of ["cold", "again"]) {
  const began = performance.now();
  const took = await Promise.all(
    phones.map(async (phone) => {
      const start = performance.now();
      await sync(phone);
      return performance.now() - start;
    }),
  );
  say(`all sync at once, ${round}`, took, (performance.now() - began) / 1000);
}

const until = performance.now() + SECONDS * 1000;
const steps: number[] = [];
await Promise.all(
  phones.map(async (phone) => {
    await pause(Math.random() * STEP);
    while (performance.now() < until) {
      const start = performance.now();
      await log(phone, 1);
      await call(phone.headers, "GET", "/changes?since=9999999");
      steps.push(performance.now() - start);
      await pause(Math.max(0, STEP - (performance.now() - start)));
    }
  }),
);
say(`at work, a step each ${STEP / 1000} s`, steps, SECONDS);

const end = performance.now() + SECONDS * 500;
const fast: number[] = [];
await Promise.all(
  phones.slice(0, 20).map(async (phone) => {
    while (performance.now() < end) {
      const start = performance.now();
      await log(phone, 1);
      fast.push(performance.now() - start);
    }
  }),
);
say("20 phones log as fast as they can", fast, SECONDS / 2);
console.log(`  ${(fast.length / (SECONDS / 2)).toFixed(0)} a second`);

let lost = 0;
for (const { crew, acknowledged } of phones)
  for (let i = 0; i < acknowledged.length; i += 500) {
    const ids = acknowledged.slice(i, i + 500);
    const [[row]] = await pool.query<mysql.RowDataPacket[]>(
      "select count(*) as n from log_entries where crew_id = ? and id in (?)",
      [crew, ids],
    );
    lost += ids.length - Number(row?.n);
  }
console.log(
  `\nacknowledged ${phones.reduce((sum, { acknowledged }) => sum + acknowledged.length, 0)}, lost ${lost}, events heard ${heard}`,
);
for (const stream of streams) stream.abort();
await pool.end();
await scutch.stop();
process.exit(lost === 0 ? 0 : 1);
