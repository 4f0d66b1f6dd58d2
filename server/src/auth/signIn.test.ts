/** Getting in and out: crews, invites, passwords, lost phones; by HTTP, with a browser's cookies. */

import { connect } from "node:net";
import { afterAll, beforeAll, beforeEach, describe, expect, test } from "@jest/globals";
import { type Endpoint, endpoints, MAX_PHOTO_BYTES } from "@scutch/contract";
import type mysql from "mysql2/promise";
import { PASSWORD, type SignInServer, startSignInServer } from "../testing/signInServer.ts";
import { AUTH_PATHS } from "./authRoutes.ts";

let server: SignInServer;
beforeAll(async () => {
  server = await startSignInServer();
});
afterAll(() => server.stop());
/** All of these tests come from one address, which is as good as a flood. */
beforeEach(async () => {
  await server.pool.query("delete from tries");
  await server.pool.query("delete from auth_rate_limits");
});

let count = 0;
const newPerson = () => {
  count++;
  return { name: `Person ${count}`, email: `person${count}@example.test`, password: PASSWORD };
};
const newOwner = async (crew = "Two Rivers") => {
  const browser = server.browser();
  const person = newPerson();
  const { body } = await browser
    .post("/api/crews")
    .send({ crew, ...person })
    .expect(200);
  return { browser, person, me: body };
};

describe("a crew", () => {
  test("is started by its first owner, who is signed in and owns nothing else", async () => {
    const { browser, me } = await newOwner();
    const { body } = await browser.get("/api/me").expect(200);
    expect(body).toEqual(me);
    expect(body).toMatchObject({ role: "owner", crew: { name: "Two Rivers" } });
    expect((await browser.get("/api/jobs").expect(200)).body.jobs).toEqual([]);
  });
});

describe("an invite", () => {
  const invite = async (owner: Awaited<ReturnType<typeof newOwner>>, role = "technician", email?: string) => {
    const { body } = await owner.browser.post("/api/crew/invites").send({ role, email }).expect(200);
    return body.code as string;
  };

  test("brings a new person in with its role, and works once, however the code is typed", async () => {
    const owner = await newOwner();
    const code = await invite(owner, "trainee");
    const typed = code.toLowerCase().replaceAll("-", "");
    const browser = server.browser();
    const { body: what } = await browser.get(`/api/invites/${typed}`).expect(200);
    expect(what).toEqual({ crew: "Two Rivers", role: "trainee", by: owner.person.name });
    const person = newPerson();
    const { body: me } = await browser.post(`/api/invites/${typed}/join`).send({ person }).expect(200);
    expect(me).toMatchObject({ role: "trainee", crew: owner.me.crew });
    await server.browser().get(`/api/invites/${code}`).expect(404);
    await server.browser().post(`/api/invites/${code}/join`).send({ person: newPerson() }).expect(404);
  });

  test("of two who use it at once lets one in and leaves no account of the other", async () => {
    const owner = await newOwner();
    const code = await invite(owner);
    const people = [newPerson(), newPerson(), newPerson()];
    const answers = await Promise.all(
      people.map((person) => server.browser().post(`/api/invites/${code}/join`).send({ person })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 404, 404]);
    const [rows] = await server.pool.query<mysql.RowDataPacket[]>(
      "select email from users where email in (?)",
      [people.map(({ email }) => email)],
    );
    expect(rows).toHaveLength(1);
    expect((await owner.browser.get("/api/crew/members")).body.members).toHaveLength(2);
  });

  test("brings a person who has an account into a second crew, which never shows the first's work", async () => {
    const [first, second] = [await newOwner("North"), await newOwner("South")];
    const code = await invite(second, "technician");
    const { body } = await first.browser.post(`/api/invites/${code}/join`).send({}).expect(200);
    expect(body.crews).toHaveLength(2);
    await first.browser
      .post(`/api/invites/${await invite(second)}/join`)
      .send({})
      .expect(409);
    const inSecond = await first.browser.get("/api/crew").set("x-scutch-crew", second.me.crew.id);
    expect(inSecond.body).toMatchObject({ crew: { name: "South" }, role: "technician" });
    expect((await first.browser.get("/api/crew")).body).toMatchObject({
      crew: { name: "North" },
      role: "owner",
    });
  });

  test("too old, withdrawn or made up is not found, and an address already known is told so", async () => {
    const owner = await newOwner();
    const late = await invite(owner);
    await server.pool.query(
      "update invites set expires_at = now(3) - interval 1 second where used_at is null",
    );
    await server.browser().post(`/api/invites/${late}/join`).send({ person: newPerson() }).expect(404);
    const withdrawn = await invite(owner);
    const { body } = await owner.browser.get("/api/crew/invites").expect(200);
    for (const { id } of body.invites) await owner.browser.delete(`/api/crew/invites/${id}`).expect(200);
    await server.browser().get(`/api/invites/${withdrawn}`).expect(404);
    await server.browser().get("/api/invites/ABCD-EFGH-JKLM").expect(404);
    await server.browser().get("/api/invites/zero-one").expect(422);
    const twice = { person: { ...newPerson(), email: owner.person.email } };
    await server
      .browser()
      .post(`/api/invites/${await invite(owner)}/join`)
      .send(twice)
      .expect(409);
  });

  test("with an address is mailed there, and its owner alone sees the stand-in's mailbox", async () => {
    const owner = await newOwner();
    const code = await invite(owner, "bookkeeper", "ledger@example.test");
    const { body } = await owner.browser.get("/api/crew/mailbox").expect(200);
    expect(body.mails[0]).toMatchObject({ to: "ledger@example.test" });
    expect(body.mails[0].text).toContain(code);
    expect((await (await newOwner()).browser.get("/api/crew/mailbox").expect(200)).body.mails).toEqual([]);
  });
});

