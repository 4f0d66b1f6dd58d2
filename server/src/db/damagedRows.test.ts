/** A damaged row hides no other: with wrong JSON in any column, everything is still listed and logs go on. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import type mysql from "mysql2/promise";
import { demoId } from "../demo/demoId.ts";
import { startTestServer, type TestServer } from "../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const JOB = demoId("job", 2);
const LISTS = [
  "/crew",
  "/shelf",
  "/stock",
  "/jobs",
  `/jobs/${JOB}/log`,
  "/crew/data",
  "/visits?today=2026-03-10",
];
const FIRST = 73_000;
const WRONG = ["{}", "[]", '"x"', "null"];

test("every list is answered with as many rows as before, whichever column is damaged", async () => {
  const { pool, api } = server;
  const rows = async (query: string, values: unknown[] = []) =>
    (await pool.query<mysql.RowDataPacket[]>(query, values))[0];
  const countsOf = async () => {
    const counts: Record<string, number> = {};
    for (const path of LISTS) {
      const { body } = await api.get(`/api${path}`).expect(200);
      for (const [name, list] of Object.entries(body))
        if (Array.isArray(list)) counts[`${path} ${name}`] = list.length;
    }
    return counts;
  };
  const columns = await rows(
    "select table_name as t, column_name as c from information_schema.check_constraints join information_schema.columns using (table_name) where constraint_schema = database() and table_schema = database() and check_clause = concat('json_valid(`', column_name, '`)')",
  );
  expect(columns.length).toBeGreaterThan(10);
  /** Without the job's log, which grows with each round, and without the jobs in the crew's file, which lists damaged ones apart. */
  const others = async () => {
    const {
      [`/jobs/${JOB}/log entries`]: log,
      "/crew/data jobs": _j,
      "/crew/data unreadable": _u,
      ...rest
    } = await countsOf();
    return { log, rest };
  };
  const before = await others();
  let n = FIRST;
  for (const { t, c } of columns) {
    const key = t === "log_facts" ? "job_id" : "id";
    const ofJob = t === "jobs" ? ` where id = '${JOB}'` : /^log_/.test(t) ? ` where job_id = '${JOB}'` : "";
    const [row] = await rows(`select ${key} as k, cast(${c} as char) as v from ${t}${ofJob} limit 1`);
    for (const wrong of WRONG) {
      const [set] = await pool.query<mysql.ResultSetHeader>(`update ${t} set ${c} = ? where ${key} = ?`, [
        wrong,
        row?.k,
      ]);
      expect([t, set.affectedRows]).toEqual([t, 1]);
      const now = await others();
      expect([t, c, wrong, now.rest]).toMatchObject([t, c, wrong, before.rest]);
      expect(now.log).toBe((before.log ?? 0) + n - FIRST);
      const entry = { id: demoId("entry", n++), at: "2026-03-10T09:00:00.000Z", kind: "note", text: "Still" };
      await api
        .post(`/api/jobs/${JOB}/log`)
        .send({ entries: [entry] })
        .expect(200);
    }
    await pool.query(`update ${t} set ${c} = ? where ${key} = ?`, [row?.v, row?.k]);
  }
  // Of an entry with nothing left its id, time and kind are answered.
  const [entry] = await rows("select id, kind from log_entries where job_id = ? and kind = 'note' limit 1", [
    JOB,
  ]);
  await pool.query("update log_entries set entry = '{}' where id = ?", [entry?.id]);
  const { body } = await api.get(`/api/jobs/${JOB}/log`).expect(200);
  expect(body.entries.find(({ id }: { id: string }) => id === entry?.id)).toEqual({
    id: entry?.id,
    kind: "note",
    at: expect.any(String),
  });
}, 120_000);

test("an entry that used something up and is damaged keeps no other from being logged, and is not its own twin", async () => {
  const { pool, api } = server;
  const { products } = (await api.get("/api/shelf").expect(200)).body;
  const at = "2026-03-10T09:00:00.000Z";
  const used = (i: number) => ({
    id: demoId("entry", 74_000 + i),
    at,
    kind: "product-used",
    productId: products[0].id,
    amount: 1e-3,
  });
  const send = (entry: object) => api.post(`/api/jobs/${JOB}/log`).send({ entries: [entry] });
  for (const [i, wrong] of WRONG.entries()) {
    await send(used(2 * i)).expect(200);
    await pool.query("update log_entries set entry = ? where id = ?", [wrong, used(2 * i).id]);
    await send(used(2 * i + 1)).expect(200);
    expect((await send(used(2 * i)).expect(409)).body.error.code).toBe("entry-differs");
    await send({
      id: demoId("entry", 74_100 + i),
      at,
      kind: "correction",
      corrects: used(2 * i).id,
      reason: "x",
    });
  }
});
