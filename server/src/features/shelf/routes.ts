import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { readShelf } from "./service.ts";

export function shelfRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readShelf, (_call, actor) => readShelf(db, actor));
}
