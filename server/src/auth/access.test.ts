/**
 * Every route of the contract, as each role, signed out, and with another crew's ids. What is asked of a route is written once, by its
 * name: a new one doesn't compile without it.
 */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import {
  type Endpoint,
  type Endpoints,
  endpoints,
  type LogEntry,
  may,
  mayWrite,
  type RecordChange,
  ROLES,
  type Role,
  streams,
} from "@scutch/contract";
import { type Asked, requestOfEach } from "@scutch/contract/testing";
import type mysql from "mysql2/promise";
import sharp from "sharp";
import type { Test } from "supertest";
import { demoId } from "../demo/demoId.ts";
import { type SignInServer, startSignInServer } from "../testing/signInServer.ts";
import { AUTH_PATHS } from "./authRoutes.ts";

type Name = keyof Endpoints;
type Browser = Awaited<ReturnType<SignInServer["signIn"]>>;

let server: SignInServer;
const crewA = demoId("crew", 1);
const crewB = demoId("crew", 2);
const peopleA = {} as Record<Role, { id: string; browser: Browser; cookie: string }>;
const peopleB = {} as Record<Role, { id: string; browser: Browser; cookie: string }>;
let samples: Readonly<Record<Name, Asked>>;
let picture: Buffer;
const photoA = demoId("photo", 1);
/** In every text of crew A that another crew must not see. */
const MARK = "Only-for-A";

beforeAll(async () => {
  server = await startSignInServer({ demo: true });
  // The demo's work as an ordinary crew's, and a second crew with nothing.
  await server.pool.query("update crews set is_demo = false");
  await server.pool.query("insert into crews (id, name) values (?, 'B')", [crewB]);
  for (const table of ["customers", "sites", "products", "vessels", "gear"])
    await server.pool.query(
      table === "customers"
        ? `update customers set customer = json_set(customer, '$.note', '${MARK}')`
        : `update ${table} set name = concat(name, ' ${MARK}')`,
    );
  await server.pool.query(`update jobs set title = '${MARK}', plan = json_set(plan, '$.title', '${MARK}')`);
  await server.pool.query(`update crews set name = '${MARK}' where id = ?`, [crewA]);
  for (const role of ROLES) {
    peopleA[role] = await server.member(crewA, role, `${MARK} ${role}`);
    peopleB[role] = await server.member(crewB, role, `B ${role}`);
  }
  picture = await sharp({ create: { width: 8, height: 8, channels: 3, background: "red" } })
    .jpeg()
    .toBuffer();
  await peopleA.owner.browser
    .put(`/api/jobs/${demoId("job", 2)}/photos/${photoA}?moment=before&takenAt=2026-03-10T09:00:00Z`)
    .set("Content-Type", "image/jpeg")
    .send(picture)
    .expect(200);
  const owner = peopleA.owner.browser;
  samples = await requestOfEach(
    async (method, path, body) => (await owner[method](`/api${path}`).send(body).expect(200)).body,
    {
      crewId: crewA,
      jobId: demoId("job", 2),
      photoId: photoA,
      technicianId: peopleA.technician.id,
      traineeId: peopleA.trainee.id,
      newId: (n) => demoId("entry", 90_000 + n),
    },
  );
}, 120_000);
afterAll(() => server.stop());

const ALL = Object.entries(endpoints) as [Name, Endpoint][];
const GUARDED = ALL.filter(([, { needs }]) => needs !== "anyone");

/** One request of an endpoint; ids that are nowhere, where it is only asked whether it may be made. */
function ask(browser: Browser, name: Name, asked: Asked, crew?: string): Test {
  const endpoint = endpoints[name] as Endpoint;
  const path = endpoint.path.replaceAll(/\{(\w+)\}/g, (_, key: string) => asked.params?.[key] ?? "");
  const query = new URLSearchParams(asked.query).toString();
  const request = browser[endpoint.method](`/api${path}${query ? `?${query}` : ""}`);
  if (crew) request.set("x-scutch-crew", crew);
  if (endpoint.picture === "in") return request.set("Content-Type", "image/jpeg").send(picture);
  return asked.body ? request.send(asked.body) : request;
}

