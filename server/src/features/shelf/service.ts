import type { Gear, Product, Shelf, Site, Vessel } from "@scutch/contract";
import type { Db, Transaction } from "../../db/connect.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { noteChange } from "../change/store.ts";
import { readGear, writeGear } from "./gear/store.ts";
import { readProducts, writeProduct } from "./product/store.ts";
import { readSites, writeSite } from "./site/store.ts";
import { readVessels, writeVessel } from "./vessel/store.ts";

/** For services of other features: what a job, a lot or a crew's file refers to. */
export { readGear } from "./gear/store.ts";
export { readProducts } from "./product/store.ts";
export { siteExists } from "./site/store.ts";
export { readVessels } from "./vessel/store.ts";

/** Everything of a crew's shelf and van, and its places. */
export async function readShelf(db: Db, crewId: string): Promise<Shelf> {
  const [products, vessels, gear, sites] = await Promise.all([
    readProducts(db, crewId),
    readVessels(db, crewId),
    readGear(db, crewId),
    readSites(db, crewId),
  ]);
  return { products, vessels, gear, sites };
}

/** Writes a thing of the shelf, and that the shelf changed. */
const savedAs = <T>(
  db: Db,
  crewId: string,
  write: (tx: Transaction, crewId: string, thing: T) => Promise<void>,
  thing: T,
) =>
  retryTransaction(db, async (tx) => {
    await write(tx, crewId, thing);
    await noteChange(tx, crewId, "shelf");
  });

export async function saveProduct(db: Db, crewId: string, product: Product): Promise<Product> {
  await savedAs(db, crewId, writeProduct, product);
  return product;
}

export async function saveVessel(db: Db, crewId: string, vessel: Vessel): Promise<Vessel> {
  await savedAs(db, crewId, writeVessel, vessel);
  return vessel;
}

export async function saveGear(db: Db, crewId: string, item: Gear): Promise<Gear> {
  await savedAs(db, crewId, writeGear, item);
  return item;
}

export async function saveSite(db: Db, crewId: string, site: Site): Promise<Site> {
  await savedAs(db, crewId, writeSite, site);
  return site;
}
