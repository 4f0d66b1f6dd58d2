import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import { sameId } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { readShelf, saveGear, saveProduct, saveSite, saveVessel } from "./service.ts";

export function shelfRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readShelf, (_call, { crewId }) => readShelf(db, crewId));
  mount(router, endpoints.saveProduct, async ({ params, body }, { crewId }) => {
    sameId(params.productId, body.id);
    return saveProduct(db, crewId, body);
  });
  mount(router, endpoints.saveVessel, async ({ params, body }, { crewId }) => {
    sameId(params.vesselId, body.id);
    return saveVessel(db, crewId, body);
  });
  mount(router, endpoints.saveGear, async ({ params, body }, { crewId }) => {
    sameId(params.gearId, body.id);
    return saveGear(db, crewId, body);
  });
  mount(router, endpoints.saveSite, async ({ params, body }, { crewId }) => {
    sameId(params.siteId, body.id);
    return saveSite(db, crewId, body);
  });
}
