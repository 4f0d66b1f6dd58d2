import { bigint, index, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { uuid } from "../../db/columns.ts";

/** How many changes a crew has had. Its row is locked by who saves, last thing in the transaction: numbers come in the order of commits. */
export const changeCounters = mysqlTable("change_counters", {
  crewId: uuid("crew_id").primaryKey(),
  seq: bigint("seq", { mode: "number", unsigned: true }).notNull(),
});

/** The last change of each topic of a crew: as many rows as there are things, however often they change. */
export const changes = mysqlTable(
  "changes",
  {
    crewId: uuid("crew_id").notNull(),
    topic: varchar("topic", { length: 48 }).notNull(),
    seq: bigint("seq", { mode: "number", unsigned: true }).notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.topic] }),
    index("changes_by_seq").on(table.crewId, table.seq),
  ],
);
