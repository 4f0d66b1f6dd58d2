import { date, double, foreignKey, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { uuid } from "../../db/columns.ts";
import { products } from "../product/table.ts";

/** What came in. What is there is never stored: it is this less what the logs say was used. */
export const stockLots = mysqlTable(
  "stock_lots",
  {
    crewId: uuid("crew_id").notNull(),
    id: uuid("id").notNull(),
    productId: uuid("product_id").notNull(),
    lot: varchar("lot", { length: 60 }).notNull(),
    packs: double("packs").notNull(),
    /** m³ of liquid or kg of powder. */
    packSize: double("pack_size").notNull(),
    receivedOn: date("received_on", { mode: "string" }).notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.id] }),
    foreignKey({
      name: "lots_product",
      columns: [table.crewId, table.productId],
      foreignColumns: [products.crewId, products.id],
    }),
  ],
);
