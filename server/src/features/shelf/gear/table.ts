import type { Gear } from "@scutch/contract";
import { mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { json, uuid } from "../../../db/columns.ts";
import { crews } from "../../crew/table.ts";

/** What is in the van beside vessels. Each kind has fields of its own, never asked for by SQL: they stay together. */
export const gear = mysqlTable(
  "gear",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    id: uuid("id").notNull(),
    kind: varchar("kind", { length: 20 }).notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    item: json<Gear>()("item").notNull(),
  },
  (table) => [primaryKey({ columns: [table.crewId, table.id] })],
);
