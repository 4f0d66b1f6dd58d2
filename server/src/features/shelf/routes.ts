import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import { sameId } from "../../http/apiFailure.ts";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { readGear, writeGear } from "../gear/store.ts";
import { readProducts, writeProduct } from "../product/store.ts";
import { readSites, writeSite } from "../site/store.ts";
import { readVessels, writeVessel } from "../vessel/store.ts";

export function shelfRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readShelf, async (_call, { crewId }) => {
    const [products, vessels, gear, sites] = await Promise.all([
      readProducts(db, crewId),
      readVessels(db, crewId),
      readGear(db, crewId),
      readSites(db, crewId),
    ]);
    return { products, vessels, gear, sites };
  });
  mount(router, endpoints.saveProduct, async ({ params, body }, { crewId }) => {
    sameId(params.productId, body.id);
    await writeProduct(db, crewId, body);
    return body;
  });
  mount(router, endpoints.saveVessel, async ({ params, body }, { crewId }) => {
    sameId(params.vesselId, body.id);
    await writeVessel(db, crewId, body);
    return body;
  });
  mount(router, endpoints.saveGear, async ({ params, body }, { crewId }) => {
    sameId(params.gearId, body.id);
    await writeGear(db, crewId, body);
    return body;
  });
  mount(router, endpoints.saveSite, async ({ params, body }, { crewId }) => {
    sameId(params.siteId, body.id);
    await writeSite(db, crewId, body);
    return body;
  });
}
