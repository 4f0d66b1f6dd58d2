import type { Site, SiteId } from "@scutch/contract";
import { double, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { json, uuid } from "../../../db/columns.ts";
import { crews } from "../../crew/table.ts";

export type SiteDetails = Omit<Site, "id" | "name" | "address" | "elevation" | "zone">;

export const sites = mysqlTable(
  "sites",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    id: uuid("id").$type<SiteId>().notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    address: varchar("address", { length: 300 }),
    elevation: double("elevation_m"),
    zone: varchar("zone", { length: 64 }),
    /** What is only read with the whole place. */
    details: json<SiteDetails>()("details"),
  },
  // The crew leads every key, so that a row of another crew can be neither named nor met.
  (table) => [primaryKey({ columns: [table.crewId, table.id] })],
);
