import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import { sameId } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { readStock, saveLot } from "./service.ts";

export function stockRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readStock, (_call, { crewId }) => readStock(db, crewId));
  mount(router, endpoints.saveLot, ({ params, body }, { crewId }) => {
    sameId(params.lotId, body.id);
    return saveLot(db, crewId, body);
  });
}
