/**
 * What each query reads, as MariaDB plans it in a filled database: one good request of each endpoint is made, as one crew's owner, and
 * every query that the server made for it is explained. Written into docs/queries.md. Ends with 1 where a query reads a whole table that
 * doesn't stay small.
 */
import { randomUUID } from "node:crypto";
import { writeFileSync } from "node:fs";
import { setTimeout as pause } from "node:timers/promises";
import { type Endpoint, type Endpoints, endpoints } from "@scutch/contract";
import { requestOfEach } from "@scutch/contract/testing";
import mysql from "mysql2/promise";
import { startServer } from "../../scripts/server.mjs";
import { newId } from "../torture/apiClient.ts";
import { crewId, emailOf, option, PASSWORD } from "./option.ts";

/** One in the middle. */
const CREW = Math.ceil(option("crews", 1000) / 2);
/** A query that reads a table from end to end must be of one that stays small. */
const SMALL = 2000;

const databaseUrl = process.env.LOAD_DATABASE_URL as string;
const { password } = new URL(databaseUrl);
const root = await mysql.createConnection({
  socketPath: process.env.LOAD_SOCKET as string,
  user: "root",
  password: decodeURIComponent(password),
  database: "scutch",
  dateStrings: true,
});
const rowsOf = async (query: string, values: unknown[] = []) =>
  (await root.query<mysql.RowDataPacket[]>(query, values))[0];

await root.query("set global log_output = 'TABLE', global general_log = off");
await root.query("truncate mysql.general_log");
await root.query("set global general_log = on");
const scutch = await startServer({ databaseUrl, demo: false, more: { OPEN_SIGN_UP: "true" } });
const { address } = scutch;

type Method = Endpoint["method"];
async function call(method: Method, path: string, body?: object | Buffer, cookie?: string) {
  const isPicture = Buffer.isBuffer(body);
  const answer = await fetch(`${address}/api${path}`, {
    method: method.toUpperCase(),
    headers: {
      origin: address,
      ...(cookie ? { cookie } : {}),
      ...(body ? { "content-type": isPicture ? "image/jpeg" : "application/json" } : {}),
    },
    signal: AbortSignal.timeout(60_000),
    ...(body ? { body: isPicture ? new Uint8Array(body) : JSON.stringify(body) } : {}),
  });
  const bytes = Buffer.from(await answer.arrayBuffer());
  return { status: answer.status, bytes, cookie: answer.headers.getSetCookie()[0]?.split(";")[0] };
}

const signed = await call("post", "/auth/sign-in/email", { email: emailOf(CREW), password: PASSWORD });
const cookie = signed.cookie;
if (!cookie) throw new Error(`The owner could not sign in (${signed.status}).`);
async function asked(method: "get" | "post", path: string, body?: object, as = cookie) {
  const { status, bytes } = await call(method, path, body, as);
  if (status !== 200) throw new Error(`${method} ${path} answers ${status}: ${bytes}`);
  return JSON.parse(bytes.toString());
}

/** Someone who joins the crew; their id and session. */
async function join(name: string) {
  const { code } = await asked("post", "/crew/invites", { role: "trainee" });
  const email = `${randomUUID()}@example.test`;
  const joined = await call("post", `/invites/${code}/join`, { person: { name, email, password: PASSWORD } });
  const { members } = await asked("get", "/crew/members");
  return String(members.find((each: { email: string }) => each.email === email)?.id ?? joined.status);
}

const [traineeId, technicianId] = [await join("Trainee"), await join("Technician")];
const [job] = await rowsOf(
  "select id from jobs where crew_id = ? and day < curdate() order by day desc limit 1",
  [crewId(CREW)],
);
const [photo] = await rowsOf("select id from photos where crew_id = ? limit 1", [crewId(CREW)]);
const requests = await requestOfEach(asked, {
  crewId: crewId(CREW),
  jobId: String(job?.id),
  photoId: String(photo?.id),
  traineeId,
  technicianId,
  newId,
});
/** Last, since no one can ask anything after them. */
const LAST = ["removeMember", "signOutDevice", "leaveCrew"];
const names = (Object.keys(endpoints) as (keyof Endpoints)[]).toSorted(
  (a, b) => LAST.indexOf(a) - LAST.indexOf(b),
);
const JPEG = Buffer.from(
  "/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wgALCAABAAEBAREA/8QAFBABAAAAAAAAAAAAAAAAAAAAAP/aAAgBAQABPxA=",
  "base64",
);
const answers: string[] = [];
for (const name of names) {
  const { method, path, picture } = endpoints[name] as Endpoint;
  const { params = {}, query = {}, body } = requests[name];
  const filled = path.replaceAll(/\{(\w+)\}/g, (_, key: string) => params[key] ?? "");
  const search = new URLSearchParams(query).toString();
  const { status } = await call(
    method,
    `${filled}${search && `?${search}`}`,
    picture === "in" ? JPEG : body,
    cookie,
  );
  answers.push(`${name} ${status}`);
}
await pause(1500); // what is written after an answer, and the look for changes
await scutch.stop();
await root.query("set global general_log = off");
console.log(answers.join(", "));

