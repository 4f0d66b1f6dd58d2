import type { CrewSettings } from "@scutch/contract";
import { sql } from "drizzle-orm";
import { datetime, mysqlTable, varchar } from "drizzle-orm/mysql-core";
import { json, uuid } from "../../db/columns.ts";

export const crews = mysqlTable("crews", {
  id: uuid("id").primaryKey(),
  name: varchar("name", { length: 120 }).notNull(),
  settings: json<CrewSettings>()("settings"),
  createdAt: datetime("created_at", { fsp: 3 }).notNull().default(sql`(now(3))`),
});
