import type { Product, ProductId } from "@scutch/contract";
import { and, asc, eq, inArray } from "drizzle-orm";
import type { Db, Transaction } from "../../../db/connect.ts";
import { omitNulls } from "../../../db/nulls.ts";
import { products } from "./table.ts";

type Row = typeof products.$inferSelect;
function productFrom(row: Row): Product {
  return omitNulls<Product>({
    id: row.id,
    name: row.name,
    kind: row.kind,
    ratioMeans: row.ratioMeans,
    light: { spelling: row.lightSpelling, value: row.lightValue },
    ordinary: { spelling: row.ordinarySpelling, value: row.ordinaryValue },
    heavy: { spelling: row.heavySpelling, value: row.heavyValue },
    dwellLeast: row.dwellLeast,
    dwellMost: row.dwellMost,
    potLife: row.potLife,
    waterTemperature: row.waterTemperature,
    scoop: row.scoop,
    packSize: row.packSize,
    packPrice: row.packPrice,
    phInUse: row.phInUse,
    phConcentrate: row.phConcentrate,
    chemistry: row.chemistry,
    floors: row.floors,
    treats: row.treats,
    labelAllows: row.labelAllows,
    labelForbids: row.labelForbids,
    cautions: row.cautions,
  });
}

/** A crew's products by name; all of them, or those of `ids`. */
export async function readProducts(
  db: Db | Transaction,
  crewId: string,
  ids?: readonly ProductId[],
): Promise<Product[]> {
  const rows = await db
    .select()
    .from(products)
    .where(and(eq(products.crewId, crewId), ids ? inArray(products.id, [...ids]) : undefined))
    .orderBy(asc(products.name), asc(products.id));
  return rows.map(productFrom);
}

/** Adds a product or puts it in place of the one with its id. */
export async function writeProduct(db: Db | Transaction, crewId: string, product: Product): Promise<void> {
  const { id, light, ordinary, heavy, ...plain } = product;
  // Typed as what is read back, so that a field left out doesn't compile.
  const row: Omit<Row, "crewId" | "id"> = {
    ...plain,
    lightSpelling: light.spelling,
    lightValue: light.value,
    ordinarySpelling: ordinary.spelling,
    ordinaryValue: ordinary.value,
    heavySpelling: heavy.spelling,
    heavyValue: heavy.value,
    potLife: product.potLife ?? null,
    waterTemperature: product.waterTemperature ?? null,
    scoop: product.scoop ?? null,
    packSize: product.packSize ?? null,
    packPrice: product.packPrice ?? null,
    phInUse: product.phInUse ?? null,
    phConcentrate: product.phConcentrate ?? null,
    chemistry: product.chemistry ?? null,
    labelAllows: product.labelAllows ?? null,
    floors: product.floors ?? null,
    treats: product.treats ?? null,
    labelForbids: product.labelForbids ?? null,
  };
  await db
    .insert(products)
    .values({ crewId, id, ...row })
    .onDuplicateKeyUpdate({ set: row });
}