const logged = await rowsOf(
  "select distinct convert(argument using utf8mb4) as text from mysql.general_log where command_type in ('Query', 'Execute') and user_host like 'scutch%' order by event_time",
);

/** A query without its values and its list of columns. */
const shapeOf = (text: string) =>
  text
    .replaceAll(/'(?:[^'\\]|\\.|'')*'/gs, "?")
    .replaceAll(/\b\d+(?:\.\d+)?\b/g, "?")
    .replaceAll(/\(\s*\?(?:\s*,\s*\?)+\s*\)/g, "(?, …)")
    .replaceAll(/(\(\?, …\)|\(\?\))(?:\s*,\s*(?:\(\?, …\)|\(\?\)))+/g, "$1, …")
    .replaceAll("`", "")
    .replaceAll(/\s+/g, " ")
    .replace(/^select (?!count|exists).*? from /i, "select … from ")
    .replace(/^(insert into \w+) \(.*?\) values/i, "$1 (…) values")
    .trim();

interface Step {
  readonly table: string;
  readonly how: string;
  readonly key: string;
  readonly rows: number;
  readonly extra: string;
}
const shapes = new Map<string, readonly Step[]>();
for (const { text } of logged) {
  const query = String(text);
  if (
    !/^\s*(?:select|update|delete|insert .*select)/is.test(query) ||
    /\bfrom information_schema\b/i.test(query)
  )
    continue;
  const shape = shapeOf(query);
  const steps = (await rowsOf(`explain ${query}`)).map(
    ({ table, type, key, rows, Extra }): Step => ({
      table: String(table ?? "–"),
      how: String(type ?? "–"),
      key: String(key ?? "–"),
      rows: Number(rows ?? 0),
      extra: String(Extra ?? ""),
    }),
  );
  const known = shapes.get(shape);
  const total = (all: readonly Step[]) => all.reduce((sum, { rows }) => sum + rows, 0);
  if (!known || total(steps) > total(known)) shapes.set(shape, steps);
}

const sizes = await rowsOf(
  "select t.table_name as name, t.table_rows as n, s.stat_value * @@innodb_page_size / 1e6 as clustered, (t.data_length + t.index_length) / 1e6 as whole from information_schema.tables t join mysql.innodb_index_stats s on s.database_name = t.table_schema and s.table_name = t.table_name and s.index_name = 'PRIMARY' and s.stat_name = 'size' where t.table_schema = 'scutch' order by whole desc",
);
const reads = ({ table, how, key, rows, extra }: Step) => {
  const sorted = /filesort|temporary/.test(extra) ? ", sorted" : "";
  if (table === "–") return extra.startsWith("Impossible") ? "no such row" : "nothing";
  return `${table}: ${how === "ALL" || how === "index" ? "**all of it**" : `by ${key}`}, ${rows} rows${sorted}`;
};
const isWhole = ({ how, rows }: Step) => (how === "ALL" || how === "index") && rows > SMALL;
const bad = [...shapes].filter(([, steps]) => steps.some(isWhole));
const [counted] = await rowsOf(
  "select (select count(*) from crews where not is_demo) as crews, (select count(*) from jobs) as jobs",
);
const short = (shape: string) => (shape.length > 260 ? `${shape.slice(0, 258)} …` : shape);
writeFileSync(
  new URL("../../docs/queries.md", import.meta.url),
  `# What queries read

Written by \`npm run load -- queries\`: one good request of each of the ${names.length} endpoints, as the owner of one of ${Number(counted?.crews)} crews with ${Number(counted?.jobs)} jobs, and what MariaDB
plans for every query that the server made for them. Rows are its estimates. A query that reads a whole table of more than ${SMALL} rows makes the command fail.

## Tables

| table | rows, about | MB in order of its key | MB with all indexes |
| --- | ---: | ---: | ---: |
${sizes.map(({ name, n, clustered, whole }) => `| ${name} | ${n} | ${Number(clustered).toFixed(0)} | ${Number(whole).toFixed(0)} |`).join("\n")}

## Queries

| query | reads |
| --- | --- |
${[...shapes]
  .toSorted(([a], [b]) => a.localeCompare(b))
  .map(([shape, steps]) => `| \`${short(shape).replaceAll("|", "\\|")}\` | ${steps.map(reads).join("; ")} |`)
  .join("\n")}
`,
);
console.log(`${shapes.size} queries of ${logged.length} statements are in docs/queries.md`);
for (const [shape, steps] of bad)
  console.log(`reads a whole table: ${shape}\n  ${steps.map(reads).join("; ")}`);
await root.end();
process.exit(bad.length === 0 ? 0 : 1);
