import { endpoints, type Me, type PersonId } from "@scutch/contract";
import { fromNodeHeaders } from "better-auth/node";
import type { Request, Response, Router } from "express";
import type { Db } from "../db/connect.ts";
import { ApiFailure } from "../failures.ts";
import {
  emailTaken,
  findInvite,
  joinCrew,
  readMe,
  removePerson,
  startCrewFor,
} from "../features/account/service.ts";
import { mountOpen } from "../http/mount.ts";
import type { Accounts } from "./accounts.ts";
import { DEMO_COOKIE, type DemoDoor } from "./demoDoor.ts";
import type { SignInGuard } from "./signInGuard.ts";

/** All that getting in goes by. */
export interface Door {
  readonly accounts: Accounts;
  readonly guard: SignInGuard;
  /** Absent: there is no demo here. */
  readonly demo?: DemoDoor;
  /** Whether anybody may start a crew; else that takes a command on the server. */
  readonly canStart: boolean;
  /** The name passkeys belong to; absent: there are none. */
  readonly passkeysFor?: string | undefined;
  readonly hasMail: boolean;
}

interface NewPerson {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** Getting in without being signed in: starting a crew, and joining one with an invite. */
export function doorRoutes(router: Router, db: Db, door: Door): void {
  const { accounts, guard, demo, canStart, passkeysFor, hasMail } = door;
  const isDemoOpen = async () => (await demo?.isOpen()) === true;

  /** Makes an account, does the work for it, and signs it in; where the work fails there is no account left. */
  const asNewPerson = async <T>(
    person: NewPerson,
    request: Request,
    response: Response,
    work: (made: { readonly id: PersonId; readonly name: string }) => Promise<T>,
  ): Promise<T> => {
    if (await emailTaken(db, person.email)) throw new ApiFailure("already-there");
    const answer = await accounts.api.signUpEmail({
      body: { name: person.name, email: person.email, password: person.password },
      headers: fromNodeHeaders(request.headers),
      asResponse: true,
    });
    const made = (await answer.json()) as { readonly user?: { readonly id: PersonId } };
    if (!answer.ok || !made.user) throw new ApiFailure("already-there");
    try {
      const done = await work({ id: made.user.id, name: person.name });
      for (const cookie of answer.headers.getSetCookie()) response.append("Set-Cookie", cookie);
      return done;
    } catch (error) {
      await removePerson(db, made.user.id);
      throw error;
    }
  };

  mountOpen(router, endpoints.readDoor, async (_call, request) => {
    const isDemo = await isDemoOpen();
    return {
      demo: isDemo,
      start: canStart || isDemo,
      passkeys: request.hostname === passkeysFor,
      mail: hasMail,
    };
  });
  mountOpen(router, endpoints.chooseDemoRole, async ({ body }, _request, response) => {
    if (!(await isDemoOpen())) throw new ApiFailure("not-allowed");
    response.cookie(DEMO_COOKIE, body.role, { httpOnly: true, sameSite: "lax" });
    return { done: true as const };
  });
  mountOpen(router, endpoints.startCrew, async ({ body }, request, response) => {
    if (!canStart && !(await isDemoOpen())) throw new ApiFailure("not-allowed");
    await guard.count("joining", request.ip ?? "");
    const { crew, ...person } = body;
    return asNewPerson(person, request, response, async (owner): Promise<Me> => {
      const crewId = await startCrewFor(db, crew, owner, request.ip);
      return readMe(db, { crewId, person: owner, role: "owner", sessionId: "" });
    });
  });
  mountOpen(router, endpoints.readInvite, async ({ params }, request) => {
    await guard.count("codes", request.ip ?? "");
    const { crew, role, by } = await findInvite(db, params.code, new Date());
    return { crew, role, by };
  });
  mountOpen(router, endpoints.joinCrew, async ({ params, body }, request, response) => {
    await guard.count("joining", request.ip ?? "");
    const invite = await findInvite(db, params.code, new Date());
    const join = async (person: { readonly id: PersonId; readonly name: string }): Promise<Me> => {
      const crewId = await joinCrew(db, params.code, person, new Date());
      return readMe(db, { crewId, person, role: invite.role, sessionId: "" });
    };
    if (body.person) return asNewPerson(body.person, request, response, join);
    const session = await accounts.api.getSession({ headers: fromNodeHeaders(request.headers) });
    if (!session) throw new ApiFailure("signed-out");
    return join({ id: session.user.id as PersonId, name: session.user.name });
  });
}
