import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import { sameId } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { saveRecord } from "./service.ts";

/** Changes to things of the shelf, the van, the stock and the settings: joined, or one by one in place of what was there. */
export function recordRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.saveRecord, async ({ body }, { crewId }) => ({
    value: await saveRecord(db, crewId, body),
  }));
  mount(router, endpoints.saveProduct, ({ params, body: value }, { crewId }) => {
    sameId(params.productId, value.id);
    return saveRecord(db, crewId, { kind: "product", value });
  });
  mount(router, endpoints.saveVessel, ({ params, body: value }, { crewId }) => {
    sameId(params.vesselId, value.id);
    return saveRecord(db, crewId, { kind: "vessel", value });
  });
  mount(router, endpoints.saveGear, ({ params, body: value }, { crewId }) => {
    sameId(params.gearId, value.id);
    return saveRecord(db, crewId, { kind: "gear", value });
  });
  mount(router, endpoints.saveSite, ({ params, body: value }, { crewId }) => {
    sameId(params.siteId, value.id);
    return saveRecord(db, crewId, { kind: "site", value });
  });
  mount(router, endpoints.saveLot, ({ params, body: value }, { crewId }) => {
    sameId(params.lotId, value.id);
    return saveRecord(db, crewId, { kind: "lot", value });
  });
  mount(router, endpoints.saveSettings, ({ body: value }, { crewId }) =>
    saveRecord(db, crewId, { kind: "settings", value }),
  );
}
