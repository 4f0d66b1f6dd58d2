/**
 * Fills a database with crews that have worked for years, by statements that copy inside it: the demo's finished jobs with their logs,
 * over and over, each with its own day and ids, make the first crew; the others are copies of that one.
 */
import mysql from "mysql2/promise";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import { crewId, emailOf, option, ownerId, PASSWORD } from "./option.ts";

const CREWS = option("crews", 1000);
const YEARS = option("years", 3);
const JOBS_A_WEEK = 20;
const PHOTOS_A_JOB = 2;
const JOBS = YEARS * 52 * JOBS_A_WEEK;
/** Connections that copy at once. */
const AT_ONCE = 2;
const FIRST = crewId(1);
const DEMO = "01930000-0000-7000-8000-000000000001";
/** The weeks that are booked ahead. */
const AHEAD = 2;
const JOB_ID = "01930000-0000-7000-8400-";
const ENTRY_ID = "01930000-0000-7000-8700-";

const databaseUrl = process.env.LOAD_DATABASE_URL as string;
await prepareDatabase({ databaseUrl, resetDemo: true });
const pool = mysql.createPool({ uri: databaseUrl, connectionLimit: AT_ONCE, multipleStatements: false });

/** Runs statements one after the other on a connection that checks nothing: what is copied was checked when it was first written. */
async function run(statements: readonly string[]): Promise<void> {
  const connection = await pool.getConnection();
  try {
    await connection.query("set session foreign_key_checks = 0, unique_checks = 0");
    for (const statement of statements) await connection.query(statement);
  } finally {
    connection.release();
  }
}

/** The columns of a table but the one that counts by itself. */
async function columnsOf(table: string): Promise<string[]> {
  const [rows] = await pool.query<mysql.RowDataPacket[]>(
    "select column_name as name from information_schema.columns where table_schema = database() and table_name = ? and extra not like '%auto_increment%' order by ordinal_position",
    [table],
  );
  return rows.map(({ name }) => `\`${String(name)}\``);
}

/** A copy of a crew's rows of a table, with some columns as other expressions of `old`. */
async function copy(
  table: string,
  to: string,
  { from = DEMO, values = {} as Readonly<Record<string, string>>, where = "", tables = "" } = {},
): Promise<string> {
  const columns = await columnsOf(table);
  const given: Readonly<Record<string, string>> = { crew_id: `'${to}'`, ...values };
  const picked = columns.map((name) => given[name.slice(1, -1)] ?? `old.${name}`);
  return `insert into ${table} (${columns.join(", ")}) select ${picked.join(", ")} from ${tables} ${table} as old where old.crew_id = '${from}' ${where}`;
}

/** Signs one person up, so that all others have the hash of the same password. */
async function passwordHash(): Promise<string> {
  const scutch = await startServer({ databaseUrl, demo: false, more: { OPEN_SIGN_UP: "true" } });
  const answer = await fetch(`${scutch.address}/api/crews`, {
    method: "POST",
    headers: { origin: scutch.address, "content-type": "application/json" },
    body: JSON.stringify({ crew: "Model", name: "Model", email: "model@example.test", password: PASSWORD }),
  });
  await scutch.stop();
  if (!answer.ok) throw new Error(`A crew could not be started: ${await answer.text()}`);
  const [[row]] = await pool.query<mysql.RowDataPacket[]>("select password from accounts");
  return String(row?.password);
}

const hash = await passwordHash();
/** An owner for each crew. */
async function people(): Promise<void> {
  const numbers = Array.from({ length: CREWS }, (_, i) => i + 1);
  const insert = (into: string, row: (n: number) => readonly unknown[]) =>
    pool.query(`insert into ${into} values ?`, [numbers.map(row)]);
  await insert("crews (id, name)", (n) => [crewId(n), `Crew ${n}`]);
  await insert("users (id, name, email)", (n) => [ownerId(n), `Owner ${n}`, emailOf(n)]);
  await insert("accounts (id, user_id, account_id, provider_id, password)", (n) => [
    ownerId(n),
    ownerId(n),
    ownerId(n),
    "credential",
    hash,
  ]);
  await insert("members (crew_id, user_id, role)", (n) => [crewId(n), ownerId(n), "owner"]);
}

const SHELF = ["customers", "sites", "products", "vessels", "gear", "stock_lots", "stock_use"];

