import { may, type Shelf, withoutKeySafe } from "@scutch/contract";
import type { Actor } from "../../actor.ts";
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

/** A crew's shelf and van, its places and customers, as far as a role may see them. */
export async function readShelf(db: Db, { crewId, role }: Pick<Actor, "crewId" | "role">): Promise<Shelf> {
  const [products, vessels, gear, sites, customers] = await Promise.all([
    readProducts(db, crewId),
    readVessels(db, crewId),
    readGear(db, crewId),
    readSites(db, crewId),
    readCustomers(db, crewId),
  ]);
  return {
    products,
    vessels,
    gear,
    sites: may(role, "read-key-safe") ? sites : sites.map(withoutKeySafe),
    customers: may(role, "read-customers") ? customers : [],
  };
}
