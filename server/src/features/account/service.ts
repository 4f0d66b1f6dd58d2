import {
  type AuditLine,
  type CrewId,
  type Device,
  type Invite,
  InviteId,
  MAX_MEMBERS,
  type Me,
  type Member,
  may,
  type PersonId,
  type Role,
  type SessionId,
} from "@scutch/contract";
import { v7 } from "uuid";
import type { Actor } from "../../actor.ts";
import type { Db, Transaction } from "../../db/connect.ts";
import { isDuplicate } from "../../db/driverErrors.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { ApiFailure, notFound } from "../../failures.ts";
import { noteChange } from "../change/service.ts";
import { allCrews, makeCrew, readCrew } from "../crew/service.ts";
import { hashOfCode, newInviteCode } from "./inviteCode.ts";
import {
  addAuditLine,
  addInvite,
  addMember,
  auditOf,
  countMembers,
  crewsOf,
  inviteByHash,
  lockMembers,
  membersOf,
  openInvites,
  removeInvite,
  removeMemberRow,
  removeSession,
  sessionsOf,
  setRole,
  useInvite,
} from "./store.ts";

/** For signing in and the demo. */
export {
  addAuditLine,
  anyAccount,
  countMembers,
  crewsOf,
  emailTaken,
  membersOf as listMembersOf,
  personByEmail,
  putMember,
  putPerson,
  removeEveryone,
  removePerson,
} from "./store.ts";

const DAY = 86_400_000;
/** How long an invite holds. */
const INVITE_DAYS = 7;
/** Invites that wait at once: more than a crew needs, fewer than a mischief would like. */
const MAX_INVITES = 50;
const MAX_AUDIT = 200;

const crewList = (rows: Awaited<ReturnType<typeof crewsOf>>): Me["crews"] =>
  rows.map(({ id, name, role }) => ({ id: id as CrewId, name, role }));

/** Who a person is to the crew they work for, and their other crews. */
export async function readMe(db: Db, { crewId, person, role, sessionId }: Actor): Promise<Me> {
  const isDemo = sessionId === undefined;
  const known = await readCrew(db, crewId);
  if (!known) throw notFound();
  const rows = isDemo ? [] : await crewsOf(db, person.id);
  const email = rows[0]?.email;
  return {
    person: { id: person.id, name: person.name, ...(email === undefined ? {} : { email }) },
    crew: known.crew,
    role,
    crews: isDemo ? [{ id: crewId, name: known.crew.name, role }] : crewList(rows),
    ...(isDemo ? { demo: true } : {}),
  };
}

/** Makes a crew whose first owner is a person that is there. */
export async function startCrewFor(
  db: Db,
  name: string,
  owner: { readonly id: string; readonly name: string },
  address?: string,
): Promise<CrewId> {
  const crewId = v7() as CrewId;
  await db.transaction(async (tx) => {
    await makeCrew(tx, crewId, name);
    await addMember(tx, crewId, owner.id, "owner");
    await addAuditLine(tx, { crewId, what: "crew-started", by: owner.name, ...(address ? { address } : {}) });
  });
  return crewId;
}

export async function listMembers(db: Db, { crewId, role }: Actor): Promise<Member[]> {
  const rows = await membersOf(db, crewId);
  return rows.map(({ id, name, role: theirs, email, since }) => ({
    id: id as PersonId,
    name,
    role: theirs,
    since: since.toISOString(),
    ...(may(role, "manage-crew") ? { email } : {}),
  }));
}

/** Changes the members of a crew so that an owner remains, also when two do so at once. Throws last-owner, or not-found. */
async function changeMember(
  db: Db,
  actor: Actor,
  personId: string,
  change: (tx: Transaction, was: Role) => Promise<void>,
  isOwnerAfter: boolean,
): Promise<void> {
  await retryTransaction(db, async (tx) => {
    const all = await lockMembers(tx, actor.crewId);
    const member = all.find(({ userId }) => userId === personId);
    if (!member) throw notFound();
    const owners = all.filter(({ role }) => role === "owner");
    if (member.role === "owner" && !isOwnerAfter && owners.length === 1) throw new ApiFailure("last-owner");
    await change(tx, member.role);
    // Of two owners who leave at once through two nodes of a cluster, locks on one hold nothing on the other: both write this row.
    await noteChange(tx, actor.crewId, "settings");
  });
}

const nameOf = async (db: Db | Transaction, crewId: string, personId: string) =>
  (await membersOf(db, crewId)).find(({ id }) => id === personId)?.name;

export async function changeRole(db: Db, actor: Actor, personId: PersonId, role: Role): Promise<void> {
  const { crewId, person } = actor;
  await changeMember(
    db,
    actor,
    personId,
    async (tx, was) => {
      if (was === role) return;
      await setRole(tx, crewId, personId, role);
      const about = await nameOf(tx, crewId, personId);
      await addAuditLine(tx, {
        crewId,
        what: "role-changed",
        by: person.name,
        role,
        ...(about ? { about } : {}),
      });
    },
    role === "owner",
  );
}

/** Takes a person out of the crew: oneself, or another. What they logged stays. */
export async function removeMember(db: Db, actor: Actor, personId: PersonId): Promise<void> {
  const { crewId, person } = actor;
  await changeMember(
    db,
    actor,
    personId,
    async (tx) => {
      const about = await nameOf(tx, crewId, personId);
      await removeMemberRow(tx, crewId, personId);
      await addAuditLine(tx, {
        crewId,
        what: personId === person.id ? "left" : "member-removed",
        by: person.name,
        ...(about ? { about } : {}),
      });
    },
    false,
  );
}

