import type { Shelf } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { readCustomers } from "./customer/store.ts";
import { readGear } from "./gear/store.ts";
import { readProducts } from "./product/store.ts";
import { readSites } from "./site/store.ts";
import { readVessels } from "./vessel/store.ts";

/** For services of other features: what a job, a lot or a crew's file refers to, and what is saved as a record. */
export { readCustomers, writeCustomer } from "./customer/store.ts";
export { readGear, writeGear } from "./gear/store.ts";
export { readProducts, writeProduct } from "./product/store.ts";
export { readSites, siteExists, writeSite } from "./site/store.ts";
export { readVessels, writeVessel } from "./vessel/store.ts";

/** Everything of a crew's shelf and van, its places and customers. */
export async function readShelf(db: Db, crewId: string): Promise<Shelf> {
  const [products, vessels, gear, sites, customers] = await Promise.all([
    readProducts(db, crewId),
    readVessels(db, crewId),
    readGear(db, crewId),
    readSites(db, crewId),
    readCustomers(db, crewId),
  ]);
  return { products, vessels, gear, sites, customers };
}
