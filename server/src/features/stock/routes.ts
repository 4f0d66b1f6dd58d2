import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { readStock } from "./service.ts";

export function stockRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readStock, (_call, { crewId }) => readStock(db, crewId));
}