type InviteRow = Awaited<ReturnType<typeof openInvites>>[number];
const inviteFrom = ({ id, role, email, by, expiresAt }: InviteRow, now: Date): Invite => ({
  id: InviteId.parse(id),
  role,
  by,
  expiresAt: expiresAt.toISOString(),
  isLate: expiresAt <= now,
  ...(email === null ? {} : { email }),
});

export async function listInvites(db: Db, crewId: CrewId, now: Date): Promise<Invite[]> {
  return (await openInvites(db, crewId)).map((row) => inviteFrom(row, now));
}

/** A new invite and its code, which is nowhere kept as it is. Throws too-many where many wait already. */
export async function makeInvite(
  db: Db,
  { crewId, person }: Actor,
  { role, email }: { readonly role: Role; readonly email?: string | undefined },
  now: Date,
): Promise<{ invite: Invite; code: string }> {
  const code = newInviteCode();
  const row = {
    crewId,
    id: v7(),
    codeHash: hashOfCode(code),
    role,
    email: email ?? null,
    by: person.name,
    expiresAt: new Date(now.getTime() + INVITE_DAYS * DAY),
    usedAt: null,
    createdAt: now,
  };
  await retryTransaction(db, async (tx) => {
    await lockMembers(tx, crewId);
    const waiting = (await openInvites(tx, crewId)).filter(({ expiresAt }) => expiresAt > now);
    if (waiting.length >= MAX_INVITES) throw new ApiFailure("too-many");
    await addInvite(tx, row);
    await addAuditLine(tx, {
      crewId,
      what: "invited",
      by: person.name,
      role,
      ...(email ? { about: email } : {}),
    });
  });
  return { invite: inviteFrom(row, now), code };
}

/** A crew that has nobody yet, and an invite for its first owner. */
export async function makeCrewWithInvite(
  db: Db,
  crewId: CrewId,
  name: string,
  now: Date,
): Promise<{ code: string }> {
  await makeCrew(db, crewId, name);
  const server = { id: crewId as string as PersonId, name: "The server" };
  const { code } = await makeInvite(db, { crewId, person: server, role: "owner" }, { role: "owner" }, now);
  return { code };
}

export async function listAllCrews(db: Db): Promise<{ name: string; owners: string[] }[]> {
  const crews = await allCrews(db);
  return Promise.all(
    crews.map(async ({ id, name }) => ({
      name,
      owners: (await membersOf(db, id)).filter(({ role }) => role === "owner").map(({ email }) => email),
    })),
  );
}

export async function withdrawInvite(db: Db, { crewId, person }: Actor, id: string): Promise<void> {
  if (!(await removeInvite(db, crewId, id))) throw notFound();
  await addAuditLine(db, { crewId, what: "invite-withdrawn", by: person.name });
}

/** The invite a code belongs to, while it may be used. Throws not-found. */
export async function findInvite(db: Db, code: string, now: Date) {
  const invite = await inviteByHash(db, hashOfCode(code), now);
  if (!invite) throw notFound();
  return invite;
}

/** Uses an invite up and makes the person a member; of two at once one is told not-found. Throws already-there for a member, crew-full where there is no room. */
export async function joinCrew(
  db: Db,
  code: string,
  person: { readonly id: string; readonly name: string },
  now: Date,
): Promise<CrewId> {
  const invite = await findInvite(db, code, now);
  try {
    await db.transaction(async (tx) => {
      if (!(await useInvite(tx, invite.crewId, invite.id, now))) throw notFound();
      if ((await countMembers(tx, invite.crewId)) >= MAX_MEMBERS) throw new ApiFailure("crew-full");
      await addMember(tx, invite.crewId, person.id, invite.role);
      const about = { by: person.name, role: invite.role };
      await addAuditLine(tx, { crewId: invite.crewId as CrewId, what: "joined", ...about });
    });
  } catch (error) {
    if (isDuplicate(error)) throw new ApiFailure("already-there");
    throw error;
  }
  return invite.crewId as CrewId;
}

/** Where people are signed in: one's own devices, or for who manages the crew, everybody's. */
export async function listDevices(db: Db, actor: Actor, now: Date): Promise<Device[]> {
  const people = may(actor.role, "manage-crew")
    ? (await membersOf(db, actor.crewId)).map(({ id }) => id)
    : [actor.person.id];
  const rows = await sessionsOf(db, people, now);
  return rows.map(({ id, userId, name, userAgent, seenAt }) => ({
    id: id as SessionId,
    person: { id: userId as PersonId, name },
    what: (userAgent ?? "").slice(0, 300),
    seenAt: seenAt.toISOString(),
    isThis: id === actor.sessionId,
  }));
}

/** Signs a device out that {@link listDevices} shows to this person. Throws not-found for any other. */
export async function signOutDevice(db: Db, actor: Actor, id: SessionId, now: Date): Promise<void> {
  const device = (await listDevices(db, actor, now)).find((each) => each.id === id);
  if (!device) throw notFound();
  await removeSession(db, id);
  await addAuditLine(db, {
    crewId: actor.crewId,
    what: "device-signed-out",
    by: actor.person.name,
    about: device.person.name,
  });
}

export async function readAudit(db: Db, crewId: CrewId): Promise<AuditLine[]> {
  return (await auditOf(db, crewId, MAX_AUDIT)).map(({ at, what, by, about, role, address }) => ({
    at: at.toISOString(),
    what,
    ...(by === null ? {} : { by }),
    ...(about === null ? {} : { about }),
    ...(role === null ? {} : { role }),
    ...(address === null ? {} : { address }),
  }));
}