describe("the last owner", () => {
  test("can neither leave nor become something else; of two who leave at once one stays", async () => {
    for (let round = 0; round < 5; round++) {
      const owner = await newOwner();
      const crew = owner.me.crew.id;
      await owner.browser.post("/api/crew/leave").send({ crew }).expect(409);
      await owner.browser
        .put(`/api/crew/members/${owner.me.person.id}`)
        .send({ role: "trainee" })
        .expect(409);
      const other = await server.member(crew, "owner", `Second ${count}-${round}`);
      const answers = await Promise.all([
        owner.browser.post("/api/crew/leave").send({ crew }),
        other.browser.delete(`/api/crew/members/${other.id}`),
      ]);
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    }
  });
});

describe("a lost phone", () => {
  test("is signed out by its person or by the owner, at once, and nobody else's is", async () => {
    const owner = await newOwner();
    const tech = await server.member(owner.me.crew.id, "technician");
    const lost = await server.signIn(tech.email);
    const stranger = await newOwner();
    const { body } = await owner.browser.get("/api/crew/devices").expect(200);
    const own = (await lost.get("/api/crew/devices").expect(200)).body.devices;
    expect(own.map((device: { person: { id: string } }) => device.person.id)).toEqual([tech.id, tech.id]);
    expect(body.devices).toHaveLength(3);
    const id = own.find((device: { isThis: boolean }) => device.isThis).id;
    await stranger.browser.delete(`/api/crew/devices/${id}`).expect(404);
    await lost.get("/api/jobs").expect(200);
    await owner.browser.delete(`/api/crew/devices/${id}`).expect(200);
    await lost.get("/api/jobs").expect(401);
    await tech.browser.get("/api/jobs").expect(200);
  });

  test("ends the event stream it had open", async () => {
    const owner = await newOwner();
    const tech = await server.member(owner.me.crew.id, "technician");
    const { cookie } = tech;
    const stream = await fetch(`${server.origin}/api/events`, { headers: { cookie } });
    const reader = (stream.body as ReadableStream<Uint8Array>).getReader();
    await reader.read();
    await owner.browser.delete(`/api/crew/members/${tech.id}`).expect(200);
    const limit = AbortSignal.timeout(5000);
    for (let done = false; !done; ) {
      expect(limit.aborted).toBe(false);
      ({ done } = await reader.read());
    }
    expect((await fetch(`${server.origin}/api/events`, { headers: { cookie } })).status).toBe(401);
  });
});

