import { mkdtemp, rm } from "node:fs/promises";
import http from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import type { CrewId, Role } from "@scutch/contract";
import pino from "pino";
import request from "supertest";
import { makeApp } from "../app.ts";
import { makeAccounts, passkeyName } from "../auth/accounts.ts";
import { actorOfSession } from "../auth/actorOf.ts";
import { DemoDoor } from "../auth/demoDoor.ts";
import { makeSignInGuard } from "../auth/signInGuard.ts";
import { fileBlobStore } from "../blobs/fileBlobStore.ts";
import { runMigrations } from "../db/migrate.ts";
import { ensureDemo } from "../demo/seed.ts";
import { putMember } from "../features/account/service.ts";
import { feedOf } from "../features/change/routes.ts";
import { PICTURES } from "../features/photo/extension.ts";
import { Mailbox } from "../mail/mailbox.ts";
import { freshDatabase } from "./database.ts";

export const PASSWORD = "a long enough password";

/** A whole server with sign-in on a port and a database of its own, with the demo where asked. */
export async function startSignInServer({
  demo = false,
  canStart = true,
}: {
  readonly demo?: boolean;
  readonly canStart?: boolean;
} = {}) {
  const { pool, db, url, drop } = await freshDatabase();
  await runMigrations(db);
  const photoDir = await mkdtemp(path.join(tmpdir(), "scutch-photos-"));
  const blobs = fileBlobStore(photoDir, PICTURES);
  const demoCrew = demo
    ? await ensureDemo(db, { reset: false, blobs, now: new Date("2026-03-10T13:00:00Z") })
    : undefined;
  const server = http.createServer();
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const origins = [origin, origin.replace("127.0.0.1", "localhost")] as const;
  const mailbox = new Mailbox();
  const guard = makeSignInGuard(pool, url);
  const secret = "a secret for tests, thirty-two or more";
  const accounts = makeAccounts({ db, secret, origins, mailer: mailbox, guard });
  const demoDoor = new DemoDoor(db);
  const feed = feedOf(db);
  const app = makeApp({
    db,
    blobs,
    feed,
    origins,
    mailer: mailbox,
    mailbox,
    log: pino({ level: "silent" }),
    actorOf: actorOfSession(db, accounts, demoDoor),
    door: {
      accounts,
      guard,
      demo: demoDoor,
      canStart,
      passkeysFor: passkeyName(origins),
      hasMail: true,
    },
  });
  server.on("request", app);

  /** A browser of its own: keeps its cookies and says where its page is from. */
  const browser = () => request.agent(origin).set("Origin", origin);
  const signIn = async (email: string, password = PASSWORD) => {
    const own = browser();
    await own.post("/api/auth/sign-in/email").send({ email, password }).expect(200);
    return own;
  };
  /** The same, with the cookie for requests that a browser makes by itself. */
  const withCookie = async (email: string) => {
    const own = browser();
    const { headers } = await own
      .post("/api/auth/sign-in/email")
      .send({ email, password: PASSWORD })
      .expect(200);
    const [cookie] = headers["set-cookie"] as unknown as [string];
    return { browser: own, cookie: cookie.split(";")[0] as string };
  };
  let people = 0;
  return {
    db,
    pool,
    blobs,
    app,
    origin,
    mailbox,
    demoCrew,
    photoDir,
    browser,
    signIn,
    withCookie,
    /** A new person in a crew, signed in. */
    async member(crewId: CrewId, role: Role, name = `${role} ${++people}`) {
      const email = `${name.replaceAll(" ", ".")}@example.test`;
      const { user } = await accounts.api.signUpEmail({ body: { name, email, password: PASSWORD } });
      // Signing up signs in, on a device that isn't one here.
      await pool.query("delete from sessions where user_id = ?", [user.id]);
      await putMember(db, crewId, user.id, role);
      const signedIn = await withCookie(email);
      return { id: user.id, email, name, ...signedIn };
    },
    async stop() {
      feed.end();
      await new Promise((resolve) => {
        server.close(resolve);
        server.closeAllConnections();
      });
      await rm(photoDir, { recursive: true });
      await drop();
    },
  };
}

export type SignInServer = Awaited<ReturnType<typeof startSignInServer>>;
