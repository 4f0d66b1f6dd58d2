import { CONTRACT_VERSION, endpoints } from "@scutch/contract";
import type { Router } from "express";
import { notFound } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount, mountStream } from "../../http/mount.ts";
import { crewData } from "./data.ts";
import { readCrew } from "./store.ts";

export function crewRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readCrew, async (_call, { crewId }) => {
    const known = await readCrew(db, crewId);
    if (!known) throw notFound();
    return { ...known, contract: CONTRACT_VERSION };
  });
  mountStream(router, endpoints.readCrewData, (_call, { crewId }) => crewData(db, crewId));
}
