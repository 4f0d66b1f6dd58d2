import type { ProductId, StockLot } from "@scutch/contract";
import {
  customType,
  date,
  double,
  foreignKey,
  mysqlTable,
  primaryKey,
  varchar,
} from "drizzle-orm/mysql-core";
import { uuid } from "../../db/columns.ts";
import { crews } from "../crew/table.ts";
import { products } from "../shelf/product/table.ts";

/** What came in. What is there is never stored: it is this less what the logs say was used. */
export const stockLots = mysqlTable(
  "stock_lots",
  {
    crewId: uuid("crew_id").notNull(),
    id: uuid("id").$type<StockLot["id"]>().notNull(),
    productId: uuid("product_id").$type<ProductId>().notNull(),
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

/** A lot's name told letter by letter: A1 and a1 are two. */
const exactText = customType<{ data: string }>({
  dataType: () => "varchar(60) collate utf8mb4_nopad_bin",
});
/** Added and taken back without a rounding error, to a thousandth of a drop. */
const exactAmount = customType<{ data: number; driverData: string }>({
  dataType: () => "decimal(30,15)",
  fromDriver: Number,
});

/**
 * What the logs say was used, added up as entries come in: a fold of the log kept beside it, since reading a crew's whole
 * log for it takes too long. Written in the transaction of the entry, by features/log.
 */
export const stockUse = mysqlTable(
  "stock_use",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    productId: uuid("product_id").notNull(),
    /** Empty where no lot was named. */
    lot: exactText("lot").notNull(),
    amount: exactAmount("amount").notNull(),
  },
  (table) => [primaryKey({ columns: [table.crewId, table.productId, table.lot] })],
);
