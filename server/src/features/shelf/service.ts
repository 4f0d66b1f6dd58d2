import type { Gear, Product, Shelf, Site, Vessel } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
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

export async function saveProduct(db: Db, crewId: string, product: Product): Promise<Product> {
  await writeProduct(db, crewId, product);
  return product;
}

export async function saveVessel(db: Db, crewId: string, vessel: Vessel): Promise<Vessel> {
  await writeVessel(db, crewId, vessel);
  return vessel;
}

export async function saveGear(db: Db, crewId: string, item: Gear): Promise<Gear> {
  await writeGear(db, crewId, item);
  return item;
}

export async function saveSite(db: Db, crewId: string, site: Site): Promise<Site> {
  await writeSite(db, crewId, site);
  return site;
}
