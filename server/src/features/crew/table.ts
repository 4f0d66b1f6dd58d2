import type { CrewSettings } from "@scutch/contract";
import { sql } from "drizzle-orm";
import { boolean, datetime, mysqlTable, varchar } from "drizzle-orm/mysql-core";
import { json, uuid } from "../../db/columns.ts";

export const crews = mysqlTable("crews", {
  id: uuid("id").primaryKey(),
  name: varchar("name", { length: 120 }).notNull(),
  settings: json<CrewSettings>()("settings"),
  /** The demo's: opened without an account, on this machine alone. */
  isDemo: boolean("is_demo").notNull().default(false),
  /** When it and all it has are deleted; null: never. */
  closesAt: datetime("closes_at", { fsp: 3, mode: "date" }),
  createdAt: datetime("created_at", { fsp: 3 }).notNull().default(sql`(now(3))`),
});