describe("a password", () => {
  const wrong = (email: string, password = "not the password") =>
    server.browser().post("/api/auth/sign-in/email").send({ email, password });

  test("guessed at five times has to wait, longer each time, and so does the right one meanwhile", async () => {
    const { person } = await newOwner();
    for (let i = 0; i < 5; i++) await wrong(person.email).expect(401);
    const first = await wrong(person.email, PASSWORD).expect(429);
    expect(Number(first.headers["retry-after"])).toBeGreaterThan(20);
    await server.pool.query("delete from tries where `key` like 'wait%'");
    await wrong(person.email).expect(401);
    const second = await wrong(person.email).expect(429);
    expect(Number(second.headers["retry-after"])).toBeGreaterThan(Number(first.headers["retry-after"]) + 20);
    // Another person is not held up by it.
    await server.signIn((await newOwner()).person.email);
    await server.pool.query("delete from tries where `key` like 'wait%'");
    await server.signIn(person.email);
    expect((await (await newOwner()).browser.get("/api/crew/audit")).body.lines).toHaveLength(1);
  });

  test("is kept as Argon2id with its own salt, and no answer carries it", async () => {
    const { person, browser } = await newOwner();
    const [rows] = await server.pool.query<mysql.RowDataPacket[]>("select password from accounts");
    for (const { password } of rows) expect(password).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(new Set(rows.map(({ password }) => password)).size).toBe(rows.length);
    for (const path of ["/api/me", "/api/crew/members", "/api/crew/devices", "/api/crew/audit"])
      expect((await browser.get(path)).text).not.toMatch(/argon2|password"/);
    expect(person.password).toBe(PASSWORD);
  });

  test("is set anew by the link in a mail, once, and every device is signed out then", async () => {
    const { person, browser } = await newOwner();
    await server.browser().post("/api/auth/request-password-reset").send({ email: person.email }).expect(200);
    await server
      .browser()
      .post("/api/auth/request-password-reset")
      .send({ email: "nobody@example.test" })
      .expect(200);
    const { body } = await browser.get("/api/crew/mailbox").expect(200);
    const token = /new-password#(\S+)/.exec(body.mails[0].text)?.[1];
    const reset = { token, newPassword: "another long password" };
    await server.browser().post("/api/auth/reset-password").send(reset).expect(200);
    await browser.get("/api/me").expect(401);
    await wrong(person.email, PASSWORD).expect(401);
    await server.signIn(person.email, reset.newPassword);
    await server.browser().post("/api/auth/reset-password").send(reset).expect(400);
  });

  test("too short is refused before an account is made, and so is a flood of new crews", async () => {
    const short = { crew: "Short", ...newPerson(), password: "short" };
    const { body } = await server.browser().post("/api/crews").send(short).expect(422);
    expect(body.error.faults).toEqual([{ path: ["password"], code: "too-small", limit: 10 }]);
    const statuses: number[] = [];
    for (let i = 0; i < 14; i++)
      statuses.push(
        (
          await server
            .browser()
            .post("/api/crews")
            .send({ crew: "Flood", ...newPerson() })
        ).status,
      );
    expect(statuses.filter((status) => status === 200)).toHaveLength(10);
    expect(statuses.slice(-4)).toEqual([429, 429, 429, 429]);
  });
});

describe("a session", () => {
  test("has a cookie no script reads and no other site sends, a new one at each sign-in, and ends at sign-out", async () => {
    const { person } = await newOwner();
    const cookies = async () => {
      const answer = await server
        .browser()
        .post("/api/auth/sign-in/email")
        .send({ email: person.email, password: PASSWORD });
      return answer.headers["set-cookie"] as unknown as string[];
    };
    const [first, second] = [await cookies(), await cookies()];
    expect(first[0]).toMatch(/^scutch\.session_token=.*HttpOnly.*SameSite=Lax/);
    expect(first[0]).not.toBe(second[0]);
    const browser = await server.signIn(person.email);
    await browser.post("/api/auth/sign-out").send({}).expect(200);
    await browser.get("/api/me").expect(401);
  });

  test("isn't used by a page from elsewhere, nor through an address of the account library that isn't meant to be there", async () => {
    const { browser } = await newOwner();
    await browser
      .post("/api/crew/invites")
      .set("Origin", "https://evil.example")
      .send({ role: "owner" })
      .expect(403);
    await browser
      .post("/api/crew/invites")
      .set("Sec-Fetch-Site", "cross-site")
      .send({ role: "owner" })
      .expect(403);
    for (const path of [
      "/sign-up/email",
      "/update-user",
      "/delete-user",
      "/change-email",
      "/revoke-sessions",
      "/ok",
    ])
      await browser.post(`/api/auth${path}`).send({ name: "x" }).expect(404);
    await browser.get("/api/auth/list-sessions").expect(404);
  });
});

test("no address takes a body larger than it has use for, signed in or not", async () => {
  const { cookie } = await server.withCookie((await newOwner()).person.email);
  const known = Object.values(endpoints as Readonly<Record<string, Endpoint>>)
    .filter(({ method }) => method !== "get")
    .map(({ method, path }) => [method, path.replaceAll(/\{\w+\}/g, "01930000-0000-7000-8000-000000000001")]);
  const ofLibrary = AUTH_PATHS.filter((each) => each.startsWith("POST ")).map((each) => [
    "post",
    `/auth${each.slice("POST ".length)}`,
  ]);
  const large = Buffer.alloc(MAX_PHOTO_BYTES + 1, " ");
  for (const [method, path] of [...known, ...ofLibrary] as [string, string][]) {
    const type = path.includes("/photos/") && method === "put" ? "image/jpeg" : "application/json";
    const facts = type === "image/jpeg" ? "?moment=before&takenAt=2026-03-10T09:00:00Z" : "";
    const { status } = await fetch(`${server.origin}/api${path}${facts}`, {
      method: method.toUpperCase(),
      headers: { cookie, origin: server.origin, "content-type": type },
      body: large,
    });
    expect([path, status]).toEqual([path, 413]);
  }
}, 60_000);

test("a body without an end is cut off at once, wherever it is sent", async () => {
  const { hostname, port } = new URL(server.origin);
  for (const path of ["/api/auth/sign-in/email", "/api/records", "/api/jobs/x/photos/y", "/"]) {
    const socket = connect(Number(port), hostname);
    let answer = "";
    socket.on("data", (text) => {
      answer += text;
    });
    socket.on("error", () => undefined); // written to after it was cut
    const closed = new Promise<string>((resolve) => socket.once("close", () => resolve(answer)));
    socket.write(
      `PUT ${path} HTTP/1.1\r\nHost: ${hostname}:${port}\r\nOrigin: ${server.origin}\r\nContent-Type: image/jpeg\r\nTransfer-Encoding: chunked\r\n\r\n`,
    );
    const sending = setInterval(() => socket.write(`1000\r\n${"x".repeat(0x1000)}\r\n`), 5);
    try {
      expect(await closed).toMatch(/^HTTP\/1.1 413 /);
    } finally {
      clearInterval(sending);
      socket.destroy();
    }
  }
}, 20_000);

test("what was done about accounts can be read by the owner, with who and about whom", async () => {
  const owner = await newOwner();
  const tech = await server.member(owner.me.crew.id, "technician", "Audited");
  await owner.browser.put(`/api/crew/members/${tech.id}`).send({ role: "trainee" }).expect(200);
  const { body } = await owner.browser.get("/api/crew/audit").expect(200);
  expect(
    body.lines.map(({ what, by, about, role }: Record<string, string>) => [what, by, about, role]),
  ).toEqual([
    ["role-changed", owner.person.name, "Audited", "trainee"],
    ["signed-in", "Audited", undefined, undefined],
    ["crew-started", owner.person.name, undefined, undefined],
  ]);
});

describe("the demo", () => {
  let demo: SignInServer;
  beforeAll(async () => {
    demo = await startSignInServer({ demo: true, canStart: false });
  });
  afterAll(() => demo.stop());

  test("opens without an account as its owner or another of its people, until a crew is started: then it is shut for good", async () => {
    const browser = demo.browser();
    expect((await browser.get("/api/door")).body).toMatchObject({ demo: true, start: true });
    expect((await browser.get("/api/me").expect(200)).body).toMatchObject({ role: "owner", demo: true });
    await browser.put("/api/demo/role").send({ role: "trainee" }).expect(200);
    expect((await browser.get("/api/me")).body).toMatchObject({
      role: "trainee",
      person: { name: "Tamsin" },
    });
    await browser.put("/api/demo/role").send({ role: "owner" }).expect(200);
    await browser.post("/api/crew/invites").send({ role: "owner" }).expect(403);
    const own = demo.browser();
    await own
      .post("/api/crews")
      .send({ crew: "Ours", ...newPerson() })
      .expect(200);
    await browser.get("/api/me").expect(401);
    expect((await browser.get("/api/door")).body).toMatchObject({ demo: false, start: false });
    await browser
      .post("/api/crews")
      .send({ crew: "Theirs", ...newPerson() })
      .expect(403);
    expect((await own.get("/api/crew")).body.crew.name).toBe("Ours");
  });
});
