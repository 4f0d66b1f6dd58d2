import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import { sameId } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { saveRecord } from "./service.ts";

/** Changes to things of the shelf, the van, the stock and the settings: joined, or one by one in place of what was there. */
export function recordRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.saveRecord, async ({ body }, actor) => ({
    value: await saveRecord(db, actor, body),
  }));
  mount(router, endpoints.saveProduct, ({ params, body: value }, actor) => {
    sameId(params.productId, value.id);
    return saveRecord(db, actor, { kind: "product", value });
  });
  mount(router, endpoints.saveVessel, ({ params, body: value }, actor) => {
    sameId(params.vesselId, value.id);
    return saveRecord(db, actor, { kind: "vessel", value });
  });
  mount(router, endpoints.saveGear, ({ params, body: value }, actor) => {
    sameId(params.gearId, value.id);
    return saveRecord(db, actor, { kind: "gear", value });
  });
  mount(router, endpoints.saveSite, ({ params, body: value }, actor) => {
    sameId(params.siteId, value.id);
    return saveRecord(db, actor, { kind: "site", value });
  });
  mount(router, endpoints.saveLot, ({ params, body: value }, actor) => {
    sameId(params.lotId, value.id);
    return saveRecord(db, actor, { kind: "lot", value });
  });
  mount(router, endpoints.saveSettings, ({ body: value }, actor) =>
    saveRecord(db, actor, { kind: "settings", value }),
  );
}