const nowhere = (asked: Asked): Asked => ({
  ...asked,
  ...(asked.body && "crew" in asked.body ? { body: { crew: crewB } } : {}),
  ...(asked.params
    ? { params: Object.fromEntries(Object.keys(asked.params).map((key) => [key, demoId("job", 99_999)])) }
    : {}),
});

const permits = (role: Role, { needs }: Pick<Endpoint, "needs">) =>
  needs === "anyone" || [needs].flat().some((permission) => may(role, permission as never));

let tried = 0;
afterAll(() => console.info(`${tried} requests were tried`));

describe.each(ROLES)("as %s", (role) => {
  test.each(GUARDED.map(([name]) => name))(
    "%s is answered or refused as the table of roles says",
    async (name) => {
      tried++;
      const { status, body } = await ask(peopleA[role].browser, name, nowhere(samples[name]));
      if (permits(role, endpoints[name])) {
        // Of what needs one of several permissions, the finer tests below say which.
        const mayRefuse = Array.isArray(endpoints[name].needs) ? [403] : [];
        expect([200, 404, 409, 422, ...mayRefuse]).toContain(status);
      } else {
        expect([status, body.error.code]).toEqual([403, "not-allowed"]);
      }
    },
  );

  test.each(Object.entries(streams))("%s is opened or refused", async (_, stream) => {
    tried++;
    const path = `/api${stream.path}?room=x&logger=x&from=2026-03-10T09:00:00Z`;
    const { cookie } = peopleA[role];
    const given = new AbortController();
    const { status } = await fetch(server.origin + path, { headers: { cookie }, signal: given.signal });
    given.abort();
    if (permits(role, stream)) expect([200, 422]).toContain(status);
    else expect(status).toBe(403);
  });

  test("things are changed kind by kind", async () => {
    const { browser } = peopleA[role];
    const { body: shelf } = await browser.get("/api/shelf").expect(200);
    const value = {
      product: samples.saveProduct.body,
      vessel: samples.saveVessel.body,
      gear: samples.saveGear.body,
      site: samples.saveSite.body,
      customer: { id: demoId("customer", 1), name: "New name" },
      lot: samples.saveLot.body,
    };
    const kinds = Object.keys(value) as Exclude<RecordChange["kind"], "settings">[];
    for (const kind of kinds) {
      tried++;
      const permission = kind === "site" || kind === "customer" ? "change-customers" : "change-van";
      const { status } = await browser.post("/api/records").send({ kind, value: value[kind] });
      expect([kind, status]).toEqual([kind, may(role, permission) ? 200 : 403]);
    }
    expect(shelf.customers.length > 0).toBe(may(role, "read-customers"));
    expect(JSON.stringify(shelf).includes("keySafe")).toBe(may(role, "read-key-safe"));
  });

  test("settings about money and others are changed by whom they are for", async () => {
    const { settings } = (await peopleA.owner.browser.get("/api/crew").expect(200)).body;
    const changes = [
      ["set-prices", { ...settings, prices: { furniture: 11 + ROLES.indexOf(role) } }],
      ["set-prices", { ...settings, currency: `C${ROLES.indexOf(role)}` }],
      ["set-crew", { ...settings, contact: `Call ${role}` }],
    ] as const;
    for (const [permission, value] of changes) {
      tried++;
      const body = { kind: "settings", base: settings, value };
      const { status } = await peopleA[role].browser.post("/api/records").send(body);
      expect([permission, status]).toEqual([permission, may(role, permission) ? 200 : 403]);
    }
    const seen = (await peopleA[role].browser.get("/api/crew")).body.settings;
    expect("priceBook" in seen).toBe(may(role, "read-money"));
  });

  test("entries are written and read by their area, and a correction by what it corrects", async () => {
    const jobId = demoId("job", 2);
    const at = "2026-03-10T09:00:00Z";
    const n = 91_000 + ROLES.indexOf(role) * 10;
    const by = (await peopleA[role].browser.get("/api/me")).body.person.name;
    const entry = (i: number, more: object) => ({ id: demoId("entry", n + i), at, ...more }) as LogEntry;
    const entries = [
      entry(1, { kind: "note", text: "x", by: "Another name" }),
      entry(2, { kind: "payment", amount: 100, paidBy: "cash" }),
      entry(3, { kind: "handed-over", name: "x" }),
      entry(4, { kind: "run-started" }),
      entry(5, { kind: "note", text: "from a file", by: "Its writer", importedBy: "anybody" }),
    ];
    for (const each of entries) {
      tried++;
      const { status } = await peopleA[role].browser.post(`/api/jobs/${jobId}/log`).send({ entries: [each] });
      expect([each.kind, status]).toEqual([each.kind, mayWrite(role, each.kind) ? 200 : 403]);
    }
    // Written by the owner, corrected by this role.
    const own = [
      entry(6, { kind: "note", text: "y" }),
      entry(7, { kind: "payment", amount: 5, paidBy: "card" }),
    ];
    await peopleA.owner.browser.post(`/api/jobs/${jobId}/log`).send({ entries: own }).expect(200);
    for (const [i, each] of own.entries()) {
      tried++;
      const correction = entry(8 + i, { kind: "correction", corrects: each.id, text: "no" });
      const { status } = await peopleA[role].browser
        .post(`/api/jobs/${jobId}/log`)
        .send({ entries: [correction] });
      expect(status).toBe(mayWrite(role, "correction", each.kind) ? 200 : 403);
    }
    const { body } = await peopleA[role].browser.get(`/api/jobs/${jobId}/log`).expect(200);
    const kinds = new Set(body.entries.map(({ kind }: LogEntry) => kind));
    expect([kinds.has("note"), kinds.has("payment"), body.total]).toEqual([
      may(role, "read-log"),
      may(role, "read-money"),
      body.entries.length,
    ]);
    const ids = new Set(body.entries.map(({ id }: LogEntry) => id));
    for (const each of body.entries) if (each.kind === "correction") expect(ids).toContain(each.corrects);
    const [note, , , , imported] = entries.map(({ id }) =>
      body.entries.find((each: LogEntry) => each.id === id),
    );
    if (mayWrite(role, "note")) {
      expect(note.by).toBe(by);
      expect(imported).toMatchObject({ by: "Its writer", importedBy: by });
    }
  });
});

