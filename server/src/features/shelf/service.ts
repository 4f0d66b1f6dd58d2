import type { Shelf } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { readGear } from "./gear/store.ts";
import { readProducts } from "./product/store.ts";
import { readSites } from "./site/store.ts";
import { readVessels } from "./vessel/store.ts";

/** For services of other features: what a job, a lot or a crew's file refers to, and what is saved as a record. */
export { readGear, writeGear } from "./gear/store.ts";
export { readProducts, writeProduct } from "./product/store.ts";
export { readSites, siteExists, writeSite } from "./site/store.ts";
export { readVessels, writeVessel } from "./vessel/store.ts";

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
