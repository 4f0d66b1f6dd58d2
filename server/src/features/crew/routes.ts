import { CONTRACT_VERSION, endpoints } from "@scutch/contract";
import type { Router } from "express";
import { notFound } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount, mountStream } from "../../http/mount.ts";
import { addAuditLine } from "../account/service.ts";
import { crewData } from "./data.ts";
import { readOwnCrew } from "./service.ts";

export function crewRoutes(router: Router, { db }: Context): void {
  mount(router, endpoints.readCrew, async (_call, actor) => {
    const known = await readOwnCrew(db, actor);
    if (!known) throw notFound();
    const { person, role, sessionId } = actor;
    const demo = sessionId === undefined ? { demo: true as const } : {};
    return { ...known, person, role, ...demo, contract: CONTRACT_VERSION };
  });
  mountStream(router, endpoints.readCrewData, async (_call, { crewId, person }) => {
    await addAuditLine(db, { crewId, what: "exported", by: person.name });
    return crewData(db, crewId);
  });
}
