import { CONTRACT_VERSION, endpoints, may } from "@scutch/contract";
import type { Router } from "express";
import { requireAccount } from "../../actor.ts";
import { notFound } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount, mountFile, mountStream } from "../../http/mount.ts";
import { addAuditLine } from "../account/service.ts";
import { crewArchive } from "./archive.ts";
import { closeCrew, keepCrew } from "./closing.ts";
import { crewData } from "./data.ts";
import { readOwnCrew } from "./service.ts";
import { crewUsage, nearlyFull } from "./usage.ts";

export function crewRoutes(router: Router, { db, blobs, mailer, photoQuota }: Context): void {
  mount(router, endpoints.readCrew, async (_call, actor) => {
    const known = await readOwnCrew(db, actor);
    if (!known) throw notFound();
    const { person, role, sessionId } = actor;
    const demo = sessionId === undefined ? { demo: true as const } : {};
    const full = may(role, "manage-crew") ? nearlyFull(await crewUsage(db, actor.crewId, photoQuota)) : [];
    const room = full.length > 0 ? { nearlyFull: full } : {};
    return { ...known, person, role, ...demo, ...room, contract: CONTRACT_VERSION };
  });
  mountStream(router, endpoints.readCrewData, async (_call, { crewId, person }) => {
    await addAuditLine(db, { crewId, what: "exported", by: person.name });
    return crewData(db, crewId);
  });
  mountFile(router, endpoints.readCrewArchive, async (_call, { crewId, person }) => {
    await addAuditLine(db, { crewId, what: "exported", by: person.name });
    return crewArchive({ db, blobs }, crewId);
  });
  mount(router, endpoints.readCrewUsage, (_call, { crewId }) => crewUsage(db, crewId, photoQuota));
  mount(router, endpoints.closeCrew, async ({ body }, actor) => ({
    closesAt: (await closeCrew({ db, mailer }, requireAccount(actor), body.name, new Date())).toISOString(),
  }));
  mount(router, endpoints.keepCrew, async (_call, actor) => {
    await keepCrew(db, requireAccount(actor), new Date());
    return { done: true as const };
  });
}