/** The first crew's jobs: the n-th is the demo's finished jobs in turn, on its own day. */
async function firstCrew(): Promise<void> {
  await run([`update crews as c join crews as demo on demo.id = '${DEMO}' set c.settings = demo.settings`]);
  for (const table of SHELF) await run([await copy(table, FIRST)]);
  const [models] = await pool.query<mysql.RowDataPacket[]>(
    "select job_id as id from log_facts where crew_id = ? order by job_id",
    [DEMO],
  );
  const pairs = `(select cast(seq as signed) as n, elt(1 + seq mod ${models.length}, ${models.map(({ id }) => `'${id}'`).join(", ")}) as id from seq_0_to_${JOBS - 1}) as turn cross join`;
  const own = "concat('0193', lpad(hex(turn.n), 4, '0'), '-0000-7000-8";
  const day = `date_add(curdate(), interval (turn.n div ${JOBS_A_WEEK} - ${YEARS * 52 - AHEAD}) * 7 + turn.n mod 5 day)`;
  const renamed = (text: string) =>
    `replace(replace(${text}, '${JOB_ID}', lower(${own}400-'))), '${ENTRY_ID}', lower(${own}700-')))`;
  const shifted = `date_add(timestamp(${day}), interval time_to_sec(time(old.at)) second)`;
  const stamp = `date_format(${shifted}, '%Y-%m-%dT%H:%i:%s.000Z')`;
  const isDone = `${day} < curdate()`;
  const ofJob = { tables: pairs, where: "and old.job_id = turn.id" };
  await run([
    await copy("jobs", FIRST, {
      tables: pairs,
      where: "and old.id = turn.id",
      values: {
        id: renamed("old.id"),
        day,
        title: "concat(old.title, ' ', turn.n)",
        plan: `json_set(${renamed("old.plan")}, '$.day', cast(${day} as char), '$.title', concat(old.title, ' ', turn.n))`,
        saves: "null",
      },
    }),
    await copy("log_entries", FIRST, {
      ...ofJob,
      where: `${ofJob.where} and ${isDone} order by turn.n, old.arrival`,
      values: {
        id: renamed("old.id"),
        job_id: renamed("old.job_id"),
        corrects: renamed("old.corrects"),
        at: shifted,
        entry: `json_set(${renamed("old.entry")}, '$.at', ${stamp})`,
        received_at: shifted,
        person_id: `'${ownerId(1)}'`,
      },
    }),
    await copy("log_facts", FIRST, {
      ...ofJob,
      where: `${ofJob.where} and ${isDone}`,
      values: { job_id: renamed("old.job_id"), finishes: renamed("old.finishes") },
    }),
    `insert into changes (crew_id, topic, seq) select crew_id, concat('job:', id), row_number() over (order by day, id) * 2 from jobs where crew_id = '${FIRST}'`,
    `insert into changes (crew_id, topic, seq) select f.crew_id, concat('log:', f.job_id), c.seq + 1 from log_facts as f join changes as c on c.crew_id = f.crew_id and c.topic = concat('job:', f.job_id) where f.crew_id = '${FIRST}'`,
    `insert into change_counters (crew_id, seq) select '${FIRST}', max(seq) from changes where crew_id = '${FIRST}'`,
    `insert into photos (crew_id, id, job_id, moment, taken_at, taken_by, width_px, height_px, bytes, sha256)
     select crew_id, concat(left(id, 19), '8a0', seq, substr(id, 24)), id, elt(seq, 'before', 'after'), timestamp(day), 'Owner', 1600, 1200, 280000, sha2(concat(id, seq), 256)
     from jobs cross join seq_1_to_${PHOTOS_A_JOB} where crew_id = '${FIRST}' and day < curdate()`,
  ]);
}

const COPIED = [...SHELF, "jobs", "log_entries", "log_facts", "changes", "change_counters", "photos"];

/** Marks say the last arrival of a job's log, which each crew has of its own. */
const MARKS = (crew: string) =>
  `update log_facts as f join (select job_id, max(arrival) as mark from log_entries where crew_id = '${crew}' group by job_id) as last on last.job_id = f.job_id set f.mark = last.mark where f.crew_id = '${crew}'`;

const began = performance.now();
await people();
await firstCrew();
await run([MARKS(FIRST)]);
let next = 2;
await Promise.all(
  Array.from({ length: AT_ONCE }, async () => {
    while (next <= CREWS) {
      const n = next++;
      const to = crewId(n);
      await run([
        ...(await Promise.all(
          COPIED.map((table) =>
            copy(table, to, {
              from: FIRST,
              ...(table === "log_entries"
                ? { where: "order by old.arrival", values: { person_id: `'${ownerId(n)}'` } }
                : {}),
            }),
          ),
        )),
        MARKS(to),
      ]);
      if (n % 50 === 0)
        console.log(`${n} of ${CREWS} crews, ${((performance.now() - began) / 60_000).toFixed(1)} min`);
    }
  }),
);
await run([`analyze table ${[...COPIED, "crews", "users", "members"].join(", ")}`]);
const [[counted]] = await pool.query<mysql.RowDataPacket[]>(
  "select (select count(*) from jobs) as jobs, (select count(*) from log_entries) as entries",
);
console.log(
  `${CREWS} crews, ${counted?.jobs} jobs, ${counted?.entries} log entries in ${((performance.now() - began) / 60_000).toFixed(1)} min`,
);
await pool.end();
process.exit();
