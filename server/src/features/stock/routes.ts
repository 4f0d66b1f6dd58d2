import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../app.ts";
import { sameId } from "../../http/apiFailure.ts";
import { mount } from "../../http/mount.ts";
import { readStock, saveLot } from "./service.ts";

export function stockRoutes(router: Router, { db, crewId }: Context): void {
  mount(router, endpoints.readStock, () => readStock(db, crewId));
  mount(router, endpoints.saveLot, ({ params, body }) => {
    sameId(params.lotId, body.id);
    return saveLot(db, crewId, body);
  });
}
