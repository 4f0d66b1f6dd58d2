import type { Job } from "@scutch/contract";
import { char, date, foreignKey, index, int, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { json, uuid } from "../../db/columns.ts";
import { crews } from "../crew/table.ts";
import { sites } from "../shelf/site/table.ts";

/** A sending of a plan, and the version it became. */
export interface LastSave {
  readonly saveId: string;
  readonly version: number;
}

/**
 * A job's plan, as the document it is, beside what it is found by. The columns repeat what the plan says: they are
 * written with it and never read back into it. See docs/decisions/0011.
 */
export const jobs = mysqlTable(
  "jobs",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    id: uuid("id").notNull(),
    version: int("version").notNull(),
    siteId: uuid("site_id").notNull(),
    title: varchar("title", { length: 120 }).notNull(),
    day: date("day", { mode: "string" }).notNull(),
    startsAt: char("starts_at", { length: 5 }).notNull(),
    plan: json<Job>()("plan").notNull(),
    /** The last sendings, so that one whose answer was lost is known again. */
    saves: json<readonly LastSave[]>()("saves"),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.id] }),
    foreignKey({
      name: "jobs_site",
      columns: [table.crewId, table.siteId],
      foreignColumns: [sites.crewId, sites.id],
    }),
    index("jobs_by_day").on(table.crewId, table.day, table.startsAt, table.id),
  ],
);
