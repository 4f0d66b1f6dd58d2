import type { Vessel, VesselId } from "@scutch/contract";
import { double, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { json, uuid } from "../../../db/columns.ts";
import { crews } from "../../crew/table.ts";

export const vessels = mysqlTable(
  "vessels",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    id: uuid("id").$type<VesselId>().notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    kind: varchar("kind", { length: 20 }).$type<NonNullable<Vessel["kind"]>>(),
    nominal: double("nominal_m3").notNull(),
    heel: double("heel_m3").notNull(),
    headSpace: double("head_space_m3").notNull(),
    graduation: double("graduation_m3").notNull(),
    lines: json<number[]>()("lines_m3"),
    sprayFlow: double("spray_flow_m3_per_s").notNull(),
  },
  (table) => [primaryKey({ columns: [table.crewId, table.id] })],
);
