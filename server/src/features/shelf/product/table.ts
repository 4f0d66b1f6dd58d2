import type { Product, ProductId, Strength } from "@scutch/contract";
import { double, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { json, uuid } from "../../../db/columns.ts";
import { crews } from "../../crew/table.ts";

type Spelling = Strength["spelling"];

export const products = mysqlTable(
  "products",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    id: uuid("id").$type<ProductId>().notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    kind: varchar("kind", { length: 20 }).$type<Product["kind"]>().notNull(),
    ratioMeans: varchar("ratio_means", { length: 12 }).$type<Product["ratioMeans"]>().notNull(),
    lightSpelling: varchar("light_spelling", { length: 20 }).$type<Spelling>().notNull(),
    lightValue: double("light_value").notNull(),
    ordinarySpelling: varchar("ordinary_spelling", { length: 20 }).$type<Spelling>().notNull(),
    ordinaryValue: double("ordinary_value").notNull(),
    heavySpelling: varchar("heavy_spelling", { length: 20 }).$type<Spelling>().notNull(),
    heavyValue: double("heavy_value").notNull(),
    dwellLeast: double("dwell_least_s").notNull(),
    dwellMost: double("dwell_most_s").notNull(),
    potLife: double("pot_life_s"),
    waterTemperature: double("water_temperature_c"),
    scoop: double("scoop_kg"),
    /** m³ of liquid or kg of powder. */
    packSize: double("pack_size"),
    packPrice: double("pack_price"),
    phInUse: double("ph_in_use"),
    phConcentrate: double("ph_concentrate"),
    chemistry: json<NonNullable<Product["chemistry"]>>()("chemistry"),
    floors: varchar("floors", { length: 10 }).$type<NonNullable<Product["floors"]>>(),
    treats: varchar("treats", { length: 10 }).$type<NonNullable<Product["treats"]>>(),
    labelAllows: json<NonNullable<Product["labelAllows"]>>()("label_allows"),
    labelForbids: json<NonNullable<Product["labelForbids"]>>()("label_forbids"),
    cautions: json<string[]>()("cautions").notNull(),
  },
  (table) => [primaryKey({ columns: [table.crewId, table.id] })],
);
