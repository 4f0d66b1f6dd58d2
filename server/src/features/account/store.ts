import type { AuditLine, CrewId, PersonId, Role } from "@scutch/contract";
import { and, asc, count, desc, eq, gt, inArray, isNull, notExists, sql } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { crews } from "../crew/table.ts";
import { accounts, auditLines, invites, members, sessions, users } from "./table.ts";

/** The crews a person belongs to, the one joined first in front; the demo is nobody's by account. */
export async function crewsOf(db: Db | Transaction, userId: string) {
  return db
    .select({ id: crews.id, name: crews.name, role: members.role, person: users.name, email: users.email })
    .from(members)
    .innerJoin(crews, eq(crews.id, members.crewId))
    .innerJoin(users, eq(users.id, members.userId))
    .where(and(eq(members.userId, userId), eq(crews.isDemo, false)))
    .orderBy(asc(members.createdAt), asc(members.crewId));
}

export async function membersOf(db: Db | Transaction, crewId: string) {
  return db
    .select({
      id: users.id,
      name: users.name,
      email: users.email,
      role: members.role,
      since: members.createdAt,
    })
    .from(members)
    .innerJoin(users, eq(users.id, members.userId))
    .where(eq(members.crewId, crewId))
    .orderBy(asc(users.name), asc(users.id));
}

/** The members of a crew that nobody else changes until the transaction ends. */
export async function lockMembers(tx: Transaction, crewId: string) {
  // The crew's own row too: of a crew with no member yet there is nothing else to lock.
  await tx.select({ id: crews.id }).from(crews).where(eq(crews.id, crewId)).for("update");
  return tx
    .select({ userId: members.userId, role: members.role })
    .from(members)
    .where(eq(members.crewId, crewId))
    .for("update");
}

/** Takes everyone out of a crew, with its open invites; people who are in no other crew lose their account. Answers how many were in it. */
export async function removeEveryone(tx: Transaction, crewId: string): Promise<number> {
  const gone = await lockMembers(tx, crewId);
  await tx.delete(invites).where(eq(invites.crewId, crewId));
  await tx.delete(members).where(eq(members.crewId, crewId));
  const ids = gone.map(({ userId }) => userId);
  if (ids.length > 0)
    await tx
      .delete(users)
      .where(
        and(
          inArray(users.id, ids),
          notExists(sql`(select 1 from ${members} where ${members.userId} = ${users.id})`),
        ),
      );
  return gone.length;
}

export async function countMembers(db: Db | Transaction, crewId: string): Promise<number> {
  const [row] = await db.select({ count: count() }).from(members).where(eq(members.crewId, crewId));
  return row?.count ?? 0;
}

export async function addMember(db: Db | Transaction, crewId: string, userId: string, role: Role) {
  await db.insert(members).values({ crewId, userId, role });
}

const one = (crewId: string, userId: string) => and(eq(members.crewId, crewId), eq(members.userId, userId));

export async function setRole(tx: Transaction, crewId: string, userId: string, role: Role): Promise<void> {
  await tx.update(members).set({ role }).where(one(crewId, userId));
}

export async function removeMemberRow(tx: Transaction, crewId: string, userId: string): Promise<void> {
  await tx.delete(members).where(one(crewId, userId));
}

/** A person made without a way to sign in: the demo's. */
export async function putPerson(
  db: Db | Transaction,
  person: { readonly id: PersonId; readonly name: string; readonly email: string },
): Promise<void> {
  await db
    .insert(users)
    .values(person)
    .onDuplicateKeyUpdate({ set: { name: person.name } });
}

export async function putMember(db: Db | Transaction, crewId: string, userId: string, role: Role) {
  await db.insert(members).values({ crewId, userId, role }).onDuplicateKeyUpdate({ set: { role } });
}

export async function emailTaken(db: Db | Transaction, email: string): Promise<boolean> {
  const rows = await db.select({ id: users.id }).from(users).where(eq(users.email, email));
  return rows.length > 0;
}

/** Whether anybody here has an account. */
export async function anyAccount(db: Db): Promise<boolean> {
  const rows = await db.select({ id: accounts.id }).from(accounts).limit(1);
  return rows.length > 0;
}

export async function addInvite(tx: Db | Transaction, row: typeof invites.$inferInsert): Promise<void> {
  await tx.insert(invites).values(row);
}

const open = isNull(invites.usedAt);

export async function openInvites(db: Db | Transaction, crewId: string) {
  return db
    .select()
    .from(invites)
    .where(and(eq(invites.crewId, crewId), open))
    .orderBy(desc(invites.createdAt), asc(invites.id));
}

/** An invite that may still be used, with the crew it is for. */
export async function inviteByHash(db: Db | Transaction, codeHash: string, now: Date) {
  const [row] = await db
    .select({
      crewId: invites.crewId,
      id: invites.id,
      role: invites.role,
      by: invites.by,
      email: invites.email,
      crew: crews.name,
    })
    .from(invites)
    .innerJoin(crews, eq(crews.id, invites.crewId))
    .where(and(eq(invites.codeHash, codeHash), open, gt(invites.expiresAt, now)));
  return row;
}

/** Marks an invite as used; false where it was used already, or isn't there. */
export async function useInvite(tx: Transaction, crewId: string, id: string, now: Date): Promise<boolean> {
  const [{ affectedRows }] = await tx
    .update(invites)
    .set({ usedAt: now })
    .where(and(eq(invites.crewId, crewId), eq(invites.id, id), open, gt(invites.expiresAt, now)));
  return affectedRows > 0;
}

export async function removeInvite(db: Db | Transaction, crewId: string, id: string): Promise<boolean> {
  const [{ affectedRows }] = await db
    .delete(invites)
    .where(and(eq(invites.crewId, crewId), eq(invites.id, id), open));
  return affectedRows > 0;
}

/** Where some people are signed in, seen last in front. */
export async function sessionsOf(db: Db | Transaction, userIds: readonly string[], now: Date) {
  if (userIds.length === 0) return [];
  return db
    .select({
      id: sessions.id,
      userId: sessions.userId,
      name: users.name,
      userAgent: sessions.userAgent,
      seenAt: sessions.updatedAt,
    })
    .from(sessions)
    .innerJoin(users, eq(users.id, sessions.userId))
    .where(and(inArray(sessions.userId, [...userIds]), gt(sessions.expiresAt, now)))
    .orderBy(desc(sessions.updatedAt), asc(sessions.id));
}

export async function removeSession(db: Db | Transaction, id: string): Promise<void> {
  await db.delete(sessions).where(eq(sessions.id, id));
}

export async function removePerson(db: Db, userId: string): Promise<void> {
  await db.delete(users).where(eq(users.id, userId));
}

export async function addAuditLine(
  db: Db | Transaction,
  line: Omit<AuditLine, "at"> & { readonly crewId?: CrewId | undefined },
): Promise<void> {
  await db.insert(auditLines).values({
    crewId: line.crewId ?? null,
    what: line.what,
    by: line.by ?? null,
    about: line.about ?? null,
    role: line.role ?? null,
    address: line.address ?? null,
  });
}

export async function auditOf(db: Db, crewId: string, most: number) {
  return db
    .select()
    .from(auditLines)
    .where(eq(auditLines.crewId, crewId))
    .orderBy(desc(auditLines.id))
    .limit(most);
}

/** The person with a mail address. */
export async function personByEmail(db: Db, email: string): Promise<string | undefined> {
  const [row] = await db
    .select({ id: users.id })
    .from(users)
    .where(eq(sql`${users.email}`, email));
  return row?.id;
}
