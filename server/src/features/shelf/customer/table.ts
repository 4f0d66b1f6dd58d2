import type { Customer } from "@scutch/contract";
import { mysqlTable, primaryKey } from "drizzle-orm/mysql-core";
import { json, uuid } from "../../../db/columns.ts";
import { crews } from "../../crew/table.ts";

/** Customers, each as the document it is: nothing looks for one by a field. */
export const customers = mysqlTable(
  "customers",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    id: uuid("id").notNull(),
    customer: json<Customer>()("customer").notNull(),
  },
  (table) => [primaryKey({ columns: [table.crewId, table.id] })],
);
