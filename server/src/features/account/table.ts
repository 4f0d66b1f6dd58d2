import type { AuditLine, Role } from "@scutch/contract";
import { sql } from "drizzle-orm";
import {
  bigint,
  boolean,
  datetime,
  index,
  int,
  mysqlTable,
  primaryKey,
  text,
  unique,
  varchar,
} from "drizzle-orm/mysql-core";
import { uuid } from "../../db/columns.ts";
import { crews } from "../crew/table.ts";

const moment = (name: string) => datetime(name, { fsp: 3, mode: "date" });
const madeAt = () => moment("created_at").notNull().default(sql`(now(3))`);
const changedAt = () => moment("updated_at").notNull().default(sql`(now(3))`);

/** People, in any number of crews. The account library reads and writes this and the five tables after it by its own property names. */
export const users = mysqlTable("users", {
  id: uuid("id").primaryKey(),
  name: varchar("name", { length: 120 }).notNull(),
  email: varchar("email", { length: 190 }).notNull().unique(),
  emailVerified: boolean("email_verified").notNull().default(false),
  image: varchar("image", { length: 255 }),
  createdAt: madeAt(),
  updatedAt: changedAt(),
});

const ofUser = () =>
  uuid("user_id")
    .notNull()
    .references(() => users.id, { onDelete: "cascade" });

export const sessions = mysqlTable(
  "sessions",
  {
    id: uuid("id").primaryKey(),
    userId: ofUser(),
    token: varchar("token", { length: 64 }).notNull().unique(),
    expiresAt: moment("expires_at").notNull(),
    ipAddress: varchar("ip_address", { length: 64 }),
    userAgent: varchar("user_agent", { length: 512 }),
    createdAt: madeAt(),
    updatedAt: changedAt(),
  },
  (table) => [index("sessions_by_user").on(table.userId)],
);

/** How a person signs in: with a password, hashed. */
export const accounts = mysqlTable(
  "accounts",
  {
    id: uuid("id").primaryKey(),
    userId: ofUser(),
    accountId: varchar("account_id", { length: 190 }).notNull(),
    providerId: varchar("provider_id", { length: 60 }).notNull(),
    password: text("password"),
    accessToken: text("access_token"),
    refreshToken: text("refresh_token"),
    idToken: text("id_token"),
    accessTokenExpiresAt: moment("access_token_expires_at"),
    refreshTokenExpiresAt: moment("refresh_token_expires_at"),
    scope: text("scope"),
    createdAt: madeAt(),
    updatedAt: changedAt(),
  },
  (table) => [index("accounts_by_user").on(table.userId)],
);

/** What was sent out to come back once: links to set a new password, questions to a passkey. */
export const verifications = mysqlTable(
  "verifications",
  {
    id: uuid("id").primaryKey(),
    identifier: varchar("identifier", { length: 190 }).notNull(),
    value: text("value").notNull(),
    expiresAt: moment("expires_at").notNull(),
    createdAt: madeAt(),
    updatedAt: changedAt(),
  },
  (table) => [index("verifications_by_identifier").on(table.identifier)],
);

export const passkeys = mysqlTable(
  "passkeys",
  {
    id: uuid("id").primaryKey(),
    userId: ofUser(),
    name: varchar("name", { length: 120 }),
    publicKey: text("public_key").notNull(),
    credentialID: varchar("credential_id", { length: 512 }).notNull(),
    counter: int("counter").notNull(),
    deviceType: varchar("device_type", { length: 32 }).notNull(),
    backedUp: boolean("backed_up").notNull(),
    transports: varchar("transports", { length: 255 }),
    aaguid: varchar("aaguid", { length: 64 }),
    createdAt: moment("created_at"),
  },
  (table) => [
    index("passkeys_by_user").on(table.userId),
    index("passkeys_by_credential").on(table.credentialID),
  ],
);

/** How often an address asked, for the account library. */
export const rateLimits = mysqlTable("auth_rate_limits", {
  id: uuid("id").primaryKey(),
  key: varchar("key", { length: 190 }).notNull().unique(),
  count: int("count").notNull(),
  lastRequest: bigint("last_request", { mode: "number" }).notNull(),
});

/** How often something was tried, for every other limit: rows of the limiter. */
export const tries = mysqlTable("tries", {
  key: varchar("key", { length: 255 }).primaryKey(),
  points: int("points").notNull().default(0),
  expire: bigint("expire", { mode: "number", unsigned: true }),
});

/** Who belongs to a crew, and as what. */
export const members = mysqlTable(
  "members",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    userId: ofUser(),
    role: varchar("role", { length: 20 }).$type<Role>().notNull(),
    createdAt: madeAt(),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.userId] }),
    index("members_by_user").on(table.userId),
  ],
);

/** Invites. A code is kept as its hash: whoever reads the table can't use one. */
export const invites = mysqlTable(
  "invites",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    id: uuid("id").notNull(),
    codeHash: varchar("code_hash", { length: 64 }).notNull(),
    role: varchar("role", { length: 20 }).$type<Role>().notNull(),
    email: varchar("email", { length: 190 }),
    by: varchar("invited_by", { length: 120 }).notNull(),
    expiresAt: moment("expires_at").notNull(),
    usedAt: moment("used_at"),
    createdAt: madeAt(),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.id] }),
    unique("invites_by_code").on(table.codeHash),
  ],
);

/** What was done about accounts, for a crew's owner. Never changed. */
export const auditLines = mysqlTable(
  "audit_lines",
  {
    id: bigint("id", { mode: "number", unsigned: true }).primaryKey().autoincrement(),
    crewId: uuid("crew_id"),
    at: moment("at").notNull().default(sql`(now(3))`),
    what: varchar("what", { length: 30 }).$type<AuditLine["what"]>().notNull(),
    by: varchar("by_name", { length: 120 }),
    about: varchar("about", { length: 190 }),
    role: varchar("role", { length: 20 }).$type<Role>(),
    address: varchar("address", { length: 64 }),
  },
  (table) => [index("audit_by_crew").on(table.crewId, table.id)],
);