test("the server confirms an owner's word, and removes a confirmation that another role sends", async () => {
  const jobId = demoId("job", 2);
  const said = (n: number) => ({
    id: demoId("entry", n),
    at: "2026-03-10T09:00:00Z",
    kind: "override",
    roomId: demoId("room", 6),
    productId: demoId("product", 1),
    owner: "Mira",
    reason: "x",
    confirmed: true,
  });
  const send = (role: Role, n: number) =>
    peopleA[role].browser
      .post(`/api/jobs/${jobId}/log`)
      .send({ entries: [said(n)] })
      .expect(200);
  await send("owner", 92_001);
  await send("technician", 92_002);
  const { body } = await peopleA.owner.browser.get(`/api/jobs/${jobId}/log`).expect(200);
  const confirmed = (n: number) =>
    body.entries.find((each: LogEntry) => each.id === demoId("entry", n)).confirmed;
  expect([confirmed(92_001), confirmed(92_002)]).toEqual([true, undefined]);
  // Sent again, it is the same entry.
  await send("owner", 92_001);
});

test("who only quotes changes a job's prices and nothing else of it", async () => {
  const jobId = demoId("job", 3);
  const { job, version } = (await peopleA.bookkeeper.browser.get(`/api/jobs/${jobId}`).expect(200)).body;
  const save = (changed: object) =>
    peopleA.bookkeeper.browser
      .put(`/api/jobs/${jobId}`)
      .send({ baseVersion: version, job: { ...job, ...changed } });
  await save({ title: "Another" }).expect(403);
  await save({ discount: { share: 0.1 } }).expect(200);
  const seen = (await peopleA.trainee.browser.get(`/api/jobs/${jobId}`).expect(200)).body.job;
  expect(seen.discount).toBeUndefined();
});

test("a key safe's code stays when somebody who can't see it changes the place", async () => {
  const { sites } = (await peopleA.owner.browser.get("/api/shelf").expect(200)).body;
  const site = { ...sites[0], keySafe: "4711" };
  await peopleA.owner.browser.put(`/api/sites/${site.id}`).send(site).expect(200);
  const { keySafe: _, ...seen } = site;
  const value = { ...seen, parking: "Behind the house" };
  for (const base of [undefined, seen])
    await peopleA.bookkeeper.browser.post("/api/records").send({ kind: "site", base, value }).expect(200);
  const after = (await peopleA.owner.browser.get("/api/shelf").expect(200)).body.sites;
  expect(after.find(({ id }: { id: string }) => id === site.id)).toMatchObject({
    keySafe: "4711",
    parking: "Behind the house",
  });
});

