import type { LogEntry } from "@scutch/contract";
import { sql } from "drizzle-orm";
import {
  bigint,
  datetime,
  foreignKey,
  index,
  int,
  mysqlTable,
  primaryKey,
  unique,
  varchar,
} from "drizzle-orm/mysql-core";
import { json, uuid } from "../../db/columns.ts";
import { jobs } from "../job/table.ts";

/**
 * What happened, append-only. The entry's own fields stay together as the document that was sent: it is never
 * changed, so it is never taken apart. Rooms are named, not referenced: what happened stays when the room goes.
 */
export const logEntries = mysqlTable(
  "log_entries",
  {
    crewId: uuid("crew_id").notNull(),
    id: uuid("id").notNull(),
    jobId: uuid("job_id").notNull(),
    /** Order of arrival. */
    arrival: bigint("arrival", { mode: "number", unsigned: true }).notNull().autoincrement(),
    at: datetime("at", { fsp: 3 }).notNull(),
    kind: varchar("kind", { length: 20 }).notNull(),
    roomId: uuid("room_id"),
    /** The entry a correction strikes out. */
    corrects: uuid("corrects"),
    entry: json<LogEntry>()("entry").notNull(),
    /** Who was signed in when it came; null for what came before there were accounts. */
    personId: uuid("person_id"),
    receivedAt: datetime("received_at", { fsp: 3 }).notNull().default(sql`(now(3))`),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.id] }),
    unique("log_entries_arrival").on(table.arrival),
    foreignKey({
      name: "log_entries_job",
      columns: [table.crewId, table.jobId],
      foreignColumns: [jobs.crewId, jobs.id],
    }),
    index("log_entries_by_job").on(table.crewId, table.jobId, table.at, table.arrival),
    index("log_entries_by_kind").on(table.crewId, table.jobId, table.kind),
    index("log_entries_by_corrected").on(table.crewId, table.corrects),
  ],
);

/** What lists tell of a job's log, kept as entries come in: counting them for each list would take longer with each job. */
export const logFacts = mysqlTable(
  "log_facts",
  {
    crewId: uuid("crew_id").notNull(),
    jobId: uuid("job_id").notNull(),
    entries: int("entries").notNull(),
    /** The last arrival. */
    mark: bigint("mark", { mode: "number", unsigned: true }).notNull(),
    /** When rooms were finished, with what strikes that out, in order. */
    finishes: json<readonly LogEntry[]>()("finishes").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.jobId] }),
    foreignKey({
      name: "log_facts_job",
      columns: [table.crewId, table.jobId],
      foreignColumns: [jobs.crewId, jobs.id],
    }),
  ],
);