const unmarked = (asked: Asked): Asked => JSON.parse(JSON.stringify(asked).replaceAll(MARK, "Theirs"));

describe("from another crew", () => {
  /** Every row of crew A, and of its people's sign-ins. */
  async function rowsOfA(): Promise<string> {
    const [tables] = await server.pool.query<mysql.RowDataPacket[]>(
      "select table_name as t from information_schema.columns where table_schema = database() and column_name = 'crew_id'",
    );
    const rows: unknown[] = [];
    for (const { t } of tables) {
      const [found] = await server.pool.query(`select * from \`${t}\` where crew_id = ?`, [crewA]);
      rows.push([t, (found as object[]).map((row) => JSON.stringify(row)).sort()]);
    }
    const [people] = await server.pool.query(
      "select s.id, u.name, u.email from users u left join sessions s on s.user_id = u.id where u.name like ?",
      [`${MARK}%`],
    );
    return JSON.stringify([rows, (people as object[]).map((row) => JSON.stringify(row)).sort()]);
  }

  test("no route shows or changes anything of the first, whichever of its ids are sent, as any role", async () => {
    const before = await rowsOfA();
    expect(before).toContain(MARK);
    // Reads first: a thing saved under an id that the first crew uses too is the second crew's own from then on.
    const inTurn = GUARDED.toSorted(
      ([, a], [, b]) => Number(a.method !== "get") - Number(b.method !== "get"),
    );
    for (const [name, endpoint] of inTurn)
      for (const role of ROLES) {
        tried++;
        const { status, text } = await ask(peopleB[role].browser, name, unmarked(samples[name]));
        expect([name, role, text.includes(MARK)]).toEqual([name, role, false]);
        if (endpoint.params && endpoint.method === "get")
          expect([name, status === 200]).toEqual([name, false]);
      }
    expect(await rowsOfA()).toBe(before);
  });

  test("work that a device sends in the first crew's name is refused on every route", async () => {
    const before = await rowsOfA();
    for (const role of ROLES)
      for (const [name] of GUARDED) {
        tried++;
        const { status, body } = await ask(peopleB[role].browser, name, samples[name], crewA);
        expect([name, status, body.error?.code]).toEqual([name, 403, "wrong-crew"]);
      }
    for (const { path } of Object.values(streams)) {
      tried++;
      await peopleB.owner.browser.get(`/api${path}?crew=${crewA}`).expect(403);
    }
    expect(await rowsOfA()).toBe(before);
  });

  test("nobody signed out gets anything", async () => {
    const before = await rowsOfA();
    for (const [name] of GUARDED) {
      tried++;
      const { status, text } = await ask(server.browser(), name, samples[name]);
      expect([name, status, text.includes(MARK)]).toEqual([name, 401, false]);
    }
    for (const { path } of Object.values(streams)) await server.browser().get(`/api${path}`).expect(401);
    expect(await rowsOfA()).toBe(before);
  });
});

test("the server has no route beside the contract's, its streams, signing in, its health and its description", () => {
  interface Layer {
    readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
    readonly handle: { readonly stack?: readonly Layer[] };
  }
  const routesIn = (layers: readonly Layer[]): string[] =>
    layers.flatMap(({ route, handle }) =>
      route
        ? Object.keys(route.methods).map((method) => `${method} ${route.path}`)
        : routesIn(handle.stack ?? []),
    );
  const found = routesIn((server.app as unknown as { router: { stack: readonly Layer[] } }).router.stack);
  const expressPath = (path: string) => path.replaceAll(/\{(\w+)\}/g, ":$1");
  const known = [
    ...ALL.map(([, { method, path }]) => `${method} ${expressPath(path)}`),
    ...Object.values(streams).map(({ path }) => `get ${path}`),
    ...[
      "get /health",
      "get /health/live",
      "get /health/ready",
      "get /openapi.json",
      "get /docs",
      "get /docs/",
      "get /docs/open.js",
    ],
  ];
  expect(found.sort()).toEqual(known.sort());
  expect(AUTH_PATHS).toHaveLength(11);
});
